"""The maker's own voice for a whole story: brought in one file, kept in pieces, heard, and followed by the text."""

from pathlib import Path
from typing import Literal

from pydantic import Field

from cutreel.core.film import Narration
from cutreel.core.keys import key
from cutreel.store import Assembled, ItemSpec

from .apart import NARRATION, Reader
from .kinds.following import follow_spec
from .kinds.hearing import HearingSpec
from .pieces import brought_for, hearing_specs, kept_narration
from .recording import opened_narration
from .registry import RunKind, Stage, Wanted, item
from .workshop import Workshop


def _nothing() -> None:
    return None


listener = Reader(_nothing, seconds=600)
"""Opens long recordings, so that no picture waits for an hour of narration."""


def keep_narration(shop: Workshop, path: Path, name: str, text: str) -> Narration:
    """Keep a recording of the story, or a part of it, that lies in a file, for a text. Raises BadInput."""
    pieces = listener.read(opened_narration, str(path).encode(), what=NARRATION)
    kept = [(shop.media.put(piece.flac, "flac"), piece.seconds) for piece in pieces]
    seconds = sum(length for _, length in kept)
    made = key("narration", 1, pieces=[media for media, _ in kept])
    shop.results.put(made, "narration", None, {"pieces": kept, "seconds": seconds})
    told = key("text", 1, text=text)
    return Narration(key=made, name=name[:200], seconds=round(seconds, 2), text=told)


def share_heard(shop: Workshop, film: Assembled, narration: str) -> float:
    """How much of a narration was heard, 0 … 1."""
    specs = _specs(shop, film, narration)
    known = shop.results.known([s.key for s in specs])
    return sum(s.seconds for s in specs if s.key in known) / (sum(s.seconds for s in specs) or 1)


def _specs(shop: Workshop, film: Assembled, narration: str) -> list[HearingSpec]:
    kept = kept_narration(shop, narration)
    return hearing_specs(film.film, kept, brought_for(film.document, narration))


class NarrationWanted(Wanted):
    """A narration, by its key, heard and followed by the text."""

    kind: Literal["narration"] = "narration"
    narration: str = Field(pattern=r"^[0-9a-f]{40}$")


def unheard(film: Assembled, wanted: NarrationWanted, shop: Workshop) -> list[ItemSpec]:
    """The pieces that were not heard yet."""
    specs = _specs(shop, film, wanted.narration)
    known = shop.results.known([s.key for s in specs])
    return [
        item(s, f"hear minute {i + 1} of your recording", weight=s.seconds / SPEED)
        for i, s in enumerate(specs)
        if s.key not in known
    ]


SPEED = 12.0
"""Seconds of a recording that are heard in one, about."""


def unfollowed(film: Assembled, wanted: NarrationWanted, shop: Workshop) -> list[ItemSpec]:
    """The text followed through it, where that was not done for the text as it stands."""
    spec = follow_spec(film, wanted.narration)
    if shop.results.get(spec.key) is not None:
        return []
    return [item(spec, "follow the text through your recording", weight=20.0)]


NARRATION_RUN = RunKind(
    NarrationWanted,
    lambda wanted: [Stage("hear", unheard, needs_all=True), Stage("follow", unfollowed)],
)
