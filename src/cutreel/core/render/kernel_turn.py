"""Pieces of a sheet laid turned over a canvas, compiled."""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled


@compiled
def _inside(start: float, step: float, count: int, size: int) -> tuple[int, int]:
    """For which steps 0 … `count` of a straight way a place stays between 0 and `size` - 1."""
    low, high = 0.0, float(count)
    most = size - 1.001
    if abs(step) < 1e-9:
        return (0, count) if 0.0 <= start <= most else (0, 0)
    one, other = -start / step, (most - start) / step
    low, high = max(low, min(one, other)), min(high, max(one, other) + 1.0)
    first = int(np.ceil(low))
    last = int(np.floor(high))
    while last > first and not 0.0 <= start + (last - 1) * step <= most:
        last -= 1
    return first, max(first, last)


@compiled
def mean(plane: U8, i: np.uint32, j: np.uint32, u: np.uint32, v: np.uint32) -> np.uint32:
    """The value between four pixels, at (u, v) 256ths from the one at column `i`, row `j`."""
    one, whole = np.uint32(1), np.uint32(256)
    upper = np.uint32(plane[j, i]) * (whole - u) + np.uint32(plane[j, i + one]) * u
    lower = np.uint32(plane[j + one, i]) * (whole - u) + np.uint32(plane[j + one, i + one]) * u
    return (upper * (whole - v) + lower * v + np.uint32(32768)) >> np.uint32(16)


@compiled
def _lay_row(
    src: U8,
    alpha: U8,
    line: U8,
    covered: U8,
    at_x: np.uint32,
    at_y: np.uint32,
    steps: tuple[np.uint32, np.uint32],
    middle: int,
    covers: bool,
) -> None:
    """Lay what is along a straight way over a row; `at_x` and `at_y` are 65536ths of a pixel."""
    none, bits, full = np.int32(middle), np.uint32(16), np.uint32(255)
    for x in range(line.size):
        i, j = at_x >> bits, at_y >> bits
        u, v = (at_x >> np.uint32(8)) & full, (at_y >> np.uint32(8)) & full
        at_x = np.uint32(at_x + steps[0])
        at_y = np.uint32(at_y + steps[1])
        right, below = i + np.uint32(1), j + np.uint32(1)
        a, b, c, d = alpha[j, i], alpha[j, right], alpha[below, i], alpha[below, right]
        if (a | b | c | d) == 0:
            continue
        # Inside a piece all four are whole, and nothing has to be weighed.
        cover = full if (a & b & c & d) == 255 else mean(alpha, i, j, u, v)
        value = np.int32(mean(src, i, j, u, v))
        if cover == full:  # as most of a figure is
            line[x] = np.uint8(value)
            if covers:
                covered[x] = np.uint8(255)
            continue
        rest = np.int32(full - cover)
        through = (np.int32(line[x]) - none) * rest
        laid = value + ((through * np.int32(257) + np.int32(32768)) >> np.int32(16))
        line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))
        if covers:
            under = np.int32(covered[x]) * rest
            covered[x] = np.uint8(
                np.int32(cover) + ((under * np.int32(257) + np.int32(32768)) >> np.int32(16))
            )


@compiled
def lay_turned(
    src: U8,
    alpha: U8,
    out: U8,
    out_alpha: U8,
    piece: tuple[int, int, int, int],
    matrix: NDArray[np.float32],
    box: tuple[int, int, int, int],
    middle: int,
    covers: bool,
) -> None:
    """Lay a premultiplied `piece` (left, top, width, height) of a sheet, turned, over `out`. `matrix` (a, …, f)
    takes a place there back to the piece; only the `box` (left, top, right, bottom) of `out` is looked at. `covers`:
    `out_alpha` is brought up to date too, as it is with the last plane of a size. Along a row places are whole numbers
    of 1/65536 of a source pixel."""
    piece_x, piece_y, wide, high = piece
    a, b, c, d, e, f = matrix
    left, top, right, bottom = box
    step_x, step_y = np.int64(a * 65536), np.int64(b * 65536)
    for y in range(top, bottom):
        sx = float(a) * (left + 0.5) + float(c) * (y + 0.5) + float(e) - 0.5
        sy = float(b) * (left + 0.5) + float(d) * (y + 0.5) + float(f) - 0.5
        one_x, last_x = _inside(sx, float(a), right - left, wide)
        one_y, last_y = _inside(sy, float(b), right - left, high)
        first, last = max(one_x, one_y), min(last_x, last_y)
        at_x = max(np.int64(0), np.int64((sx + first * float(a)) * 65536.0))
        at_y = max(np.int64(0), np.int64((sy + first * float(b)) * 65536.0))
        # What is rounded off a step adds up: the end may lie a little further than `_inside` reckons.
        while last > first and not (
            0 <= at_x + (last - first - 1) * step_x < (wide - 1) << 16
            and 0 <= at_y + (last - first - 1) * step_y < (high - 1) << 16
        ):
            last -= 1
        if first >= last:
            continue
        line, covered = out[y, left + first : left + last], out_alpha[y, left + first : left + last]
        at_x += piece_x << 16
        at_y += piece_y << 16
        # Unsigned, since all places are inside; steps back wrap around.
        steps = np.uint32(step_x), np.uint32(step_y)
        _lay_row(src, alpha, line, covered, np.uint32(at_x), np.uint32(at_y), steps, middle, covers)
