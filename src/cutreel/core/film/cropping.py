"""Which part of a picture fills a frame of another shape: the part where the faces are."""

from collections.abc import Sequence
from typing import NamedTuple

from .heads import Head, heads_in
from .made import TakeRow, figures_in, focus_of, toward
from .reading import ReadShot

NEARLY = 0.02
"""By how much two shapes may differ and are one."""
INSIDE = 0.4
"""How far a head may be from the middle of the part that is kept, in shares of that part."""


class Crop(NamedTuple):
    """The part of a picture that is kept: left, top, width and height in shares of it."""

    left: float
    top: float
    wide: float
    high: float

    @property
    def middle(self) -> tuple[float, float]:
        return (round(self.left + self.wide / 2, 4), round(self.top + self.high / 2, 4))

    def moved(self, x: float, y: float) -> tuple[float, float]:
        """Where a point of the picture is in the frame, or at its edge."""
        inside = (x - self.left) / self.wide, (y - self.top) / self.high
        return (round(min(1.0, max(0.0, inside[0])), 3), round(min(1.0, max(0.0, inside[1])), 3))


def crop_of(shot: ReadShot, take: TakeRow) -> Crop | None:
    """The part of a take that its shot shows in a film of another shape: around the face of who speaks, with as many
    others as find room. None where the shapes are one, or no face is known: then it is its middle."""
    wide, high = take.about.get("width"), take.about.get("height")
    if not wide or not high:
        return None
    picture, frame = float(wide) / float(high), shot.size[0] / shot.size[1]
    if abs(picture / frame - 1) < NEARLY:
        return None
    heads = heads_in(take)
    if not heads:
        return None
    spoken = _speaks(shot, take, heads)
    if frame < picture:
        share = frame / picture
        x = _middle([h.x for h in heads], spoken.x if spoken else None, share)
        return Crop(_begin(x, share), 0.0, share, 1.0)
    share = picture / frame
    y = _middle([(h.top + h.low) / 2 for h in heads], None, share)
    # A head has more below it than above.
    return Crop(0.0, _begin(y + share * 0.12, share), 1.0, share)


def heads_of(shot: ReadShot, take: TakeRow) -> list[Head]:
    """The heads of a take where its shot shows them while the camera stands on all of it."""
    heads, crop = heads_in(take), crop_of(shot, take)
    if crop is None:
        return heads
    moved = [
        Head(
            (h.x - crop.left) / crop.wide,
            (h.top - crop.top) / crop.high,
            (h.low - crop.top) / crop.high,
        )
        for h in heads
    ]
    return [h for h in moved if 0 <= h.x <= 1]


def aim_of(shot: ReadShot, take: TakeRow) -> tuple[float, float]:
    """Where the camera aims, in shares of what the shot shows of its take."""
    crop, figures = crop_of(shot, take), figures_in(take)
    if crop is None or figures is None:
        return focus_of(take)
    return toward(crop.moved(*figures))


def _begin(middle: float, share: float) -> float:
    return round(min(1 - share, max(0.0, middle - share / 2)), 4)


def _speaks(shot: ReadShot, take: TakeRow, heads: Sequence[Head]) -> Head | None:
    """The head of who speaks in a shot."""
    names = [p.name.lower() for p in shot.people if p.id == shot.facts.speaks]
    regions = take.about.get("regions", [])
    found = (
        h for r, h in zip(regions, heads, strict=False) if str(r.get("name", "")).lower() in names
    )
    return next(found, None)


def _middle(places: Sequence[float], must: float | None, share: float) -> float:
    """The middle of a part of this share in which most of some places lie, and the one that must."""
    reach = share * INSIDE
    centres = [*places, *((a + b) / 2 for a in places for b in places), sum(places) / len(places)]
    allowed = [c for c in centres if must is None or abs(c - must) <= reach] or [must or 0.5]

    def kept(centre: float) -> tuple[int, float]:
        inside = [p for p in places if abs(p - centre) <= reach]
        # Of parts that keep as many, the one in which they stand nearest to its middle.
        return len(inside), -sum(abs(p - centre) for p in inside)

    return max(allowed, key=kept)
