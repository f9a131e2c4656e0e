"""Marks as a hand draws them: strokes that waver a little and do not quite meet."""

import math
from collections.abc import Callable, Mapping, Sequence

from .mark import Mark, MarkKind

Point = tuple[float, float]
WAVER = 0.018
"""How far a hand strays, as a share of the mark."""


def strokes_of(mark: Mark) -> list[list[Point]]:
    """The strokes of a mark in the order in which they are drawn, in heights of the frame around its place; none of
    what is not drawn."""
    if mark.kind not in _SHAPES:
        return []
    scaled = [
        [(x * mark.size, y * mark.size) for x, y in stroke] for stroke in _SHAPES[mark.kind](mark)
    ]
    return [_wavered(stroke, mark.size, n) for n, stroke in enumerate(scaled)]


def _ring(mark: Mark) -> list[list[Point]]:
    # A little more than once around, and wider than high, as rings around words and faces are.
    turns = [-2.0 + 2 * math.pi * 1.12 * i / 60 for i in range(61)]
    return [
        [(0.5 * math.cos(t) * (1 + 0.02 * t), 0.42 * math.sin(t) * (1 + 0.015 * t)) for t in turns]
    ]


def _arrow(mark: Mark) -> list[list[Point]]:
    angle = math.radians(mark.turn)
    tail = (math.cos(angle), math.sin(angle))
    side = (-tail[1] * 0.14, tail[0] * 0.14)
    shaft = [
        (
            (1 - t) * tail[0] + 4 * t * (1 - t) * side[0],
            (1 - t) * tail[1] + 4 * t * (1 - t) * side[1],
        )
        for t in (i / 30 for i in range(31))
    ]
    near = shaft[-4]
    way = math.atan2(near[1], near[0])
    barbs = [(0.3 * math.cos(way + by), 0.3 * math.sin(way + by)) for by in (0.5, -0.5)]
    return [shaft, _line(barbs[0], (0.0, 0.0)), _line((0.0, 0.0), barbs[1])]


def _underline(mark: Mark) -> list[list[Point]]:
    return [[(-0.5 + i / 30, 0.02 * math.sin(i / 4) - 0.03 * i / 30) for i in range(31)]]


def _cross(mark: Mark) -> list[list[Point]]:
    return [_line((-0.35, -0.35), (0.36, 0.34)), _line((0.34, -0.37), (-0.36, 0.36))]


def _tick(mark: Mark) -> list[list[Point]]:
    return [[*_line((-0.4, 0.02), (-0.1, 0.34)), *_line((-0.1, 0.34), (0.5, -0.42))]]


_SHAPES: Mapping[MarkKind, Callable[[Mark], list[list[Point]]]] = {
    "arrow": _arrow, "ring": _ring, "underline": _underline, "cross": _cross, "tick": _tick,
}  # fmt: skip
DRAWN: tuple[MarkKind, ...] = tuple(_SHAPES)
"""What is drawn, stroke by stroke."""


def _line(a: Point, b: Point, count: int = 14) -> list[Point]:
    return [
        (a[0] + (b[0] - a[0]) * i / count, a[1] + (b[1] - a[1]) * i / count)
        for i in range(count + 1)
    ]


def _wavered(stroke: Sequence[Point], size: float, n: int) -> list[Point]:
    """Strayed from by slow waves that hang on nothing but the stroke's number; its end is where it was meant."""
    reach = WAVER * size
    last = len(stroke) - 1
    out = []
    for i, (x, y) in enumerate(stroke):
        free = reach * math.sin(math.pi * i / last)
        out.append(
            (x + free * math.sin(0.5 * i + 1.7 * n), y + free * math.cos(0.37 * i + 2.9 * n))
        )
    return out
