"""Where things go from one picture to the next, and what is seen between the two, compiled.

Blocks of the picture half-way between both are looked for in one picture as far back as in the other ahead (bilateral
block matching: Choi, Lee and Ko, *New frame rate up-conversion using bi-directional motion estimation*, 2000), first in
small pictures and then in larger ones, so that far ways are found too.
"""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled
from .kernel_bend import value_at as _at

I16 = NDArray[np.int16]
I32 = NDArray[np.int32]
F32 = NDArray[np.float32]
GRID, REACH = 8, 8
"""Pixels between the middles of blocks, and how far a block reaches about its own: blocks lie over each other."""
STIFF = 24
"""By how many levels, over a whole block, a way must match better for each pixel that it is off what is expected."""

SMOOTH = 64
"""A block that is less unlike, in levels over all of it, is the very same."""


@compiled
def halved(plane: U8, out: U8) -> None:
    """Half as large: the mean of each four pixels."""
    for y in range(out.shape[0]):
        upper, lower, to = plane[2 * y], plane[2 * y + 1], out[y]
        for x in range(to.size):
            to[x] = np.uint8(
                (
                    np.uint16(upper[2 * x])
                    + np.uint16(upper[2 * x + 1])
                    + np.uint16(lower[2 * x])
                    + np.uint16(lower[2 * x + 1])
                    + np.uint16(2)
                )
                >> np.uint16(2)
            )


@compiled
def _apart(one: U8, other: U8) -> int:
    total = np.int32(0)
    for x in range(one.size):
        total += abs(np.int32(one[x]) - np.int32(other[x]))
    return int(total)


@compiled
def _unlike(a: U8, b: U8, y: int, x: int, down: int, across: int, most: int) -> int:
    """How unlike a block is in both pictures, if what is in it goes so far; given up above `most`."""
    high, wide = a.shape
    # Half of the way lies behind, the rest ahead.
    back_y, back_x = down // 2, across // 2
    y0, y1 = y - back_y - REACH, y + down - back_y - REACH
    x0, x1 = x - back_x - REACH, x + across - back_x - REACH
    top = max(0, -min(y0, y1))
    bottom = min(2 * REACH, high - max(y0, y1))
    left = max(0, -min(x0, x1))
    right = min(2 * REACH, wide - max(x0, x1))
    if bottom - top < REACH or right - left < REACH:
        return 1 << 30
    total = 0
    for row in range(top, bottom):
        total += _apart(a[y0 + row, x0 + left : x0 + right], b[y1 + row, x1 + left : x1 + right])
        if total > most:
            return 1 << 30
    # As if all of the block were inside.
    return int(total * (4 * REACH * REACH) // ((bottom - top) * (right - left)))


@compiled
def _best(
    a: U8, b: U8, ways: I16, row: int, column: int, first: tuple[int, int], reach: int
) -> tuple[int, int, int]:
    """The way of a block: about what is expected (`first`), about those of the blocks before it, or none."""
    y, x = row * GRID + GRID // 2, column * GRID + GRID // 2
    down, across = first
    best = _unlike(a, b, y, x, down, across, 1 << 29)
    for n in range(3):
        if n == 0:
            v, u = 0, 0
        elif n == 1 and column > 0:
            v, u = int(ways[row, column - 1, 0]), int(ways[row, column - 1, 1])
        elif n == 2 and row > 0:
            v, u = int(ways[row - 1, column, 0]), int(ways[row - 1, column, 1])
        else:
            continue
        off = abs(v - first[0]) + abs(u - first[1])
        cost = _unlike(a, b, y, x, v, u, best) + STIFF * min(off, 4)
        if cost < best:
            best, down, across = cost, v, u
    middle = (down, across)
    for dv in range(-reach, reach + 1):
        for du in range(-reach, reach + 1):
            if dv == 0 and du == 0:
                continue
            cost = _unlike(a, b, y, x, middle[0] + dv, middle[1] + du, best)
            cost += STIFF * (abs(dv) + abs(du))
            if cost < best:
                best, down, across = cost, middle[0] + dv, middle[1] + du
    return down, across, best


@compiled
def found(a: U8, b: U8, first: I16, reach: int, ways: I16, costs: NDArray[np.int32]) -> None:
    """Ways (down, across; shape (rows, columns, 2)) of all blocks from `a` to `b`, from those that are expected
    (`first`, of the same shape), and how unlike each block is then."""
    for row in range(ways.shape[0]):
        for column in range(ways.shape[1]):
            expected = int(first[row, column, 0]), int(first[row, column, 1])
            down, across, cost = _best(a, b, ways, row, column, expected, reach)
            ways[row, column, 0], ways[row, column, 1] = down, across
            costs[row, column] = cost


@compiled
def _bent(less: int, cost: int, more: int) -> float:
    """Where a parabola through three costs is lowest, -½ … ½ from the middle."""
    if less >= 1 << 29 or more >= 1 << 29:
        return 0.0
    curve = less + more - 2 * cost
    if curve <= 0:
        return 0.0
    return min(0.5, max(-0.5, 0.5 * (less - more) / curve))


@compiled
def refined(a: U8, b: U8, ways: I16, out: F32) -> None:
    """Ways to parts of a pixel, from whole ones."""
    most = 1 << 29
    for row in range(ways.shape[0]):
        for column in range(ways.shape[1]):
            y, x = row * GRID + GRID // 2, column * GRID + GRID // 2
            v, u = int(ways[row, column, 0]), int(ways[row, column, 1])
            out[row, column, 0], out[row, column, 1] = v, u
            cost = _unlike(a, b, y, x, v, u, most)
            if cost < SMOOTH:  # all alike, or the very same: it goes by whole pixels
                continue
            # Two pixels apart, so that both halves of a way are one pixel off.
            out[row, column, 0] += 2 * _bent(
                _unlike(a, b, y, x, v - 2, u, most), cost, _unlike(a, b, y, x, v + 2, u, most)
            )
            out[row, column, 1] += 2 * _bent(
                _unlike(a, b, y, x, v, u - 2, most), cost, _unlike(a, b, y, x, v, u + 2, most)
            )


@compiled
def _row_of_ways(ways: F32, y: float, cell: int, by: float, row: F32, out: I32) -> None:
    """The ways of all pixels of a row in 1/256 of a pixel, straight between the middles of blocks; shape (2, columns).
    `row` has room for those of blocks."""
    rows, columns, _ = ways.shape
    at = min(max(y / cell - 0.5, 0.0), rows - 1.0)
    j = min(int(at), max(0, rows - 2))
    v = np.float32(at - j)
    below = min(j + 1, rows - 1)
    for k in range(2):
        for i in range(columns):
            row[k, i] = (ways[j, i, k] + (ways[below, i, k] - ways[j, i, k]) * v) * np.float32(
                256 * by
            )
        _spread(row[k], cell, out[k])


@compiled
def _spread(row: F32, cell: int, out: I32) -> None:
    half, last = cell // 2, row.size - 1
    step = np.float32(1.0 / cell)
    out[: min(half, out.size)] = np.int32(row[0])
    for i in range(last):
        begin = half + i * cell
        value, rise = row[i], (row[i + 1] - row[i]) * step
        for x in range(begin, min(out.size, begin + cell)):
            out[x] = np.int32(value + rise * (np.float32(x - begin) + np.float32(0.5)))
    out[min(out.size, half + last * cell) :] = np.int32(row[last])


@compiled
def between(
    a: U8, b: U8, ways: F32, cell: int, scale: float, share: float, out: U8, even: int, odd: int
) -> None:
    """What is seen at a `share` (0 … 1) of the time from `a` to `b`. `ways` has one for each square of `cell` pixels of
    the plane; they are `scale` times as many pixels. Where both pictures are less unlike than `even` levels they are
    mixed, from `odd` on the one that is nearer in time is seen alone: something has come in front of it."""
    high, wide = out.shape
    row, far = np.empty((2, ways.shape[1]), np.float32), np.empty((2, wide), np.int32)
    ahead = np.int32(round(share * 256))
    for y in range(high):
        _row_of_ways(ways, y + 0.5, cell, scale, row, far)
        _between_row(a, b, y, far, ahead, np.int32(even), np.int32(65536 // (odd - even)), out[y])


@compiled
def _between_row(
    a: U8, b: U8, y: int, far: I32, share: np.int32, even: np.int32, steep: np.int32, line: U8
) -> None:
    high, wide = np.int32(a.shape[0]), np.int32(a.shape[1])
    here_a, here_b = a[y], b[y]
    bits, whole = np.int32(8), np.int32(256)
    nearer = np.int32(0) if share < 128 else whole
    row = np.int32(y) << bits
    for x in range(line.size):
        down, across = far[0, x], far[1, x]
        if abs(down) < 16 and abs(across) < 16:  # it stands still
            one, other = np.int32(here_a[x]) << bits, np.int32(here_b[x]) << bits
        else:
            at = np.int32(x) << bits
            v, u = (down * share) >> bits, (across * share) >> bits
            one = _at(a, high, wide, at - u, row - v) >> bits
            other = _at(b, high, wide, at + across - u, row + down - v) >> bits
        unlike = min(max((abs(one - other) >> bits) - even, np.int32(0)) * steep, np.int32(65536))
        part = share + (((nearer - share) * (unlike >> bits)) >> bits)
        line[x] = np.uint8((one + (((other - one) * part) >> bits) + np.int32(128)) >> bits)
