"""Planes of one size mixed, brightened, faded and stamped, in place, compiled."""

import numpy as np

from .kernel import U8, compiled


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
def _stamp_row(line: U8, row: U8, alpha: U8, middle: int) -> None:
    none = np.int32(middle)
    for x in range(line.size):
        through = (np.int32(line[x]) - none) * (np.int32(255) - np.int32(alpha[x]))
        laid = np.int32(row[x]) + ((through * np.int32(257) + np.int32(32768)) >> np.int32(16))
        line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))


@compiled
def stamp(out: U8, plane: U8, alpha: U8, top: int, left: int, middle: int) -> None:
    """Lay a premultiplied plane of the frame's own scale over `out` at (`top`, `left`)."""
    for y in range(plane.shape[0]):
        _stamp_row(out[top + y, left : left + plane.shape[1]], plane[y], alpha[y], middle)


@compiled
def lessened(plane: U8, share: float, middle: int, out: U8) -> None:
    """A premultiplied plane that is there by a share of itself."""
    by, none = np.float32(share), np.float32(middle)
    for y in range(plane.shape[0]):
        row, to = plane[y], out[y]
        for x in range(row.size):
            to[x] = np.uint8((np.float32(row[x]) - none) * by + none + np.float32(0.5))
