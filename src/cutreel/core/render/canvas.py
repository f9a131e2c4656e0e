"""A part of a layer that pieces are laid on, each turned and moved."""

import math

import numpy as np

from cutreel.core.motion import Matrix, applied, inverted
from cutreel.protocol import FigurePiece

from . import kernel_over, kernel_turn
from .planes import Planes

EDGE = 2
"""Pixels about a drawing that stay empty, so that what is sampled beside it is nothing."""
Box = tuple[int, int, int, int]


class Canvas:
    """A part of a layer that is drawn on; `left` and the other sides are pixels of the picture, all even."""

    def __init__(self, left: int, top: int, right: int, bottom: int) -> None:
        self.left, self.top = left, top
        self.width, self.height = right - left, bottom - top
        half = (self.height // 2, self.width // 2)
        self.y = np.zeros((self.height, self.width), np.uint8)
        self.alpha = np.zeros_like(self.y)
        self.u, self.v = np.full(half, 128, np.uint8), np.full(half, 128, np.uint8)
        self.alpha_half = np.zeros(half, np.uint8)

    def lay(self, sheet: Planes, piece: FigurePiece, matrix: Matrix, box: Box) -> None:
        left, top = max(0, box[0] - self.left), max(0, box[1] - self.top)
        right, bottom = (
            min(self.width, box[2] + 1 - self.left),
            min(self.height, box[3] + 1 - self.top),
        )
        if right <= left or bottom <= top:
            return
        assert sheet.alpha is not None and sheet.alpha_half is not None
        a, b, c, d, e, f = inverted(matrix)
        # From a place on the canvas to the picture, back to where the piece was drawn, to its own corner.
        x0 = a * self.left + c * self.top + e - piece.left
        y0 = b * self.left + d * self.top + f - piece.top
        whole = np.array([a, b, c, d, x0, y0], np.float32)
        kernel_turn.lay_turned(
            sheet.y,
            sheet.alpha,
            self.y,
            self.alpha,
            (piece.x, piece.y, piece.width, piece.height),
            whole,
            (left, top, right, bottom),
            0,
            True,
        )
        half = np.array([a, b, c, d, x0 / 2, y0 / 2], np.float32)
        small = (left // 2, top // 2, (right + 1) // 2, (bottom + 1) // 2)
        part = piece.x // 2, piece.y // 2, piece.width // 2, piece.height // 2
        for plane, out, last in ((sheet.u, self.u, False), (sheet.v, self.v, True)):
            kernel_turn.lay_turned(
                plane, sheet.alpha_half, out, self.alpha_half, part, half, small, 128, last
            )

    def planes(self, depth: float, whole: tuple[int, int]) -> Planes:
        return Planes(
            self.y,
            self.u,
            self.v,
            self.alpha,
            self.alpha_half,
            kernel_over.spans_of(self.alpha),
            kernel_over.spans_of(self.alpha_half),
            depth,
            (self.left, self.top),
            whole,
        )


def box_of(piece: FigurePiece, matrix: Matrix) -> Box:
    """The box that a piece takes in the picture when its bone is moved."""
    corners = [
        applied(matrix, (x, y))
        for x in (piece.left, piece.left + piece.width)
        for y in (piece.top, piece.top + piece.height)
    ]
    xs, ys = [x for x, _ in corners], [y for _, y in corners]
    return math.floor(min(xs)), math.floor(min(ys)), math.ceil(max(xs)), math.ceil(max(ys))
