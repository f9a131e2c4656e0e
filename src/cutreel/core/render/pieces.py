"""Pieces of drawing as pixels, laid in as far as they have come."""

import io
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image, ImageDraw

from cutreel.core.lettering import face_file
from cutreel.core.plates import Part, svg_page

from . import kernel_finish
from .planes import Planes, planes_of

U8 = NDArray[np.uint8]
SOFT = 24
"""How soft the edge is along which a part comes, in 255ths of its way."""


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
    until: float = 1e9

    def share(self, seconds: float) -> float:
        """How far it has come, 0 … 1."""
        if seconds < self.begin or seconds >= self.until:
            return 0.0
        if self.takes <= 0:
            return 1.0
        t = min(1.0, (seconds - self.begin) / self.takes)
        return t * t * (3 - 2 * t)

    def lay(self, y: U8, u: U8, v: U8, share: float) -> None:
        """Lay it into a frame, or into a larger picture, as far as it has come."""
        far = round(share * (255 + SOFT))
        p = self.planes
        assert p.alpha is not None and p.alpha_half is not None
        kernel_finish.shown_by(y, p.y, p.alpha, self.when, self.top, self.left, 0, far, SOFT)
        top, left = self.top // 2, self.left // 2
        for plane, new in ((u, p.u), (v, p.v)):
            kernel_finish.shown_by(
                plane, new, p.alpha_half, self.when_half, top, left, 128, far, SOFT
            )

    def moved(self, top: int, left: int, height: int, width: int) -> "Piece | None":
        """The same at another place (even) of a frame of that size; what is beyond its edge is cut off. None where
        nothing is left of it."""
        high, wide = self.planes.y.shape
        a, b = max(0, -top), max(0, -left)
        c, d = min(high, height - top), min(wide, width - left)
        if c - a < 2 or d - b < 2:
            return None
        if (a, b, c, d) == (0, 0, high, wide):
            return replace(self, top=top, left=left)
        p = self.planes
        assert p.alpha is not None and p.alpha_half is not None
        c, d = a + (c - a) // 2 * 2, b + (d - b) // 2 * 2
        whole, half = (slice(a, c), slice(b, d)), (slice(a // 2, c // 2), slice(b // 2, d // 2))
        cut = Planes(p.y[whole], p.u[half], p.v[half], p.alpha[whole], p.alpha_half[half])
        return replace(
            self,
            planes=cut,
            top=top + a,
            left=left + b,
            when=self.when[whole],
            when_half=self.when_half[half],
        )


def raster(svg: str, size: tuple[float, float], wide: int, high: int) -> U8:
    """Pixels (red, green, blue, alpha) of a piece of drawing on a page of some size."""
    data = resvg_py.svg_to_bytes(
        svg_string=svg_page(*size, svg),
        width=wide,
        height=high,
        skip_system_fonts=True,
        font_files=[face_file("plain"), face_file("book")],
    )
    image = Image.open(io.BytesIO(bytes(data))).convert("RGBA")
    # Shapes differ by a pixel at most, by rounding.
    return np.array(image if image.size == (wide, high) else image.resize((wide, high)))


def piece_of(
    part: Part, size: tuple[float, float], wide: int, high: int, begin: float, pace: float = 1.0
) -> Piece | None:
    """A part of a page as pixels, come from `begin` on, at a `pace` (1: as it says). None if it shows nothing."""
    pixels = raster(part.svg, size, wide, high)
    rows = np.flatnonzero(pixels[..., 3].any(axis=1))
    if not rows.size:
        return None
    columns = np.flatnonzero(pixels[..., 3].any(axis=0))
    top, left = int(rows[0]) // 2 * 2, int(columns[0]) // 2 * 2
    low, right = min(high, int(rows[-1]) + 2) // 2 * 2, min(wide, int(columns[-1]) + 2) // 2 * 2
    cut = pixels[top:low, left:right].copy()
    when = _when(part, cut.shape[0], cut.shape[1], top, left, wide / size[0])
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
        return _along(part.along, high, wide, top, left, scale)
    return np.zeros((high, wide), np.uint8)


def _along(
    points: Sequence[tuple[float, float]], high: int, wide: int, top: int, left: int, scale: float
) -> U8:
    image = Image.new("L", (wide, high), 255)
    draw = ImageDraw.Draw(image)
    reach = 14 * scale
    # From its end back, so that what comes first lies on top.
    for n in reversed(range(len(points))):
        x, y = points[n][0] * scale - left, points[n][1] * scale - top
        at = round(255 * n / max(1, len(points) - 1))
        draw.ellipse((x - reach, y - reach, x + reach, y + reach), fill=at)
    return np.array(image)
