"""Patterns along which a picture goes over: for every pixel when it goes over, 0 (at once) … 1 (last).

Each is drawn by a formula and a seed of its own, so it is the same in every film and at every size. They are as flat
as they can be: the share of pixels that are over at half time is a half (their ranks are their values), so nothing
lingers.
"""

from collections.abc import Callable
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.timeline import Pattern, Way

F64 = NDArray[np.float64]
LINES = 216
"""Rows in which a pattern is worked out; larger ones are the same, enlarged."""
LEAF = 0.1
"""How far the middles of the circles are from that of a leaf, in heights of the frame."""
GRID = 64
"""Points of noise across, before it begins again."""


@lru_cache(maxsize=24)
def edge_map(pattern: Pattern | Way, width: int, height: int) -> NDArray[np.uint8]:
    """When each pixel of a frame goes over, 0 … 255, shape (height, width)."""
    rows = min(LINES, height)
    columns = max(2, round(width * rows / height))
    y, x = np.mgrid[0:rows, 0:columns].astype(np.float64)
    x, y = (x + 0.5) / columns, (y + 0.5) / rows
    drawn = _WAYS[pattern](x, y) if pattern in _WAYS else _PATTERNS[pattern](x, y, columns / rows)
    ranks = np.empty(drawn.size)
    ranks[np.argsort(drawn, axis=None, kind="stable")] = np.linspace(0, 255, drawn.size)
    return _enlarged(ranks.reshape(drawn.shape), width, height)


def _enlarged(values: F64, width: int, height: int) -> NDArray[np.uint8]:
    """By straight lines between its own rows and columns."""
    rows, columns = values.shape
    across = np.interp(
        (np.arange(width) + 0.5) * columns / width - 0.5, np.arange(columns), np.arange(columns)
    )
    down = np.interp(
        (np.arange(height) + 0.5) * rows / height - 0.5, np.arange(rows), np.arange(rows)
    )
    left, top = np.minimum(across.astype(int), columns - 2), np.minimum(down.astype(int), rows - 2)
    fx, fy = across - left, (down - top)[:, None]
    upper = values[top][:, left] * (1 - fx) + values[top][:, left + 1] * fx
    lower = values[top + 1][:, left] * (1 - fx) + values[top + 1][:, left + 1] * fx
    out: NDArray[np.uint8] = np.rint(upper * (1 - fy) + lower * fy).astype(np.uint8)
    # Row after row, as frames are: what was picked by columns stands column after column.
    return np.ascontiguousarray(out)


def _noise(x: F64, y: F64, cells: float, seed: int) -> F64:
    """Smooth noise of about so many cells across, 0 … 1 (value noise, cubic between its points)."""
    grid = np.random.default_rng(seed).random((GRID, GRID))
    gx, gy = np.asarray(x * cells), np.asarray(y * cells)
    ix, iy = gx.astype(int), gy.astype(int)
    fx, fy = gx - ix, gy - iy
    fx, fy = fx * fx * (3 - 2 * fx), fy * fy * (3 - 2 * fy)
    left, right, above, below = ix % GRID, (ix + 1) % GRID, iy % GRID, (iy + 1) % GRID
    top = grid[above, left] * (1 - fx) + grid[above, right] * fx
    low = grid[below, left] * (1 - fx) + grid[below, right] * fx
    out: F64 = top * (1 - fy) + low * fy
    return out


def _layers(x: F64, y: F64, cells: float, seed: int) -> F64:
    """Noise of four sizes, each half as strong as the one before."""
    out: F64 = np.zeros(np.broadcast(x, y).shape)
    for n in range(4):
        out = out + _noise(x, y, cells * 2**n, seed + n) / 2**n
    return out / 1.875


def _torn_paper(x: F64, y: F64, wide: float) -> F64:
    return x + 0.12 * (_layers(y, y * 0 + 0.3, 5, 1) - 0.5) + 0.02 * (_layers(x, y, 40, 9) - 0.5)


def _brush(x: F64, y: F64, wide: float) -> F64:
    # Five strokes one below the other, each from the other side, with bristles.
    stroke = np.floor(y * 5)
    along = np.where(stroke % 2 == 0, x, 1 - x)
    bristles = 0.16 * (_noise(x * 0.2, y * 14, 8, 3) - 0.5)
    return stroke * 0.8 + along + bristles


def _iris(x: F64, y: F64, wide: float) -> F64:
    out: F64 = np.hypot((x - 0.5) * wide, y - 0.5)
    return out


def _clouds(x: F64, y: F64, wide: float) -> F64:
    return _layers(x * wide, y, 4, 21)


def _blinds(x: F64, y: F64, wide: float) -> F64:
    out: F64 = (y * 9) % 1.0 + 0.15 * np.floor(y * 9) / 9
    return out


def _curtain(x: F64, y: F64, wide: float) -> F64:
    folds = 0.03 * np.sin(y * 5 + np.abs(x - 0.5) * 40)
    out: F64 = np.abs(x - 0.5) + folds
    return out


def _drops(x: F64, y: F64, wide: float) -> F64:
    chance = np.random.default_rng(5)
    out = np.full(x.shape, np.inf)
    for _ in range(60):
        cx, cy, late = chance.random() * wide, chance.random(), chance.random() * 0.5
        out = np.minimum(out, np.hypot(x * wide - cx, y - cy) + late * 0.4)
    return out


def _rays(x: F64, y: F64, wide: float) -> F64:
    angle = np.arctan2(y - 1.15, (x - 0.5) * wide)
    return (angle * 11 / np.pi) % 1.0 + 0.5 * np.hypot((x - 0.5) * wide, y - 1.15)


def _diagonal(x: F64, y: F64, wide: float) -> F64:
    return x * wide + y


def _scribble(x: F64, y: F64, wide: float) -> F64:
    # A pencil that goes to and fro, stroke by stroke, from the upper left to the lower right.
    line = np.floor((x * wide + y) / (wide + 1) * 6)
    across = (y + (1 - x) * wide) / (wide + 1)
    along = np.where(line % 2 == 0, across, 1 - across)
    return line + along + 0.25 * (_noise(x * wide, y, 30, 8) - 0.5)


def _leaves(x: F64, y: F64, wide: float) -> F64:
    chance = np.random.default_rng(12)
    out = np.full(x.shape, np.inf)
    for _ in range(70):
        cx, cy, turn = chance.random() * wide, chance.random(), chance.random() * np.pi
        dx, dy = x * wide - cx, y - cy
        along, across = dx * np.cos(turn) + dy * np.sin(turn), dy * np.cos(turn) - dx * np.sin(turn)
        # A pointed oval: what two circles share, which grows as they come nearer.
        leaf = np.hypot(along, np.abs(across) + LEAF) - LEAF
        out = np.minimum(out, leaf + 0.16 * (cy * 0.6 + chance.random() * 0.4))
    return out


def _figure(x: F64, y: F64, wide: float) -> F64:
    # Somebody who stands in the middle: head, shoulders, coat; it grows from there.
    dx = (x - 0.5) * wide
    head = np.hypot(dx, y - 0.30) - 0.11
    width = np.where(y < 0.62, 0.06 + 0.5 * np.clip(y - 0.40, 0, 0.16), 0.14 + 0.22 * (y - 0.62))
    body = np.maximum(np.abs(dx) - width, np.maximum(0.41 - y, y - 1.1))
    out: F64 = np.minimum(head, body)
    return out


_PATTERNS: dict[str, Callable[[F64, F64, float], F64]] = {
    "torn paper": _torn_paper,
    "brush": _brush,
    "iris": _iris,
    "clouds": _clouds,
    "blinds": _blinds,
    "curtain": _curtain,
    "drops": _drops,
    "rays": _rays,
    "diagonal": _diagonal,
    "scribble": _scribble,
    "leaves": _leaves,
    "figure": _figure,
}
_WAYS: dict[str, Callable[[F64, F64], F64]] = {
    "left": lambda x, y: 1 - x,
    "right": lambda x, y: x,
    "up": lambda x, y: 1 - y,
    "down": lambda x, y: y,
}
"""The edge of a wipe goes to the left, to the right, up or down."""
