"""Plates as they come onto the screen: each part is drawn once, then laid in as far as it has come."""

import io
from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from typing import NamedTuple

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image, ImageDraw

from cutreel.core.lettering import face_file
from cutreel.core.plates import Page, Part, ShownPlate, drawn, palette_for, svg_page

from . import kernel_finish
from .finishing import shade
from .planes import Planes, planes_of

U8 = NDArray[np.uint8]
EDGES, FIBRES = 0.05, 0.25
"""How much darker a plate is at its edges, and how much of paper it has: shares of those effects."""
SOFT = 24
"""How soft the edge is along which a part comes, in 255ths of its way."""
OVER = 1.06
"""How much larger than the frame a plate is drawn, so that a camera that moves on it has something to show."""


@dataclass(frozen=True)
class Piece:
    """A part as pixels: its planes (premultiplied) and where they lie (top and left, even); for each pixel when it
    comes, in 255ths; from when on it does, in how many seconds, and until when it stays."""

    planes: Planes
    top: int
    left: int
    when: U8
    when_half: U8
    begin: float
    takes: float
    until: float

    def share(self, seconds: float) -> float:
        """How far it has come, 0 … 1."""
        if seconds < self.begin or seconds >= self.until:
            return 0.0
        if self.takes <= 0:
            return 1.0
        t = min(1.0, (seconds - self.begin) / self.takes)
        return t * t * (3 - 2 * t)


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
                _lay(self._held, piece, 1.0)
                self._done += 1
            else:
                break
        coming = [(p, s) for p in self.pieces[self._done :] if (s := p.share(seconds)) > 0]
        if not coming:
            return self._held
        out = _copied(self._held)
        for piece, share in coming:
            _lay(out, piece, share)
        return out


def _copied(planes: Planes) -> Planes:
    return Planes(planes.y.copy(), planes.u.copy(), planes.v.copy())


def _lay(onto: Planes, piece: Piece, share: float) -> None:
    far = round(share * (255 + SOFT))
    p = piece.planes
    assert p.alpha is not None and p.alpha_half is not None
    kernel_finish.shown_by(onto.y, p.y, p.alpha, piece.when, piece.top, piece.left, 0, far, SOFT)
    top, left = piece.top // 2, piece.left // 2
    for plane, new in ((onto.u, p.u), (onto.v, p.v)):
        kernel_finish.shown_by(plane, new, p.alpha_half, piece.when_half, top, left, 128, far, SOFT)


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
    ground = _raster(page, "".join(p.svg for p in still), wide, high)
    coming = [_timed(p, shown.begins) for p in page.parts if p not in still]
    # Who writes more than there is time for writes quicker.
    pace = min(1.0, shown.within / max(1.0, *(t.end for t in coming))) if coming else 1.0
    found = (_piece(page, timed, pace, wide, high) for timed in coming)
    base = planes_of(ground[..., :3].copy())
    # Paper is not as even as a screen, and a little darker where no lamp falls.
    dim = shade(wide, high, EDGES, FIBRES if "paper" in shown.medium else 0.0)
    half = dim[::2, ::2].copy()
    for plane, stays, middle in ((base.y, dim, 16), (base.u, half, 128), (base.v, half, 128)):
        kernel_finish.shaded(plane, stays, middle)
    return base, tuple(p for p in found if p is not None)


def _raster(page: Page, svg: str, wide: int, high: int) -> U8:
    """Pixels (red, green, blue, alpha) of a piece of drawing."""
    data = resvg_py.svg_to_bytes(
        svg_string=svg_page(page.width, page.height, svg),
        width=wide,
        height=high,
        skip_system_fonts=True,
        font_files=[face_file("plain"), face_file("book")],
    )
    image = Image.open(io.BytesIO(bytes(data))).convert("RGBA")
    # Shapes differ by a pixel at most, by rounding.
    return np.array(image if image.size == (wide, high) else image.resize((wide, high)))


class _Timed(NamedTuple):
    """A part, and from when on it comes, in seconds after the shot's first word."""

    part: Part
    begin: float

    @property
    def end(self) -> float:
        return self.begin + self.part.takes


def _timed(part: Part, begins: Sequence[float]) -> _Timed:
    return _Timed(part, (begins[part.step] if 0 <= part.step < len(begins) else 0.0) + part.after)


def _piece(page: Page, timed: _Timed, pace: float, wide: int, high: int) -> Piece | None:
    part, begin = timed.part, timed.begin * pace
    pixels = _raster(page, part.svg, wide, high)
    rows = np.flatnonzero(pixels[..., 3].any(axis=1))
    if not rows.size:
        return None
    columns = np.flatnonzero(pixels[..., 3].any(axis=0))
    top, left = int(rows[0]) // 2 * 2, int(columns[0]) // 2 * 2
    low, right = min(high, int(rows[-1]) + 2) // 2 * 2, min(wide, int(columns[-1]) + 2) // 2 * 2
    cut = pixels[top:low, left:right].copy()
    when = _when(part, cut.shape[0], cut.shape[1], top, left, wide / page.width)
    until = 1e9 if part.stays is None else begin + part.stays * pace
    half = when[::2, ::2].copy()
    return Piece(planes_of(cut), top, left, when, half, begin, part.takes * pace, until)


def _when(part: Part, high: int, wide: int, top: int, left: int, scale: float) -> U8:
    """For each pixel of a part when it comes, in 255ths of its time."""
    if part.comes == "from left":
        return np.tile(np.linspace(0, 255, wide).astype(np.uint8), (high, 1))
    if part.comes == "from below":
        return np.tile(np.linspace(255, 0, high).astype(np.uint8)[:, None], (1, wide))
    if part.comes == "along" and part.along:
        image = Image.new("L", (wide, high), 255)
        draw = ImageDraw.Draw(image)
        reach = 14 * scale
        # From its end back, so that what comes first lies on top.
        for n in reversed(range(len(part.along))):
            x, y = part.along[n][0] * scale - left, part.along[n][1] * scale - top
            at = round(255 * n / max(1, len(part.along) - 1))
            draw.ellipse((x - reach, y - reach, x + reach, y + reach), fill=at)
        return np.array(image)
    return np.zeros((high, wide), np.uint8)
