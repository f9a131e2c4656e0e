"""The hot loop of what bends in a picture, compiled."""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled

F32 = NDArray[np.float32]
ONE = 256
"""A pixel in whole steps: places are exact to 1/256 of one."""


@compiled
def value_at(src: U8, high: np.int32, wide: np.int32, x: np.int32, y: np.int32) -> np.int32:
    """A plane between its pixels, straight between the four about a place (in 1/256 of a pixel), 256 times 256 as
    much; beyond its edge as at it."""
    x = min(max(x, np.int32(0)), ((wide - np.int32(1)) << np.int32(8)) - np.int32(1))
    y = min(max(y, np.int32(0)), ((high - np.int32(1)) << np.int32(8)) - np.int32(1))
    # Unsigned, so that no check for negative ones stands in the loop.
    i, j = np.uint32(x >> 8), np.uint32(y >> 8)
    u, v = x & np.int32(255), y & np.int32(255)
    a, b = np.int32(src[j, i]), np.int32(src[j, i + np.uint32(1)])
    c = np.int32(src[j + np.uint32(1), i])
    d = np.int32(src[j + np.uint32(1), i + np.uint32(1)])
    upper = (a << 8) + (b - a) * u
    lower = (c << 8) + (d - c) * u
    return np.int32((upper << 8) + (lower - upper) * v)


@compiled
def _between(fields: F32, y: float, size: float, row: F32) -> None:
    """Nodes of the fields for a row that lies between two; distances in 1/256 of `size` pixels."""
    j = min(int(y), fields.shape[1] - 2)
    v = np.float32(y - j)
    for k in range(row.shape[0]):
        times = np.float32(size * ONE) if k < 4 else np.float32(1.0)
        for i in range(row.shape[1]):
            row[k, i] = (fields[k, j, i] * (np.float32(1.0) - v) + fields[k, j + 1, i] * v) * times


@compiled
def bend(
    src: U8,
    out: U8,
    share: F32,
    left: int,
    top: int,
    fields: F32,
    other: float,
    cell: int,
    scale: float,
    dark: float,
) -> None:
    """Draw a part of `src` into `out`, bent. `share` (0 … 1) says how far each of its pixels goes along, and stands at
    (`left`, `top`). `fields` has shape (5, rows, columns), a node every `cell` pixels of the plane: x, y, x and y of a
    second picture that has the share `other`, and a gain; distances are `scale` times as many pixels of the plane.
    Brightness is counted from `dark`, below 0: it is no brightness that the plane has, and nothing is made brighter."""
    high, wide = share.shape
    row = np.empty((5, fields.shape[2]), np.float32)
    far = np.empty((5, wide), np.float32)
    more = np.int32(other * 256)
    black = np.float32(dark)
    for y in range(high):
        _between(fields, y / cell, scale, row)
        _spread(row, cell, 4 if more > 0 else 2, far)
        if dark >= 0:
            _spread(row[4:], cell, 1, far[4:])
        _row(src, out[top + y], share[y], left, (top + y) * ONE, far, more, black)


@compiled
def _spread(row: F32, cell: int, count: int, out: F32) -> None:
    """Straight between nodes, for the first `count` fields of a row."""
    wide = out.shape[1]
    step = np.float32(1.0) / np.float32(cell)
    for k in range(count):
        at = out[k]
        for i in range(row.shape[1] - 1):
            begin = i * cell
            value, rise = row[k, i], (row[k, i + 1] - row[k, i]) * step
            for x in range(begin, min(wide, begin + cell)):
                at[x] = value + rise * np.float32(x - begin)


@compiled
def _row(
    src: U8, line: U8, share: F32, left: int, y: int, far: F32, more: np.int32, black: np.float32
) -> None:
    high, wide = np.int32(src.shape[0]), np.int32(src.shape[1])
    down = np.int32(y)
    for x in range(share.size):
        much = share[x]
        if much <= np.float32(0.0):
            continue
        across = np.int32((left + x) * ONE)
        at_x, at_y = across + np.int32(far[0, x] * much), down + np.int32(far[1, x] * much)
        value = value_at(src, high, wide, at_x, at_y) >> np.int32(8)
        if more > 0:
            at_x, at_y = across + np.int32(far[2, x] * much), down + np.int32(far[3, x] * much)
            second = value_at(src, high, wide, at_x, at_y) >> np.int32(8)
            value += ((second - value) * more) >> np.int32(8)
        level = np.float32(value) * np.float32(1 / 256)
        if black >= np.float32(0.0):
            level += (level - black) * (far[4, x] - np.float32(1.0)) * much
        level = min(max(level + np.float32(0.5), np.float32(0.0)), np.float32(255.0))
        line[np.uint32(left + x)] = np.uint8(level)
