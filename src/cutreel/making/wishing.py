"""A wish for a whole film, understood by a writer: its answers are changes in the film's own commands, each checked."""

from functools import cache
from typing import Any

from pydantic import TypeAdapter, ValidationError

from cutreel.core.errors import CutReelError
from cutreel.core.film import Proposal, Understood, WishCommand, apply_command
from cutreel.core.keys import key
from cutreel.protocol import FilmTold, ScriptInput, ShotTold, WishedChange, WishUnderstood
from cutreel.store import Assembled

from .once import ask_once
from .workshop import Workshop

WISHING_VERSION = 1
_COMMANDS: TypeAdapter[WishCommand] = TypeAdapter(WishCommand)


def understood_by_writer(shop: Workshop, film: Assembled, words: str) -> Understood:
    """What a writer makes of a wish in a film as it stands. What it answers that is no change of the film, or that the
    film would refuse, is left out and told. Raises CutReelError where nobody writes."""
    work = ScriptInput(task="wish", instruction=words, film=_told(film))
    name = key("wish", WISHING_VERSION, wish=work.model_dump(mode="json"))
    found, _ = ask_once(shop, "script", work, name, film.film, WishUnderstood.model_validate)
    unclear = list(found.unclear)
    proposals = []
    for change in found.changes:
        command = _checked(film, change)
        if command is None:
            unclear.append(f"{change.says} (the writer asked for what cannot be done)")
        else:
            proposals.append(Proposal(command, change.says, change.why or "the writer’s own idea"))
    return Understood(proposals, unclear)


def _checked(film: Assembled, change: WishedChange) -> WishCommand | None:
    """A change as a command, if it is one and the film takes it."""
    try:
        command = _COMMANDS.validate_python(change.command)
        apply_command(film.document, command, [s.edge for s in film.document.shots])
    except (ValidationError, CutReelError):
        return None
    return command


def _told(film: Assembled) -> FilmTold:
    shots = [
        ShotTold(
            number=s.shot.id,
            edge=s.shot.edge,
            words=film.shot_text(i),
            seconds=round(film.rate.seconds(span.frames), 2),
            framing=s.facts.framing,
            move=s.move,
            place=s.facts.place,
            time=s.facts.time,
            mood=s.facts.mood,
            people=[p.name for p in s.people],
        )
        for i, (s, span) in enumerate(zip(film.read.shots, film.spans, strict=True))
    ]
    settings = film.document.settings.model_dump(mode="json")
    title = film.document.title
    return FilmTold(title=title, settings=settings, shots=shots, commands=_schema())


@cache
def _schema() -> dict[str, Any]:
    return _COMMANDS.json_schema()
