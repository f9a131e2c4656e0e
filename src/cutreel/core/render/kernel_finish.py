"""The hot loops of grades and effects, compiled. Each goes over a plane of a frame once, in place."""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled
from .kernel_turn import mean


@compiled
def _middles(upper: U8, lower: U8, out: U8) -> None:
    for x in range(out.size):
        out[x] = np.uint8(
            (np.uint16(upper[2 * x]) + np.uint16(lower[2 * x + 1]) + np.uint16(1)) >> np.uint16(1)
        )


@compiled
def _tint_row(at: U8, a: U8, b: U8, table_u: U8, table_v: U8) -> None:
    for x in range(a.size):
        row = np.uint32(at[x]) << np.uint32(8)
        a[x] = table_u[row | np.uint32(a[x])]
        b[x] = table_v[row | np.uint32(b[x])]


@compiled
def tint(y: U8, u: U8, v: U8, table_u: U8, table_v: U8) -> None:
    """Grade the colour planes by the brightness `y`, before that is graded. Tables of what becomes of a colour: 256
    values for each of 256 brightnesses, one after another."""
    at = np.empty(u.shape[1], np.uint8)
    for row in range(u.shape[0]):
        _middles(y[2 * row], y[2 * row + 1], at)
        _tint_row(at, u[row], v[row], table_u, table_v)


@compiled
def _lighten(pairs: NDArray[np.uint16], table: NDArray[np.uint16]) -> None:
    for x in range(pairs.size):
        pairs[x] = table[pairs[x]]


def in_pairs(table: U8) -> NDArray[np.uint16]:
    """A table by one value (shape 256) as one by two neighbours in a row (shape 65,536)."""
    neighbours = np.arange(1 << 16, dtype=np.uint16).view(np.uint8)
    out: NDArray[np.uint16] = table[neighbours].view(np.uint16)
    return out


def lighten(y: U8, pairs: NDArray[np.uint16]) -> None:
    """What becomes of each brightness, by a table from `in_pairs`: two pixels are looked up at once. Rows are even."""
    _lighten(y.reshape(-1).view(np.uint16), pairs)


@compiled
def shaded(plane: U8, shade: U8, middle: int) -> None:
    """Bring a plane nearer to `middle`, black or no colour: so many 256ths of what it is beside it stay (`shade`, of
    its shape, 0 standing for 256)."""
    for row in range(plane.shape[0]):
        line, stays = plane[row], shade[row]
        for x in range(line.size):
            share = np.int16(((np.int16(stays[x]) - np.int16(1)) & np.int16(255)) + np.int16(1))
            off = np.int16(line[x]) - np.int16(middle)
            line[x] = np.uint8(
                np.int16(middle) + np.int16((np.int32(off) * np.int32(share) + 128) >> 8)
            )


@compiled
def grained(y: U8, tile: NDArray[np.int8], left: int, top: int, strength: int) -> None:
    """Add grain: a `tile` of 512 rows, as much broader than the frame, laid from (left, top), so strong; most of it is
    seen in the middle of brightness."""
    by = np.int32(strength)
    for row in range(y.shape[0]):
        line = y[row]
        grain = tile[(row + top) & 511, left : left + line.size]
        for x in range(line.size):
            value = np.int32(line[x])
            middle = (value * (np.int32(255) - value)) >> np.int32(6)
            value += (np.int32(grain[x]) * middle * by + np.int32(65536)) >> np.int32(17)
            line[x] = np.uint8(min(max(value, np.int32(0)), np.int32(255)))


@compiled
def smaller(plane: U8, out: NDArray[np.float32], by: int, least: int) -> None:
    """The mean of each square of `by` pixels, above `least`."""
    rows, columns = out.shape
    share = np.float32(1.0 / (by * by))
    for r in range(rows):
        for c in range(columns):
            whole = np.int32(0)
            for y in range(r * by, min((r + 1) * by, plane.shape[0])):
                line = plane[y]
                for x in range(c * by, min((c + 1) * by, plane.shape[1])):
                    whole += max(np.int32(line[x]) - np.int32(least), np.int32(0))
            out[r, c] = np.float32(whole) * share


@compiled
def brighter(y: U8, light: U8) -> None:
    """Add light, of the frame's shape: what is bright already takes less of it (screen)."""
    for row in range(y.shape[0]):
        line, more = y[row], light[row]
        for x in range(line.size):
            value = np.uint16(line[x])
            room = np.uint16(np.uint16(235) - min(value, np.uint16(235)))
            line[x] = np.uint8(
                value + ((room * np.uint16(more[x]) + np.uint16(128)) >> np.uint16(8))
            )


@compiled
def softened(plane: U8, soft: U8, where: U8) -> None:
    """Go over to a softened plane by so many 255ths (`where`, of its shape)."""
    for row in range(plane.shape[0]):
        line, other, shares = plane[row], soft[row], where[row]
        for x in range(line.size):
            take = np.uint16(shares[x])
            take += take >> np.uint16(7)
            keep = np.uint16(256) - take
            mixed = np.uint16(line[x]) * keep + np.uint16(other[x]) * take + np.uint16(128)
            line[x] = np.uint8(mixed >> np.uint16(8))


@compiled
def speck(y: U8, cx: float, cy: float, wide: float, high: float, dark: float) -> None:
    """A speck of dust: an ellipse with soft edges, darker (or brighter: `dark` below 0) by a share."""
    for row in range(max(0, int(cy - high - 1)), min(y.shape[0], int(cy + high + 2))):
        for x in range(max(0, int(cx - wide - 1)), min(y.shape[1], int(cx + wide + 2))):
            far = ((x - cx) / wide) ** 2 + ((row - cy) / high) ** 2
            share = min(1.0, max(0.0, (1.2 - far) * 2)) * abs(dark)
            to = 16.0 if dark > 0 else 235.0
            y[row, x] = np.uint8(y[row, x] + (to - y[row, x]) * share)


@compiled
def turned(src: U8, out: U8, angle: float, zoom: float) -> None:
    """A plane turned around its middle by an `angle` in radians, nearer by `zoom`; beyond its edges they go on."""
    high, wide = src.shape
    c, s = np.cos(angle) / zoom, np.sin(angle) / zoom
    step_x, step_y = np.int64(c * 65536), np.int64(s * 65536)
    for row in range(high):
        dy = row + 0.5 - high / 2
        x0, y0 = -wide / 2 + 0.5, dy
        at_x = np.int64((c * x0 - s * y0 + wide / 2 - 0.5) * 65536)
        at_y = np.int64((s * x0 + c * y0 + high / 2 - 0.5) * 65536)
        _turned_row(
            src, out[row], np.int32(at_x), np.int32(at_y), np.int32(step_x), np.int32(step_y)
        )


@compiled
def _turned_row(
    src: U8, line: U8, at_x: np.int32, at_y: np.int32, step_x: np.int32, step_y: np.int32
) -> None:
    none = np.int32(0)
    last_x = np.int32((src.shape[1] - 1) * 65536 - 1)
    last_y = np.int32((src.shape[0] - 1) * 65536 - 1)
    for x in range(line.size):
        px, py = np.uint32(min(max(at_x, none), last_x)), np.uint32(min(max(at_y, none), last_y))
        a, b = (px >> np.uint32(8)) & np.uint32(255), (py >> np.uint32(8)) & np.uint32(255)
        line[x] = np.uint8(mean(src, px >> np.uint32(16), py >> np.uint32(16), a, b))
        at_x = np.int32(at_x + step_x)
        at_y = np.int32(at_y + step_y)


@compiled
def looked_up(y: U8, u: U8, v: U8, table: U8, share: int) -> None:
    """What becomes of colours by a table (brightness by 64 steps of 4, both colour planes by 16 steps of 16, three
    values): shape (65, 17, 17, 3), read between its points; by so many 256ths."""
    for row in range(u.shape[0]):
        for x in range(u.shape[1]):
            pu, pv = np.int32(u[row, x]), np.int32(v[row, x])
            iu, iv = pu >> 4, pv >> 4
            a, b = pu & 15, pv & 15
            w00, w10, w01, w11 = (16 - a) * (16 - b), a * (16 - b), (16 - a) * b, a * b
            whole = np.int32(0)
            for k in range(4):
                line = y[2 * row + (k >> 1)]
                c = 2 * x + (k & 1)
                value = np.int32(line[c])
                whole += value
                i, d = value >> 2, value & 3
                near = (
                    table[i, iu, iv, 0] * w00
                    + table[i, iu + 1, iv, 0] * w10
                    + table[i, iu, iv + 1, 0] * w01
                    + table[i, iu + 1, iv + 1, 0] * w11
                )
                far = (
                    table[i + 1, iu, iv, 0] * w00
                    + table[i + 1, iu + 1, iv, 0] * w10
                    + table[i + 1, iu, iv + 1, 0] * w01
                    + table[i + 1, iu + 1, iv + 1, 0] * w11
                )
                new = (near * (4 - d) + far * d + 512) >> 10
                line[c] = np.uint8((value * (256 - share) + new * share + 128) >> 8)
            middle = (whole + 2) >> 2
            i, d = middle >> 2, middle & 3
            for k in range(1, 3):
                near = (
                    table[i, iu, iv, k] * w00
                    + table[i, iu + 1, iv, k] * w10
                    + table[i, iu, iv + 1, k] * w01
                    + table[i, iu + 1, iv + 1, k] * w11
                )
                far = (
                    table[i + 1, iu, iv, k] * w00
                    + table[i + 1, iu + 1, iv, k] * w10
                    + table[i + 1, iu, iv + 1, k] * w01
                    + table[i + 1, iu + 1, iv + 1, k] * w11
                )
                new = (near * (4 - d) + far * d + 512) >> 10
                if k == 1:
                    u[row, x] = np.uint8((pu * (256 - share) + new * share + 128) >> 8)
                else:
                    v[row, x] = np.uint8((pv * (256 - share) + new * share + 128) >> 8)


@compiled
def shown_by(
    out: U8, plane: U8, alpha: U8, when: U8, top: int, left: int, middle: int, far: int, soft: int
) -> None:
    """Lay a premultiplied plane over `out` at (`top`, `left`) where it has come: what comes at `when` is there from
    `far` on, over a soft edge. What comes all at once (0 everywhere) fades in."""
    none = np.int32(middle)
    for y in range(plane.shape[0]):
        line = out[top + y, left : left + plane.shape[1]]
        for x in range(line.size):
            a = np.int32(alpha[y, x])
            if a == 0:
                continue
            at = np.int32(when[y, x])
            share = (np.int32(far) - at) * np.int32(256) // np.int32(soft)
            share = min(max(share, np.int32(0)), np.int32(256))
            if share == 0:
                continue
            a = (a * share + 128) >> 8
            new = none + (((np.int32(plane[y, x]) - none) * share + 128) >> 8)
            laid = new + ((np.int32(line[x]) - none) * (255 - a) + 127) // 255
            line[x] = np.uint8(min(max(laid, np.int32(0)), np.int32(255)))
