"""A change: one command from somebody who saw the film at a revision.

A command is applied to a copy of the document; the store keeps the difference both ways, so that
undo is exact.
"""

from collections.abc import Sequence
from typing import Annotated

from pydantic import BaseModel, Field

from . import commands as c
from .document import FilmDocument

Command = Annotated[
    c.EditText
    | c.EditPlaces
    | c.MoveScene
    | c.SetMark
    | c.LiftMark
    | c.PushMark
    | c.CutAgain
    | c.AddHold
    | c.SetHold
    | c.SamePicture
    | c.SetShots
    | c.SetScene
    | c.CircleTake
    | c.CircleTakes
    | c.RejectTake
    | c.KeepCutOut
    | c.DropCutOut
    | c.SetPerson
    | c.RenamePerson
    | c.RemovePerson
    | c.MergePeople
    | c.SplitPerson
    | c.AcceptDrift
    | c.SetLook
    | c.RemoveLook
    | c.SetPlace
    | c.SetSettings
    | c.SetSource
    | c.Rename
    | c.LiftCue,
    Field(discriminator="type"),
]


class Change(BaseModel):
    """A command sent by somebody who saw the film at `revision`."""

    revision: int
    command: Command


def apply_command(
    film: FilmDocument, command: Command, used: Sequence[str]
) -> tuple[FilmDocument, list[str], str]:
    """The changed film, all edge numbers used so far, and the change's name. `film` itself is not
    touched."""
    changed = film.model_copy(deep=True)
    edges = list(used)
    title = command.apply(changed, edges)
    return FilmDocument.model_validate(changed.model_dump()), edges, title
