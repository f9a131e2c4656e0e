"""The hot loops, compiled: sample a plane along an axis-parallel window and lay it into a frame.

A camera that does not turn samples rows and columns apart: each source row is stretched once, then
two of them are blended for every output row. Weights are whole numbers of 1/256, so positions are
exact to 1/256 of a source pixel.

Written for the compiler's vector units: stretched rows are 16 bit (255 x 256 just fits), indices
are unsigned so that no check for negative ones stands in the loops, and every inner loop runs over
plain slices.
"""

import numpy as np
from numba import njit
from numpy.typing import NDArray

U8 = NDArray[np.uint8]


def compiled(function):  # type: ignore[no-untyped-def]
    """A function as machine code, kept beside its source."""
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
def _steps(
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
    down = np.uint32(w)
    up = np.uint32(256 - w)
    for x in range(line.size):
        line[x] = np.uint8(
            (np.uint32(upper[x]) * up + np.uint32(lower[x]) * down + np.uint32(32768))
            >> np.uint32(16)
        )


@compiled
def _blend_over(
    upper: NDArray[np.uint16],
    lower: NDArray[np.uint16],
    upper_a: NDArray[np.uint16],
    lower_a: NDArray[np.uint16],
    w: int,
    line: U8,
    middle: int,
) -> None:
    down = np.int32(w)
    up = np.int32(256 - w)
    none = np.int32(middle)
    for x in range(line.size):
        # Alpha and what it lets through, 0 … 255. Premultiplied values stay within their alpha, so
        # what is clipped is rounding alone.
        a = (np.int32(upper_a[x]) * up + np.int32(lower_a[x]) * down + np.int32(32768)) >> np.int32(
            16
        )
        value = (np.int32(upper[x]) * up + np.int32(lower[x]) * down + np.int32(32768)) >> np.int32(
            16
        )
        through = (np.int32(line[x]) - none) * (np.int32(255) - a)
        laid = value + ((through * np.int32(257) + np.int32(32768)) >> np.int32(16))
        line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))


@compiled
def sample(src: U8, out: U8, x0: float, y0: float, step_x: float, step_y: float) -> None:
    """Fill `out` from `src`: output pixel (x, y) shows the source at (x0 + (x + ½) step_x, y0 + (y
    + ½) step_y)."""
    height, width = out.shape
    cols, colw = np.empty(width, np.uint32), np.empty(width, np.uint16)
    rows, roww = np.empty(height, np.uint32), np.empty(height, np.uint16)
    _steps(x0, step_x, 0, cols, colw, src.shape[1])
    _steps(y0, step_y, 0, rows, roww, src.shape[0])
    upper, lower = np.empty(width, np.uint16), np.empty(width, np.uint16)
    have_upper = have_lower = -1
    for y in range(height):
        r = int(rows[y])
        if have_upper != r:
            if have_lower == r:
                upper, lower = lower, upper
                have_upper, have_lower = have_lower, have_upper
            else:
                _stretch(src[r], cols, colw, upper)
                have_upper = r
        if have_lower != r + 1:
            _stretch(src[r + 1], cols, colw, lower)
            have_lower = r + 1
        _blend(upper, lower, int(roww[y]), out[y])


@compiled
def _span(row: U8, low: int, high: int) -> tuple[int, int]:
    """The part of `row` between `low` and `high` that is not nothing."""
    while low < high and row[low] == 0:
        low += 1
    while high > low and row[high - 1] == 0:
        high -= 1
    return low, high


@compiled
def spans_of(alpha: U8) -> NDArray[np.int32]:
    """First and end column with anything in it, for every row of `alpha`; shape (rows, 2)."""
    out = np.zeros((alpha.shape[0], 2), np.int32)
    for y in range(alpha.shape[0]):
        low, high = _span(alpha[y], 0, alpha.shape[1])
        if high > low:
            out[y, 0], out[y, 1] = low, high
    return out


@compiled
def sample_over(
    src: U8,
    alpha: U8,
    spans: NDArray[np.int32],
    out: U8,
    x0: float,
    y0: float,
    step_x: float,
    step_y: float,
    middle: int,
) -> None:
    """Lay a premultiplied plane over `out`; `spans` says for each source row where it is not empty.

    `middle` is the value that stands for nothing: 0 for brightness, 128 for colour.
    """
    height, width = out.shape
    cols, colw = np.empty(width, np.uint32), np.empty(width, np.uint16)
    rows, roww = np.empty(height, np.uint32), np.empty(height, np.uint16)
    _steps(x0, step_x, 0, cols, colw, src.shape[1])
    _steps(y0, step_y, 0, rows, roww, src.shape[0])
    upper, lower = np.zeros(width, np.uint16), np.zeros(width, np.uint16)
    upper_a, lower_a = np.zeros(width, np.uint16), np.zeros(width, np.uint16)
    have = -1
    left = right = 0
    for y in range(height):
        r = int(rows[y])
        if have != r:
            have = r
            low = spans[r, 0] if spans[r, 1] > 0 else 1 << 30
            low = min(low, spans[r + 1, 0] if spans[r + 1, 1] > 0 else 1 << 30)
            high = max(spans[r, 1], spans[r + 1, 1])
            if high == 0:
                left = right = 0
            else:
                left = min(width, max(0, int((low - x0) / step_x) - 2))
                right = min(width, max(left, int((high - x0) / step_x) + 3))
                _stretch(src[r], cols[left:right], colw[left:right], upper[left:right])
                _stretch(src[r + 1], cols[left:right], colw[left:right], lower[left:right])
                _stretch(alpha[r], cols[left:right], colw[left:right], upper_a[left:right])
                _stretch(alpha[r + 1], cols[left:right], colw[left:right], lower_a[left:right])
        if right > left:
            _blend_over(
                upper[left:right],
                lower[left:right],
                upper_a[left:right],
                lower_a[left:right],
                int(roww[y]),
                out[y, left:right],
                middle,
            )


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
def lay_turned(
    src: U8,
    alpha: U8,
    out: U8,
    out_alpha: U8,
    matrix: NDArray[np.float32],
    box: tuple[int, int, int, int],
    middle: int,
    covers: bool,
) -> None:
    """Lay a premultiplied piece, turned, over `out`. `matrix` (a, b, c, d, e, f) takes a place there back to the piece;
    only the `box` (left, top, right, bottom) of `out` is looked at. `covers`: `out_alpha` is brought up to date too, as
    it is with the last plane of a size. Along a row places are whole numbers of 1/65536 of a source pixel."""
    high, wide = src.shape
    a, b, c, d, e, f = matrix
    left, top, right, bottom = box
    none = np.int32(middle)
    step_x, step_y = np.int64(a * 65536), np.int64(b * 65536)
    for y in range(top, bottom):
        line, covered = out[y], out_alpha[y]
        sx = float(a) * (left + 0.5) + float(c) * (y + 0.5) + float(e) - 0.5
        sy = float(b) * (left + 0.5) + float(d) * (y + 0.5) + float(f) - 0.5
        one_x, last_x = _inside(sx, float(a), right - left, wide)
        one_y, last_y = _inside(sy, float(b), right - left, high)
        first, last = max(one_x, one_y), min(last_x, last_y)
        at_x = np.int64((sx + first * float(a)) * 65536.0)
        at_y = np.int64((sy + first * float(b)) * 65536.0)
        for x in range(left + first, left + last):
            i, j = at_x >> 16, at_y >> 16
            u, v = np.int32((at_x >> 8) & 255), np.int32((at_y >> 8) & 255)
            at_x += step_x
            at_y += step_y
            near, far = alpha[j], alpha[j + 1]
            p, q, r, s = (
                np.int32(near[i]),
                np.int32(near[i + 1]),
                np.int32(far[i]),
                np.int32(far[i + 1]),
            )
            if p + q + r + s == 0:
                continue
            upper = p * (np.int32(256) - u) + q * u
            lower = r * (np.int32(256) - u) + s * u
            cover = (upper * (np.int32(256) - v) + lower * v + np.int32(32768)) >> np.int32(16)
            near, far = src[j], src[j + 1]
            upper = np.int32(near[i]) * (np.int32(256) - u) + np.int32(near[i + 1]) * u
            lower = np.int32(far[i]) * (np.int32(256) - u) + np.int32(far[i + 1]) * u
            value = (upper * (np.int32(256) - v) + lower * v + np.int32(32768)) >> np.int32(16)
            through = (np.int32(line[x]) - none) * (np.int32(255) - cover)
            laid = value + ((through * np.int32(257) + np.int32(32768)) >> np.int32(16))
            line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))
            if covers:
                under = np.int32(covered[x]) * (np.int32(255) - cover)
                covered[x] = np.uint8(
                    cover + ((under * np.int32(257) + np.int32(32768)) >> np.int32(16))
                )


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
        _steps(starts[y], steps[y], 0, cols, colw, src.shape[1])
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
    _steps(x0 - MOST_ASIDE * step_x, step_x, 0, cols, colw, src.shape[1])
    upper, lower = np.empty(broad, np.uint16), np.empty(broad, np.uint16)
    line = np.empty(broad, np.uint8)
    have_upper = have_lower = -1
    for y in range(height):
        at = min(max(y0 + (y + 0.5) * step_y - 0.5 + down[y], 0.0), src.shape[0] - 1.0)
        r = min(int(at), src.shape[0] - 2)
        if have_upper != r:
            if have_lower == r:
                upper, lower = lower, upper
                have_upper, have_lower = have_lower, have_upper
            else:
                _stretch(src[r], cols, colw, upper)
                have_upper = r
        if have_lower != r + 1:
            _stretch(src[r + 1], cols, colw, lower)
            have_lower = r + 1
        weight = int((at - r) * 256.0 + 0.5)
        by = min(max(aside[y] / step_x, -float(MOST_ASIDE)), float(MOST_ASIDE))
        if by == 0.0:
            begin = MOST_ASIDE
            _blend(upper[begin : begin + width], lower[begin : begin + width], weight, out[y])
            continue
        _blend(upper, lower, weight, line)
        whole = int(np.floor(by))
        _shift(line, MOST_ASIDE + whole, int((by - whole) * 256.0), out[y])


@compiled
def _light(line: U8, first: float, rise: float, reach: float, by: float) -> None:
    """Brighten a row by what a light gives it; `first` is how far its beginning is beside the light, in pixels."""
    share = np.float32(1.0 / (reach * reach))
    left = np.float32(1.0) - np.float32(rise * rise) * share
    begin, gain = np.float32(first), np.float32(by)
    for x in range(line.size):
        dx = begin + np.float32(x)
        k = max(np.float32(0.0), left - dx * dx * share)
        value = np.float32(line[x])
        value += (value - np.float32(16.0)) * k * k * gain
        line[x] = np.uint8(min(max(value + np.float32(0.5), np.float32(0.0)), np.float32(255.0)))


@compiled
def brighten(out: U8, cx: float, cy: float, reach: float, by: float) -> None:
    """Make brightness within `reach` pixels of a place brighter by a share of itself, less the further off."""
    height, width = out.shape
    for y in range(max(0, int(cy - reach)), min(height, int(cy + reach) + 1)):
        rise = y - cy
        half = np.sqrt(max(0.0, reach * reach - rise * rise))
        left, right = max(0, int(cx - half)), min(width, int(cx + half) + 1)
        if right > left:
            _light(out[y, left:right], left - cx, rise, reach, by)


@compiled
def dissolve(a: U8, b: U8, share: int) -> None:
    """Make `a` into a mixture with `share` / 256 of `b`; both of shape (height, width)."""
    keep = np.uint16(256 - share)
    take = np.uint16(share)
    for y in range(a.shape[0]):
        one, other = a[y], b[y]
        for x in range(one.size):
            one[x] = np.uint8(
                (np.uint16(one[x]) * keep + np.uint16(other[x]) * take + np.uint16(128))
                >> np.uint16(8)
            )


@compiled
def fade(a: U8, value: int, share: int) -> None:
    """Make `a` into a mixture with `share` / 256 of one value."""
    keep = np.uint16(256 - share)
    more = np.uint16(value * share + 128)
    for y in range(a.shape[0]):
        line = a[y]
        for x in range(line.size):
            line[x] = np.uint8((np.uint16(line[x]) * keep + more) >> np.uint16(8))


@compiled
def go_over(a: U8, b: U8, when: U8, now: float, soft: float) -> None:
    """Make each pixel of `a` into that of `b` whose turn has come: `when` (0 … 255) is before `now`, by more than
    `soft` wholly, by less in part."""
    by = np.float32(256.0 / soft)
    at = np.float32(now)
    for y in range(a.shape[0]):
        one, other, turn = a[y], b[y], when[y]
        for x in range(one.size):
            share = np.int32(
                min(max((at - np.float32(turn[x])) * by, np.float32(0)), np.float32(256))
            )
            one[x] = np.uint8(
                (np.int32(one[x]) * (256 - share) + np.int32(other[x]) * share + 128) >> 8
            )


@compiled
def stamp(out: U8, plane: U8, alpha: U8, top: int, left: int, middle: int) -> None:
    """Lay a premultiplied plane of the frame's own scale over `out` at (`top`, `left`)."""
    for y in range(plane.shape[0]):
        line = out[top + y, left : left + plane.shape[1]]
        for x in range(line.size):
            a = np.int32(alpha[y, x])
            laid = np.int32(plane[y, x]) + ((np.int32(line[x]) - middle) * (255 - a) + 127) // 255
            line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))
