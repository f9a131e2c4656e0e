"""Marks on the frames of a shot, drawn by hand or blurred; they keep to their place in the picture while the camera
moves."""

from collections.abc import Sequence
from functools import lru_cache
from itertools import pairwise
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from cutreel.core.marks import Mark, strokes_of
from cutreel.core.motion import Window
from cutreel.core.plates import Part
from cutreel.core.plates.svg import line

from . import kernel_finish as fast
from .finishing import blurred
from .pieces import Piece, piece_of

U8 = NDArray[np.uint8]
PEN, EDGE = 0.013, 0.022
"""How thick strokes are, and the light edge by which they are seen on any ground, in heights of the frame."""
STROKE = 0.45
"""Seconds that a hand takes for a stroke as long as the frame is high; a ring takes three of them."""
QUICKEST, SLOWEST = 0.12, 0.9
BLUR_IN = 0.2
"""Seconds in which a blur comes."""
BLUR = 0.16
"""How far a blur spreads what lies under it, in its own size: of a face no feature is left."""
ROOM = 1.6
"""How much larger than the mark the page is that it is drawn on."""


class _Drawn(NamedTuple):
    """A mark's strokes as pixels; they are laid with the middle of their page at the mark's place."""

    pieces: tuple[Piece, ...]
    side: int


class Marks:
    """The marks of a shot, for frames of `width` by `height` pixels."""

    def __init__(self, marks: Sequence[Mark], width: int, height: int) -> None:
        self.width, self.height = width, height
        self._marks = [(m, _drawn(m, height)) for m in marks]

    def lay(self, out: tuple[U8, U8, U8], window: Window, seconds: float) -> None:
        """Draw on a frame that is seen through a window, so many seconds after the shot's first word."""
        for mark, drawn in self._marks:
            if mark.kind == "blur":
                self._blur(out, mark, window, seconds)
                continue
            x = ((mark.x - window.x) * window.zoom + 0.5) * self.width
            y = ((mark.y - window.y) * window.zoom + 0.5) * self.height
            top, left = (round((at - drawn.side / 2) / 2) * 2 for at in (y, x))
            for piece in drawn.pieces:
                share = piece.share(seconds)
                if share <= 0:
                    continue
                moved = piece.moved(top + piece.top, left + piece.left, self.height, self.width)
                if moved is not None:
                    moved.lay(*out, share)

    def _blur(self, out: tuple[U8, U8, U8], mark: Mark, window: Window, seconds: float) -> None:
        """Spread what is under a round place; it is as large as it is seen."""
        share = min(1.0, (seconds - mark.begin) / BLUR_IN)
        if share <= 0:
            return
        side = mark.size * window.zoom * self.height
        x = ((mark.x - window.x) * window.zoom + 0.5) * self.width
        y = ((mark.y - window.y) * window.zoom + 0.5) * self.height
        for plane, by in zip(out, (1, 2, 2), strict=True):
            high, wide = plane.shape
            # Blurred with as much around it as comes into it.
            reach = side / by * (0.5 + BLUR)
            top, low = (min(high, max(0, round(y / by + sign * reach))) for sign in (-1, 1))
            left, right = (min(wide, max(0, round(x / by + sign * reach))) for sign in (-1, 1))
            if low - top < 2 or right - left < 2:
                continue
            there = plane[top:low, left:right].copy()
            soft = np.empty_like(there)
            blurred(there, soft, max(1.5, side / by * BLUR))
            rows, columns = np.ogrid[top:low, left:right]
            far = np.hypot(rows + 0.5 - y / by, columns + 0.5 - x / by) / (side / by / 2)
            where = np.rint(255 * share * np.clip((1.0 - far) / 0.15 + 0.5, 0, 1)).astype(np.uint8)
            fast.softened(there, soft, where)
            plane[top:low, left:right] = there


@lru_cache(maxsize=64)
def _drawn(mark: Mark, height: int) -> _Drawn:
    side = max(8, round(mark.size * ROOM * 2 * height / 2) * 2)
    # A page of which 1000 units are a frame's height.
    page = side * 1000 / height
    middle, at = page / 2, mark.begin
    pieces = []
    for stroke in strokes_of(mark):
        points = [(middle + x * 1000, middle + y * 1000) for x, y in stroke]
        way = sum(float(np.hypot(c - a, d - b)) for (a, b), (c, d) in pairwise(points))
        takes = min(SLOWEST, max(QUICKEST, STROKE * way / 1000))
        light = line(points, "#fff8ea", EDGE * 1000, ' stroke-opacity="0.85"')
        svg = light + line(points, mark.colour, PEN * 1000)
        part = Part(svg, comes="along", takes=takes, along=tuple(points))
        piece = piece_of(part, (page, page), side, side, at)
        if piece is not None:
            pieces.append(piece)
        at += takes
    return _Drawn(tuple(pieces), side)
