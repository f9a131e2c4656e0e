"""A jointed figure in frames: its pieces laid over one another, each turned about its pin."""

from cutreel.core.motion import Acting, Matrix, held, moment_of
from cutreel.protocol import JointedFigure

from .canvas import EDGE, Canvas, box_of
from .planes import Planes


class Puppet:
    """A figure that acts, in a picture of `size` (width, height); `sheet` has its pieces."""

    def __init__(
        self, figure: JointedFigure, sheet: Planes, acting: Acting, size: tuple[int, int]
    ) -> None:
        self.figure, self.sheet, self.acting, self.size = figure, sheet, acting, size
        self.depth = sheet.depth
        self._last: tuple[float, Planes | None] | None = None

    def drawing(self, seconds: float) -> Planes | None:
        """What is seen of the figure at a moment of its shot; None when that is nothing. A drawing is held until the
        next."""
        at = held(seconds)
        if self._last is None or self._last[0] != at:
            self._last = (at, self._drawn(at))
        return self._last[1]

    def _drawn(self, seconds: float) -> Planes | None:
        moment = moment_of(self.figure, self.acting, seconds)
        seen = [
            (piece, moment.bones[piece.bone], box_of(piece, moment.bones[piece.bone]))
            for piece in self.figure.pieces
            if moment.shows(piece.variant) and _upright(moment.bones[piece.bone])
        ]
        width, height = self.size
        left = max(0, min((b[0] for _, _, b in seen), default=0) - EDGE) // 2 * 2
        top = max(0, min((b[1] for _, _, b in seen), default=0) - EDGE) // 2 * 2
        right = min(width, max((b[2] for _, _, b in seen), default=0) + EDGE + 1) // 2 * 2
        bottom = min(height, max((b[3] for _, _, b in seen), default=0) + EDGE + 1) // 2 * 2
        if right - left < 4 or bottom - top < 4:
            return None
        out = Canvas(left, top, right, bottom)
        for piece, matrix, box in seen:
            out.lay(self.sheet, piece, matrix, box)
        return out.planes(self.depth, self.size)


def _upright(matrix: Matrix) -> bool:
    """Whether anything is seen of a piece: not when it is turned edge on."""
    a, b, c, d, _, _ = matrix
    return abs(a * d - b * c) > 1e-4
