"""Several insets arranged in a frame, so that none covers another, nor the captions."""

from collections.abc import Sequence
from typing import Literal, get_args

from .inset import Inset

Arranged = Literal["side by side", "in a column", "in the corners"]
ARRANGED: tuple[Arranged, ...] = get_args(Arranged)
EDGE, GAP, LOW = 0.06, 0.035, 0.78
"""What stays free at the frame's edges and between insets, and how far down they go: captions stand below."""
SMALL = 0.3
"""How much of the frame's height an inset in a corner has."""
_CORNERS = ((1, 0), (0, 0), (1, 1), (0, 1))


def arranged(insets: Sequence[Inset], how: Arranged, frame: float) -> list[Inset]:
    """Insets at new places and sizes in a frame whose width is `frame` times its height."""
    if not insets:
        return []
    if how == "in the corners":
        return [_cornered(one, n, frame) for n, one in enumerate(insets)]
    columns, rows = (len(insets), 1) if how == "side by side" else (1, len(insets))
    # A column stands at the right, beside what the picture shows.
    left, right = (EDGE, 1 - EDGE) if how == "side by side" else (0.6, 1 - EDGE)
    wide = (right - left - GAP * (columns - 1)) / columns
    high = (LOW - EDGE - GAP * (rows - 1)) / rows
    out = []
    for n, one in enumerate(insets):
        column, row = (n, 0) if how == "side by side" else (0, n)
        size = min(high, wide * frame / one.seen_shape)
        place = (left + wide / 2 + column * (wide + GAP), EDGE + high / 2 + row * (high + GAP))
        out.append(_at(one, place, size))
    return out


def _cornered(inset: Inset, n: int, frame: float) -> Inset:
    size = min(SMALL, 0.4 * frame / inset.seen_shape)
    wide = size * inset.seen_shape / frame
    right, low = _CORNERS[n % len(_CORNERS)]
    x = 1 - EDGE - wide / 2 if right else EDGE + wide / 2
    y = LOW - size / 2 if low else EDGE + size / 2
    return _at(inset, (x, y), size)


def _at(inset: Inset, place: tuple[float, float], size: float) -> Inset:
    told = {"x": round(place[0], 4), "y": round(place[1], 4), "size": round(max(0.05, size), 4)}
    return inset.model_copy(update={**told, "to": None})
