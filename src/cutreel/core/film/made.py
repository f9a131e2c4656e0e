"""What was made for a film, as plain rows: takes of its shots, and results by their keys."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from decimal import Decimal
from functools import cached_property
from typing import Any

from cutreel.core.continuity import SeenPicture

from .reading import ReadShot


@dataclass(frozen=True)
class Result:
    """Something made: its media file, what is known of it, and what it cost."""

    key: str
    kind: str
    media: str | None
    data: dict[str, Any]
    cost: Decimal


@dataclass(frozen=True)
class TakeRow:
    """A take. `made_from` is the picture key that its shot had; it is stale when the shot's key is
    another now."""

    id: str
    shot: int
    number: int
    made_from: str
    seed: int
    prompt: str
    negative: str
    offer: str
    media: str
    thumb: str
    layers: tuple[tuple[str, float], ...]
    about: dict[str, Any]
    brought: bool
    cost: Decimal

    @cached_property
    def seen(self) -> SeenPicture | None:
        """What was measured of its picture; None of takes from before pictures were measured."""
        return SeenPicture.kept_in(self.about)


def used_take(
    shot: ReadShot, takes: Sequence[TakeRow], circled_id: str | None, rejected: Collection[str] = ()
) -> TakeRow | None:
    """The take that a shot uses: the circled one; when that is stale and a fresh one was made, the
    newest fresh one.

    With nothing circled the first fresh take, else the newest of all. A rejected take is never
    used.
    """
    takes = [t for t in takes if t.id not in rejected]
    fresh = [t for t in takes if is_fresh(shot, t)]
    circled = next((t for t in takes if t.id == circled_id), None)
    if circled is not None and (is_fresh(shot, circled) or not fresh):
        return circled
    if circled is not None:
        return fresh[-1]
    return fresh[0] if fresh else (takes[-1] if takes else None)


def is_fresh(shot: ReadShot, take: TakeRow) -> bool:
    """Whether a take was made from what its shot asks for now. A picture the maker brought is never
    stale; one with just the seed that was then set for its shot is as good as made from it; one
    made in another look on purpose is as fresh as what it was made beside."""
    if take.brought or take.made_from == shot.picture_key:
        return True
    pinned = take.made_from == shot.unpinned_key and take.seed == shot.seed
    return pinned or take.about.get("restyled", {}).get("beside") == shot.picture_key


def figures_in(take: TakeRow) -> tuple[float, float] | None:
    """The middle of whoever is in the picture, a little above; None: nobody is known to be."""
    boxes = [r["box"] for r in take.about.get("regions", [])]
    if not boxes:
        return None
    x = sum((b[0] + b[2]) / 2 for b in boxes) / len(boxes)
    # A third down a figure is its face or its breast.
    y = sum(b[1] + (b[3] - b[1]) * 0.35 for b in boxes) / len(boxes)
    return (x, y)


def focus_of(take: TakeRow) -> tuple[float, float]:
    """Where the camera aims: toward whoever is in the picture, else at the middle of the frame."""
    return toward(figures_in(take) or (0.5, 0.5))


def toward(place: tuple[float, float]) -> tuple[float, float]:
    """Where a camera aims for a place in its frame. Not all the way: somebody at the edge stays where the picture was
    composed for them."""
    return (round(0.5 + (place[0] - 0.5) * 0.7, 3), round(0.5 + (place[1] - 0.5) * 0.7, 3))
