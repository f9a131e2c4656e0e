"""A change: one command from somebody who saw the film at a revision.

A command is applied to a copy of the document; the store keeps the difference both ways, so that
undo is exact.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Any

from pydantic import BaseModel, Field

from . import commands as c
from .difference import Settled, opened, settled
from .document import FilmDocument

Command = Annotated[
    c.EditText
    | c.EditPlaces
    | c.MoveScene
    | c.SetAside
    | c.BringBack
    | c.MoveShot
    | c.SetMark
    | c.LiftMark
    | c.PushMark
    | c.CutAgain
    | c.CutRamp
    | c.AddHold
    | c.SetHold
    | c.SamePicture
    | c.SetShots
    | c.CopyMovement
    | c.KeepVoice
    | c.DropVoice
    | c.SetLine
    | c.SayWord
    | c.ReadWord
    | c.MarkWords
    | c.KeepNarration
    | c.TakeRecordings
    | c.TakeLexicon
    | c.TakeSsml
    | c.SetScene
    | c.CircleTake
    | c.CircleTakes
    | c.RejectTake
    | c.KeepCutOut
    | c.DropCutOut
    | c.KeepPicture
    | c.DropPicture
    | c.ArrangeInsets
    | c.SetPerson
    | c.RenamePerson
    | c.RemovePerson
    | c.MergePeople
    | c.SplitPerson
    | c.TakeCast
    | c.TakeMeant
    | c.SetMeant
    | c.AcceptDrift
    | c.SetLook
    | c.RemoveLook
    | c.SetPlace
    | c.SetSettings
    | c.SetSource
    | c.Rename
    | c.SetCard
    | c.TakeStyle
    | c.KeepFace
    | c.KeepTable
    | c.LiftCue
    | c.LiftSounds
    | c.SetCue
    | c.PlaceCues
    | c.SetTension
    | c.SetLane
    | c.KeepSound
    | c.DropSound
    | c.AddNote
    | c.AnswerNote
    | c.SetNote
    | c.DropNote
    | c.AgreeScene
    | c.SetTexts
    | c.KeepThumbnail
    | c.DropThumbnail
    | c.AddThumbnailPicture
    | c.DropThumbnailPicture
    | c.Translate,
    Field(discriminator="type"),
]


class Change(BaseModel):
    """A command sent by somebody who saw the film at `revision`."""

    revision: int
    command: Command


@dataclass(frozen=True)
class Applied:
    """What a command did: the film as it is now, all edge numbers used so far, the change's name."""

    settled: Settled
    edges: list[str]
    title: str


def apply_to(
    film: FilmDocument, raw: Mapping[str, Any], command: Command, used: Sequence[str]
) -> Applied:
    """Apply a command to a film, of which `raw` is the JSON. `film` itself is not touched; of what the command does
    not touch, the changed film holds the very objects."""
    changed = opened(film, command.touches)
    edges = list(used)
    title = command.apply(changed, edges)
    return Applied(settled(film, raw, changed, command.touches), edges, title)


def apply_command(
    film: FilmDocument, command: Command, used: Sequence[str]
) -> tuple[FilmDocument, list[str], str]:
    """The changed film, all edge numbers used so far, and the change's name. `film` itself is not
    touched."""
    done = apply_to(film, film.model_dump(mode="json"), command, used)
    return done.settled.document, done.edges, done.title
