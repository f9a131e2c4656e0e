"""A plane with an alpha sampled along an axis-parallel window and laid over a frame, compiled."""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled, steps_of


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
def _with_alpha(row: U8, alpha: U8, out: NDArray[np.uint32]) -> None:
    """A row and its alpha side by side."""
    for x in range(out.size):
        out[x] = np.uint32(row[x]) | (np.uint32(alpha[x]) << np.uint32(16))


@compiled
def _stretch_both(
    both: NDArray[np.uint32],
    index: NDArray[np.uint32],
    weight: NDArray[np.uint16],
    out: NDArray[np.uint32],
) -> None:
    """The same as `_stretch`, of a row with its alpha."""
    for x in range(out.size):
        i = index[x]
        near = both[i]
        out[x] = (near << np.uint32(8)) + (both[i + np.uint32(1)] - near) * np.uint32(weight[x])


@compiled
def _blend_over(
    upper: NDArray[np.uint32], lower: NDArray[np.uint32], w: int, line: U8, middle: int
) -> None:
    down, up, none = np.uint32(w), np.uint32(256 - w), np.int32(middle)
    half, bits, low = np.uint32(32768), np.uint32(16), np.uint32(65535)
    for x in range(line.size):
        near, far = upper[x], lower[x]
        # Alpha and what it lets through, 0 … 255. Premultiplied values stay within their alpha, so
        # what is clipped is rounding alone.
        a = ((near >> bits) * up + (far >> bits) * down + half) >> bits
        value = ((near & low) * up + (far & low) * down + half) >> bits
        through = (np.int32(line[x]) - none) * np.int32(np.uint32(255) - a)
        laid = np.int32(value) + ((through * np.int32(257) + np.int32(32768)) >> np.int32(16))
        line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))


@compiled
def _load(
    row: U8,
    alpha: U8,
    cols: NDArray[np.uint32],
    colw: NDArray[np.uint16],
    left: int,
    right: int,
    both: NDArray[np.uint32],
    out: NDArray[np.uint32],
    old: tuple[int, int],
    nothing: np.uint32,
) -> tuple[int, int]:
    """Stretch a row with its alpha into `out` from `left` to `right`; what stood there beside that becomes nothing."""
    out[old[0] : min(left, old[1])] = nothing
    out[max(right, old[0]) : old[1]] = nothing
    if right > left:
        low, high = int(cols[left]), int(cols[right - 1]) + 2
        _with_alpha(row[low:high], alpha[low:high], both[low:high])
        _stretch_both(both, cols[left:right], colw[left:right], out[left:right])
    return left, right


@compiled
def _seen(span: NDArray[np.int32], x0: float, step: float, width: int) -> tuple[int, int]:
    """The columns of the frame in which a row with something from span[0] to span[1] is seen."""
    if span[1] == 0:
        return 0, 0
    left = min(width, max(0, int((span[0] - x0) / step) - 2))
    return left, min(width, max(left, int((span[1] - x0) / step) + 3))


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
    steps_of(x0, step_x, 0, cols, colw, src.shape[1])
    steps_of(y0, step_y, 0, rows, roww, src.shape[0])
    both = np.empty(src.shape[1], np.uint32)
    nothing = np.uint32(middle * 256)
    upper, lower = np.full(width, nothing, np.uint32), np.full(width, nothing, np.uint32)
    in_upper, in_lower = (0, 0), (0, 0)
    have_upper = have_lower = -1
    for y in range(height):
        r = int(rows[y])
        if have_upper != r:
            if have_lower == r:
                upper, lower = lower, upper
                in_upper, in_lower = in_lower, in_upper
                have_upper, have_lower = have_lower, have_upper
            else:
                left, right = _seen(spans[r], x0, step_x, width)
                in_upper = _load(
                    src[r], alpha[r], cols, colw, left, right, both, upper, in_upper, nothing
                )
                have_upper = r
        if have_lower != r + 1:
            left, right = _seen(spans[r + 1], x0, step_x, width)
            in_lower = _load(
                src[r + 1], alpha[r + 1], cols, colw, left, right, both, lower, in_lower, nothing
            )
            have_lower = r + 1
        left, right = in_upper
        if in_lower[1] > in_lower[0]:
            left = min(left, in_lower[0]) if right > left else in_lower[0]
            right = max(right, in_lower[1])
        if right > left:
            _blend_over(
                upper[left:right], lower[left:right], int(roww[y]), out[y, left:right], middle
            )
