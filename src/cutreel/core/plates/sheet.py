"""The sheet that a map is drawn on: where places of the globe are on the page, and where a name finds room there."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from .page import Page
from .projection import Azimuthal, middle_of
from .svg import Point
from .world import Degrees

LEAST_REACH = 0.016
"""Of the globe's radius: a map shows at least some 100 km to each side of its middle."""
Box = tuple[float, float, float, float]
"""Left, top, right, low."""


@dataclass(frozen=True)
class MapSheet:
    """Where places of the globe are on a page."""

    view: Azimuthal
    scale: float
    middle: tuple[float, float]
    size: tuple[float, float]

    @classmethod
    def of(cls, page: Page, shown: Degrees) -> "MapSheet":
        """A sheet that shows all of some places."""
        east, north = shown.T
        view = Azimuthal(*middle_of(north, east))
        x, y, _ = view.flat(east, north)
        reach = (max(LEAST_REACH, float(np.abs(v).max())) for v in (x, y))
        # Names stand beside places, captions below them.
        room = (page.width * 0.35, page.height * 0.27)
        scale = min(part / far for part, far in zip(room, reach, strict=True))
        return cls(view, scale, (page.middle, page.height * 0.43), (page.width, page.height))

    def at(self, degrees: Degrees) -> list[Point]:
        """Places on the page; none where part of a line lies behind the globe, or all of it beside the page."""
        x, y, near = self.view.flat(degrees[:, 0], degrees[:, 1])
        px, py = self.middle[0] + x * self.scale, self.middle[1] - y * self.scale
        (wide, high), beside = self.size, 50
        seen = px.max() > -beside and px.min() < wide + beside
        seen = seen and py.max() > -beside and py.min() < high + beside
        return list(zip(px.tolist(), py.tolist(), strict=True)) if near.all() and seen else []


def free_beside(x: float, y: float, wide: float, size: float, taken: list[Box], page: Page) -> Box:
    """Where a name stands beside its place: left, top, right, low; on no other name, and in the frame, if there is such
    a side."""
    high = size * 1.2
    sides = [
        (x + 26, y - high / 2), (x - 26 - wide, y - high / 2), (x - wide / 2, y - 26 - high), (x - wide / 2, y + 26),
    ]  # fmt: skip
    boxes = [(left, top, left + wide, top + high) for left, top in sides]

    return min(boxes, key=lambda box: crowded(box, taken, page))


def crowded(box: Box, taken: Sequence[Box], page: Page) -> float:
    """How far a name stands out of the frame or on other things."""
    left, top, right, low = box
    out = max(0.0, page.left * 0.5 - left) + max(0.0, right - page.width + page.left * 0.5)
    out += max(0.0, low - page.low) + max(0.0, page.top - top)
    for other in taken:
        across = min(right, other[2]) - max(left, other[0])
        down = min(low, other[3]) - max(top, other[1])
        out += max(0.0, across) * max(0.0, down) / (low - top)
    return out
