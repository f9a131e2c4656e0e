"""The hot loops, compiled: sample a plane along an axis-parallel window and lay it into a frame.

A camera that does not turn samples rows and columns apart: each source row is stretched once, then
two of them are blended for every output row. Weights are whole numbers of 1/256, so positions are
exact to 1/256 of a source pixel.

Written for the compiler's vector units: stretched rows are 16 bit (255 x 256 just fits), indices
are unsigned so that no check for negative ones stands in the loops, and every inner loop runs over
plain slices. What can't be done many at a time, reading two neighbours from wherever a column is, is
done for several values at once: four rows, or a value and its alpha, stand side by side in one number,
16 bits each, and are multiplied together.
"""

import numpy as np
from numba import njit
from numpy.typing import NDArray

U8 = NDArray[np.uint8]


def compiled(function):  # type: ignore[no-untyped-def]
    """A function as machine code, kept beside its source. What it calls in another file is not watched: change that,
    and the `__pycache__` of both has to go."""
    return njit(cache=True, nogil=True, boundscheck=False, error_model="numpy")(function)


@compiled
def _stretch(
    row: U8, index: NDArray[np.uint32], weight: NDArray[np.uint16], out: NDArray[np.uint16]
) -> None:
    for x in range(out.size):
        i = index[x]
        w = np.uint32(weight[x])
        a = np.uint32(row[i])
        b = np.uint32(row[i + np.uint32(1)])
        out[x] = np.uint16(a * (np.uint32(256) - w) + b * w)


@compiled
def steps_of(
    first: float,
    step: float,
    begin: int,
    index: NDArray[np.uint32],
    weight: NDArray[np.uint16],
    size: int,
) -> None:
    for i in range(index.size):
        at = first + (begin + i + 0.5) * step - 0.5
        at = min(max(at, 0.0), size - 1.0)
        whole = min(int(at), size - 2)
        index[i] = whole
        weight[i] = np.uint16((at - whole) * 256.0 + 0.5)


@compiled
def _blend(upper: NDArray[np.uint16], lower: NDArray[np.uint16], w: int, line: U8) -> None:
    # As 16 bit the compiler knows that products fit, and uses the quicker multiplication.
    down = np.uint32(np.uint16(w))
    up = np.uint32(np.uint16(256 - w))
    for x in range(line.size):
        line[x] = np.uint8(
            (np.uint32(upper[x]) * up + np.uint32(lower[x]) * down + np.uint32(32768))
            >> np.uint32(16)
        )


@compiled
def _four(a: U8, b: U8, c: U8, d: U8, out: NDArray[np.uint64]) -> None:
    """Four rows side by side in one."""
    for x in range(out.size):
        upper = np.uint64(a[x]) | (np.uint64(b[x]) << np.uint64(16))
        lower = np.uint64(c[x]) | (np.uint64(d[x]) << np.uint64(16))
        out[x] = upper | (lower << np.uint64(32))


@compiled
def _stretch_four(
    rows: NDArray[np.uint64],
    index: NDArray[np.uint32],
    weight: NDArray[np.uint16],
    a: NDArray[np.uint16],
    b: NDArray[np.uint16],
    c: NDArray[np.uint16],
    d: NDArray[np.uint16],
) -> None:
    """The same as `_stretch`, of four rows at once."""
    for x in range(a.size):
        i = index[x]
        near = rows[i]
        # What is borrowed from a neighbour where a value falls is given back: each sum fits its 16 bits.
        four = (near << np.uint64(8)) + (rows[i + np.uint32(1)] - near) * np.uint64(weight[x])
        a[x] = np.uint16(four)
        b[x] = np.uint16(four >> np.uint64(16))
        c[x] = np.uint16(four >> np.uint64(32))
        d[x] = np.uint16(four >> np.uint64(48))


@compiled
def _bring(
    src: U8,
    r: int,
    low: int,
    high: int,
    four: NDArray[np.uint64],
    cols: NDArray[np.uint32],
    colw: NDArray[np.uint16],
    lines: NDArray[np.uint16],
    have: NDArray[np.int64],
) -> None:
    """See that rows `r` and `r` + 1 are stretched: two lots of four are kept, row r in line r & 7. Only the columns
    from `low` to `high` are looked at."""
    last = src.shape[0] - 1
    for lot in range(r >> 2, ((r + 1) >> 2) + 1):
        if have[lot & 1] == lot:
            continue
        have[lot & 1] = lot
        first, to = lot * 4, (lot & 1) * 4
        _four(
            src[first, low:high],
            src[min(first + 1, last), low:high],
            src[min(first + 2, last), low:high],
            src[min(first + 3, last), low:high],
            four[low:high],
        )
        _stretch_four(four, cols, colw, lines[to], lines[to + 1], lines[to + 2], lines[to + 3])


@compiled
def sample(src: U8, out: U8, x0: float, y0: float, step_x: float, step_y: float) -> None:
    """Fill `out` from `src`: output pixel (x, y) shows the source at (x0 + (x + ½) step_x, y0 + (y
    + ½) step_y)."""
    height, width = out.shape
    cols, colw = np.empty(width, np.uint32), np.empty(width, np.uint16)
    rows, roww = np.empty(height, np.uint32), np.empty(height, np.uint16)
    steps_of(x0, step_x, 0, cols, colw, src.shape[1])
    steps_of(y0, step_y, 0, rows, roww, src.shape[0])
    low, high = int(cols[0]), int(cols[width - 1]) + 2
    four, lines = np.empty(src.shape[1], np.uint64), np.empty((8, width), np.uint16)
    have = np.array([-1, -1])
    for y in range(height):
        r = int(rows[y])
        _bring(src, r, low, high, four, cols, colw, lines, have)
        _blend(lines[r & 7], lines[(r + 1) & 7], int(roww[y]), out[y])


@compiled
def sample_rows(
    src: U8,
    out: U8,
    starts: NDArray[np.float64],
    rows: NDArray[np.float64],
    steps: NDArray[np.float64],
) -> None:
    """The same as `sample`, with for every row of `out` its own place to begin, its own row of the source (its middle
    at ½), and its own step."""
    height, width = out.shape
    cols, colw = np.empty(width, np.uint32), np.empty(width, np.uint16)
    upper, lower = np.empty(width, np.uint16), np.empty(width, np.uint16)
    for y in range(height):
        at = min(max(rows[y] - 0.5, 0.0), src.shape[0] - 1.0)
        r = min(int(at), src.shape[0] - 2)
        steps_of(starts[y], steps[y], 0, cols, colw, src.shape[1])
        _stretch(src[r], cols, colw, upper)
        _stretch(src[r + 1], cols, colw, lower)
        _blend(upper, lower, int((at - r) * 256.0 + 0.5), out[y])


MOST_ASIDE = 24
"""Pixels of the frame that a row may be moved aside at most."""


@compiled
def _shift(line: U8, begin: int, weight: int, out: U8) -> None:
    near, far = line[begin : begin + out.size], line[begin + 1 : begin + 1 + out.size]
    w = np.uint16(weight)
    keep = np.uint16(256 - weight)
    for x in range(out.size):
        out[x] = np.uint8(
            (np.uint16(near[x]) * keep + np.uint16(far[x]) * w + np.uint16(128)) >> np.uint16(8)
        )


@compiled
def sample_moved(
    src: U8,
    out: U8,
    x0: float,
    y0: float,
    step_x: float,
    step_y: float,
    aside: NDArray[np.float32],
    down: NDArray[np.float32],
) -> None:
    """The same as `sample`, with every row of `out` taken from so many source pixels further to the right and further
    down. A source row is stretched once, a little broader than the frame; rows are then moved as they are laid."""
    height, width = out.shape
    broad = width + 2 * MOST_ASIDE + 2
    cols, colw = np.empty(broad, np.uint32), np.empty(broad, np.uint16)
    steps_of(x0 - MOST_ASIDE * step_x, step_x, 0, cols, colw, src.shape[1])
    low, high = int(cols[0]), int(cols[broad - 1]) + 2
    four, lines = np.empty(src.shape[1], np.uint64), np.empty((8, broad), np.uint16)
    have = np.array([-1, -1])
    line = np.empty(broad, np.uint8)
    for y in range(height):
        at = min(max(y0 + (y + 0.5) * step_y - 0.5 + down[y], 0.0), src.shape[0] - 1.0)
        r = min(int(at), src.shape[0] - 2)
        _bring(src, r, low, high, four, cols, colw, lines, have)
        upper, lower = lines[r & 7], lines[(r + 1) & 7]
        weight = int((at - r) * 256.0 + 0.5)
        by = min(max(aside[y] / step_x, -float(MOST_ASIDE)), float(MOST_ASIDE))
        if by == 0.0:
            begin = MOST_ASIDE
            _blend(upper[begin : begin + width], lower[begin : begin + width], weight, out[y])
            continue
        _blend(upper, lower, weight, line)
        whole = int(np.floor(by))
        _shift(line, MOST_ASIDE + whole, int((by - whole) * 256.0), out[y])
