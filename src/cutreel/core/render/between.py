"""In-betweens: what is seen between two pictures of a clip that plays slower than it was made."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import median_filter

from . import kernel_flow
from .kernel_flow import GRID
from .planes import Planes

U8 = NDArray[np.uint8]
SMALLEST = 60
"""Pixels of the shorter side of the smallest picture in which ways are looked for."""
FIRST, THEN = 4, 1
"""How many pixels about what is expected are looked at: in the smallest picture, in each larger one."""
ANOTHER = 28.0
"""Two pictures whose blocks are, on the mean, less alike than by so many levels have no ways from one to the other:
there the clip is cut."""
SAME, SPOT = 0.6, 24.0
"""Two frames are one drawing where they differ by less than so many levels on the mean, and nowhere by more in the mean
of sixteen pixels: what an encoder left."""
EVEN, ODD = 10, 34
"""See `kernel_flow.between`: grain and what an encoder left differ by less than the first."""


@dataclass(frozen=True)
class Ways:
    """Where everything goes from one picture to the next: pixels (down, across) for each square of `GRID` pixels."""

    one: Planes
    other: Planes
    ways: NDArray[np.float32]

    def at(self, share: float) -> Planes:
        """What is seen at a share (0 … 1) of the time between the two."""
        out = []
        for a, b, by in (
            (self.one.y, self.other.y, 1),
            (self.one.u, self.other.u, 2),
            (self.one.v, self.other.v, 2),
        ):
            plane = np.empty_like(a)
            # Colours are less far apart than brightness is.
            even, odd = EVEN // by, ODD // by
            kernel_flow.between(a, b, self.ways, GRID // by, 1 / by, share, plane, even, odd)
            out.append(plane)
        y, u, v = out
        return Planes(y, u, v)


def ways_between(one: Planes, other: Planes) -> Ways | None:
    """Where everything goes from one picture to another of the same size; None where that is another scene."""
    pairs = [(one.y, other.y)]
    while min(pairs[-1][0].shape) >= 2 * SMALLEST:
        pairs.append((_halved(pairs[-1][0]), _halved(pairs[-1][1])))
    expected: NDArray[np.int16] | None = None
    costs = np.zeros(1, np.int32)
    for n, (a, b) in enumerate(reversed(pairs)):
        rows, columns = (max(1, side // GRID) for side in a.shape)
        first = np.zeros((rows, columns, 2), np.int16)
        if expected is not None:
            # A block of the smaller picture is four of this one.
            j = np.minimum(np.arange(rows) // 2, expected.shape[0] - 1)
            i = np.minimum(np.arange(columns) // 2, expected.shape[1] - 1)
            first = expected[j][:, i] * np.int16(2)
        ways, costs = np.zeros_like(first), np.zeros((rows, columns), np.int32)
        kernel_flow.found(a, b, first, THEN if n else FIRST, ways, costs)
        expected = median_filter(ways, size=(3, 3, 1), mode="nearest")
    assert expected is not None
    unlike = np.minimum(costs, 1 << 20).mean() / (4 * kernel_flow.REACH**2)
    if unlike > ANOTHER:
        return None
    fine = np.empty(expected.shape, np.float32)
    kernel_flow.refined(one.y, other.y, expected, fine)
    return Ways(one, other, fine)


def is_same_drawing(one: Planes, other: Planes) -> bool:
    """Whether two frames of a clip show the same drawing: what is drawn on twos has each of them twice."""
    apart = np.abs(one.y.astype(np.int16) - other.y)
    if float(apart.mean()) > SAME:
        return False
    high, wide = (side // 4 * 4 for side in apart.shape)
    spots = apart[:high, :wide].reshape(high // 4, 4, wide // 4, 4).mean((1, 3))
    return float(spots.max()) < SPOT


def _halved(plane: U8) -> U8:
    out = np.empty((plane.shape[0] // 2, plane.shape[1] // 2), np.uint8)
    kernel_flow.halved(plane, out)
    return out
