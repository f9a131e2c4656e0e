"""The hot loops of what is in the air, compiled: small grains, streaks and veils laid over one plane of a frame."""

import numpy as np
from numpy.typing import NDArray

from .kernel import U8, compiled

F32 = NDArray[np.float32]
STREAK = 9.0
"""How many times longer than broad a drop of rain is seen."""


@compiled
def _cover(
    form: int, dx: float, dy: float, r: float, ca: float, sa: float, opened: float
) -> np.float32:
    """How much of a pixel at (dx, dy) from its middle a grain covers, more than 1 inside it: a dot; a leaf, an ellipse
    as broad as it is open; a wing of two strokes that rise and sink."""
    cover = np.float32(0.0)
    if form == 0:
        cover = r + np.float32(0.5) - np.sqrt(dx * dx + dy * dy)
    elif form == 1:
        broad = np.float32(max(0.18, abs(opened)) * 0.6)
        along, aside = dx * ca + dy * sa, (dy * ca - dx * sa) / broad
        cover = r + np.float32(0.5) - np.sqrt(along * along + aside * aside)
    elif abs(dx) < r * 2:
        far = abs(dx) / (r * 2)
        wing = -opened * r * far * (np.float32(1.4) - far * np.float32(0.7))
        cover = r * np.float32(0.26) * (np.float32(1.2) - far) + np.float32(0.5) - abs(dy - wing)
    return np.float32(cover)


@compiled
def specks(
    out: U8,
    xs: F32,
    ys: F32,
    radii: F32,
    density: F32,
    turned: F32,
    opened: F32,
    form: int,
    value: float,
) -> None:
    """Lay small grains over a plane; one smaller than a pixel is laid as thinly."""
    high, wide = out.shape
    for n in range(xs.size):
        cx, cy, r = xs[n], ys[n], max(radii[n], np.float32(0.45))
        reach = r * (np.float32(2.2) if form == 2 else np.float32(1.3)) + 1
        ca, sa = np.cos(turned[n]), np.sin(turned[n])
        share = density[n] * min(np.float32(1.0), radii[n] / np.float32(0.45))
        for y in range(max(0, int(cy - reach)), min(high, int(cy + reach) + 2)):
            for x in range(max(0, int(cx - reach)), min(wide, int(cx + reach) + 2)):
                dx, dy = x + np.float32(0.5) - cx, y + np.float32(0.5) - cy
                cover = _cover(form, dx, dy, r, ca, sa, opened[n])
                if cover > 0:
                    k = min(cover, np.float32(1.0)) * share
                    out[y, x] = np.uint8(out[y, x] + (value - out[y, x]) * k + np.float32(0.5))


@compiled
def streaks(out: U8, xs: F32, ys: F32, radii: F32, density: F32, turned: F32, value: float) -> None:
    """Lay drops as they are seen in an exposure: lines along their way, thin at both ends."""
    high, wide = out.shape
    for n in range(xs.size):
        half = radii[n] * np.float32(STREAK)
        rise = half * np.sin(turned[n])
        slope = np.cos(turned[n]) / max(np.float32(0.2), np.sin(turned[n]))
        broad = max(np.float32(0.5), radii[n] * np.float32(0.42))
        share = density[n] * min(np.float32(1.0), radii[n] / np.float32(0.8))
        for y in range(max(0, int(ys[n] - rise)), min(high, int(ys[n] + rise) + 1)):
            dy = y + np.float32(0.5) - ys[n]
            middle = xs[n] + dy * slope
            ends = 1 - abs(dy) / max(rise, np.float32(1.0))
            for x in range(max(0, int(middle - broad - 1)), min(wide, int(middle + broad) + 2)):
                cover = broad + np.float32(0.5) - abs(x + np.float32(0.5) - middle)
                if cover > 0 and ends > 0:
                    k = min(cover, np.float32(1.0)) * ends * share
                    out[y, x] = np.uint8(out[y, x] + (value - out[y, x]) * k + np.float32(0.5))


@compiled
def puffs(field: F32, xs: F32, ys: F32, radii: F32, density: F32) -> None:
    """Add soft puffs to a field of how dense the air is (0 … 1): one over another lets through what both let
    through."""
    high, wide = field.shape
    for n in range(xs.size):
        r, rise = radii[n] * np.float32(1.9), radii[n] * np.float32(0.7)
        for y in range(max(0, int(ys[n] - rise)), min(high, int(ys[n] + rise) + 2)):
            for x in range(max(0, int(xs[n] - r)), min(wide, int(xs[n] + r) + 2)):
                far = ((x - xs[n]) / r) ** 2 + ((y - ys[n]) / rise) ** 2
                if far < 1:
                    k = (1 - far) * (1 - far) * density[n]
                    field[y, x] = field[y, x] + k - field[y, x] * k


@compiled
def _mix(
    row: NDArray[np.uint16],
    index: NDArray[np.uint32],
    weight: NDArray[np.uint16],
    line: U8,
    value: np.int32,
) -> None:
    for x in range(line.size):
        i = index[x]
        w = np.int32(weight[x])
        one, other = np.int32(row[i]), np.int32(row[i + np.uint32(1)])
        k = (one * (np.int32(256) - w) + other * w) >> np.int32(8)
        under = np.int32(line[x])
        line[x] = np.uint8(under + (((value - under) * k + np.int32(16384)) >> np.int32(15)))


@compiled
def veil(out: U8, field: F32, cell: int, value: np.int32) -> None:
    """Lay a field of density over a plane, `cell` pixels of it for one of the field, as straight between them. Weights
    are whole numbers of 1/256, densities of 1/32768, so that the loop over a row stays in whole numbers."""
    high, wide = out.shape
    index, weight = np.empty(wide, np.uint32), np.empty(wide, np.uint16)
    for x in range(wide):
        index[x] = x // cell
        weight[x] = (x % cell) * 256 // cell
    row = np.empty(field.shape[1], np.uint16)
    for y in range(high):
        j, v = y // cell, np.float32((y % cell) / cell)
        most = np.float32(0.0)
        for i in range(row.size):
            k = field[j, i] * (np.float32(1.0) - v) + field[j + 1, i] * v
            most = max(most, k)
            row[i] = np.uint16(k * np.float32(32767))
        if most > np.float32(0.002):
            _mix(row, index, weight, out[y], value)
