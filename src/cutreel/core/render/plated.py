"""Plates as they come onto the screen: each part is drawn once, then laid in as far as it has come."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from cutreel.core.plates import Part, ShownPlate, drawn, palette_for

from . import kernel_finish
from .finishing import shade
from .pieces import Piece, piece_of, raster
from .planes import Planes, planes_of

U8 = NDArray[np.uint8]
EDGES, FIBRES = 0.05, 0.25
"""How much darker a plate is at its edges, and how much of paper it has: shares of those effects."""
OVER = 1.06
"""How much larger than the frame a plate is drawn, so that a camera that moves on it has something to show."""


@dataclass
class PlateLayer:
    """A plate as a layer: what it shows at a moment."""

    pieces: Sequence[Piece]
    ground: Planes
    depth: float = 0.0
    _done: int = field(default=0, init=False)
    _held: Planes | None = field(default=None, init=False)
    _at: float = field(default=-1e9, init=False)

    def drawing(self, seconds: float) -> Planes:
        """The plate at so many seconds after the shot's first word."""
        if self._held is None or seconds < self._at:
            self._held, self._done = _copied(self.ground), 0
        self._at = seconds
        # Those that have come for good, from the hindmost on, are laid once.
        while self._done < len(self.pieces):
            piece = self.pieces[self._done]
            if piece.until <= seconds:
                self._done += 1
            elif piece.share(seconds) >= 1 and piece.until > 1e8:
                piece.lay(self._held.y, self._held.u, self._held.v, 1.0)
                self._done += 1
            else:
                break
        coming = [(p, s) for p in self.pieces[self._done :] if (s := p.share(seconds)) > 0]
        if not coming:
            return self._held
        out = _copied(self._held)
        for piece, share in coming:
            piece.lay(out.y, out.u, out.v, share)
        return out


def _copied(planes: Planes) -> Planes:
    return Planes(planes.y.copy(), planes.u.copy(), planes.v.copy())


def plate_layer(shown: ShownPlate, width: int, height: int) -> PlateLayer:
    """A plate for a frame of `width` by `height` pixels."""
    wide, high = (round(s * OVER / 2) * 2 for s in (width, height))
    ground, pieces = _pieces(shown.model_dump_json(), wide, high, width / height)
    return PlateLayer(pieces, ground)


@lru_cache(maxsize=6)
def _pieces(told: str, wide: int, high: int, shape: float) -> tuple[Planes, tuple[Piece, ...]]:
    shown = ShownPlate.model_validate_json(told)
    page = drawn(shown.plate, palette_for(shown.medium), shape)
    still = [p for p in page.parts if p.step < 0 and p.comes == "fades" and p.after == 0]
    size = (page.width, page.height)
    ground = raster("".join(p.svg for p in still), size, wide, high)
    coming = [_timed(p, shown.begins) for p in page.parts if p not in still]
    # Who writes more than there is time for writes quicker.
    pace = min(1.0, shown.within / max(1.0, *(t.end for t in coming))) if coming else 1.0
    found = (piece_of(t.part, size, wide, high, t.begin * pace, pace) for t in coming)
    base = planes_of(ground[..., :3].copy())
    # Paper is not as even as a screen, and a little darker where no lamp falls.
    dim = shade(wide, high, EDGES, FIBRES if "paper" in shown.medium else 0.0)
    half = dim[::2, ::2].copy()
    for plane, stays, middle in ((base.y, dim, 16), (base.u, half, 128), (base.v, half, 128)):
        kernel_finish.shaded(plane, stays, middle)
    return base, tuple(p for p in found if p is not None)


class _Timed(NamedTuple):
    """A part, and from when on it comes, in seconds after the shot's first word."""

    part: Part
    begin: float

    @property
    def end(self) -> float:
        return self.begin + self.part.takes


def _timed(part: Part, begins: Sequence[float]) -> _Timed:
    return _Timed(part, (begins[part.step] if 0 <= part.step < len(begins) else 0.0) + part.after)
