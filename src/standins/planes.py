"""A plane of a frame as a camera sees it, compiled: this is done for each frame of a clip."""

import numpy as np
from numba import njit
from numpy.typing import NDArray

U8 = NDArray[np.uint8]


@njit(cache=True, nogil=True)
def seen(plane: U8, left: float, top: float, wide: float, high: float, out: U8) -> None:
    """Fill `out` with what of `plane` lies in a box (pixels, parts of them too), between four pixels each."""
    rows, columns = out.shape
    at = np.empty(columns, np.int64)
    right = np.empty(columns, np.uint32)
    for x in range(columns):
        here = min(max(left + (x + 0.5) * wide / columns - 0.5, 0.0), plane.shape[1] - 1.001)
        at[x] = int(here)
        right[x] = int((here - at[x]) * 128)
    mixed = np.empty(plane.shape[1], np.uint32)
    for y in range(rows):
        here = min(max(top + (y + 0.5) * high / rows - 0.5, 0.0), plane.shape[0] - 1.001)
        above = int(here)
        below = np.uint32((here - above) * 128)
        upper, lower, into = plane[above], plane[above + 1], out[y]
        for x in range(len(mixed)):
            mixed[x] = upper[x] * (np.uint32(128) - below) + lower[x] * below
        for x in range(columns):
            a, by = at[x], right[x]
            into[x] = (mixed[a] * (np.uint32(128) - by) + mixed[a + 1] * by + np.uint32(8192)) >> 14
