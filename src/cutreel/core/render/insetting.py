"""Insets laid over the frames of a shot: each set once as a picture with its border, then moved."""

import io
import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from itertools import pairwise

import numpy as np
from PIL import Image, ImageChops, ImageDraw, ImageFilter, ImageOps

from cutreel.core.insets import Border, Inset
from cutreel.core.motion import Window, layer_zoom

from .carded import faded
from .planes import Planes, planes_of

KEEPS_AT = 0.55
"""The depth at which insets stand that keep to the picture: among its figures, as marks do."""
IN, OUT = 0.5, 0.35
"""Seconds in which an inset comes and goes."""
RISE, FROM = 0.08, 0.45
"""By how much of the frame an inset rises; how small it is that grows."""
MAT, LINE = 0.045, 0.012
"""How wide the white of a print is, and an ink line, in shares of the picture's shorter side."""
WHITE, SCRAP, INK = (250, 247, 240, 255), (240, 231, 211, 255), (33, 29, 27, 255)
FREE = 4
"""Pixels around everything that stay empty: what lies beyond a page is as its edge."""


@dataclass(frozen=True)
class Insets:
    """The insets of a shot that is seen for so many `seconds` after its first word, for frames of `width` by `height`
    pixels. `files` gives a media file by its name."""

    insets: Sequence[Inset]
    seconds: float
    width: int
    height: int
    files: Callable[[str], bytes]
    _pages: dict[Inset, Planes] = field(default_factory=dict)

    def laid(self, seconds: float, seen: Window, keeps: str) -> list[tuple[Planes, Window]]:
        """What of them is there so many seconds after the shot's first word, of those that keep to the "frame" or to
        the "picture", while the camera sees a window of that: each as a part of a picture as large as the frame, and
        the window on that."""
        out = []
        for inset in self.insets:
            if inset.keeps != keeps:
                continue
            until = self.seconds if inset.seconds is None else inset.begin + inset.seconds
            if not inset.begin <= seconds < until:
                continue
            share = (seconds - inset.begin) / max(0.01, until - inset.begin)
            coming = _eased((seconds - inset.begin) / IN) if inset.comes != "cut" else 1.0
            # One that stays until the end goes with its shot.
            going = 1.0 if inset.seconds is None else _eased((until - seconds) / OUT)
            x, y, zoom = _moved(inset, share, coming)
            if inset.keeps == "picture":
                near = layer_zoom(seen, KEEPS_AT)
                x, y = ((x - near.x) * near.zoom + 0.5, (y - near.y) * near.zoom + 0.5)
                zoom *= near.zoom
            x, y = self._settled(x, y, zoom)
            there = going * (1.0 if inset.comes in ("from left", "from right", "drop") else coming)
            page = self._page(inset)
            out.append(
                (faded(page, there), Window(0.5 - (x - 0.5) / zoom, 0.5 - (y - 0.5) / zoom, zoom))
            )
        return out

    def _page(self, inset: Inset) -> Planes:
        """The picture with its border, in the middle of a frame; its file is read once."""
        known = self._pages.get(inset)
        if known is not None:
            return known
        high = max(8, round(inset.size * self.height))
        wide = max(8, round(high * inset.shape))
        planes = _set(self.files(inset.media), wide, high, inset.border, inset.turn)
        tall, broad = planes.y.shape
        origin = ((self.width - broad) // 4 * 2, (self.height - tall) // 4 * 2)
        page = replace(planes, origin=origin, whole=(self.width, self.height))
        self._pages[inset] = page
        return page

    def _settled(self, x: float, y: float, zoom: float) -> tuple[float, float]:
        """Where nothing is enlarged pixels stay on pixels, so that a still inset is sharp."""
        if zoom != 1.0:
            return x, y
        return tuple(
            0.5 + round((at - 0.5) * side / 2) * 2 / side
            for at, side in ((x, self.width), (y, self.height))
        )  # type: ignore[return-value]


def _moved(inset: Inset, share: float, coming: float) -> tuple[float, float, float]:
    """Where an inset has its middle, and how many times its size it is, at a share of its time."""
    x, y = inset.x, inset.y
    if inset.to is not None:
        far = _eased(share)
        x, y = x + (inset.to[0] - x) * far, y + (inset.to[1] - y) * far
    zoom = 1.0 + inset.nearer * share
    left = 1 - coming
    if inset.comes == "rise":
        y += RISE * left
    elif inset.comes == "drop":
        y -= (inset.y + inset.size) * left
    elif inset.comes == "from left":
        x -= (inset.x + inset.size * inset.shape) * left
    elif inset.comes == "from right":
        x += (1 - inset.x + inset.size * inset.shape) * left
    elif inset.comes == "grow":
        zoom *= FROM + (1 - FROM) * coming
    return x, y, zoom


def _eased(share: float) -> float:
    share = min(1.0, max(0.0, share))
    return share * share * (3 - 2 * share)


@lru_cache(maxsize=12)
def _set(data: bytes, wide: int, high: int, border: Border, turn: float) -> Planes:
    """A picture file at a size, with its border and the shadow that it throws, turned."""
    with Image.open(io.BytesIO(data)) as opened:
        picture = opened.convert("RGBA").resize((wide, high), Image.Resampling.LANCZOS)
    framed = _bordered(picture, border)
    if turn:
        # Within some room, so that its edges are smooth.
        framed = ImageOps.expand(framed, FREE)
        framed = framed.rotate(-turn, Image.Resampling.BICUBIC, expand=True)
    if border != "none":
        framed = _shadowed(framed, max(1.5, min(wide, high) * 0.03))
    page = Image.new("RGBA", tuple((side + 2 * FREE + 1) // 2 * 2 for side in framed.size))  # type: ignore[arg-type]
    page.paste(framed, (FREE, FREE))
    return planes_of(np.array(page))


def _bordered(picture: Image.Image, border: Border) -> Image.Image:
    wide, high = picture.size
    small = min(wide, high)
    if border == "none":
        return picture
    if border == "round":
        return _round(picture, max(1, round(small * MAT * 0.6)))
    if border == "line":
        edge, colour = max(1, round(small * LINE)), INK
    else:
        edge, colour = max(2, round(small * MAT)), WHITE if border == "print" else SCRAP
    # A print is wider below, where it is held.
    low = round(edge * 2.6) if border == "print" else edge
    out = Image.new("RGBA", (wide + 2 * edge, high + edge + low), colour)
    out.alpha_composite(picture, (edge, edge))
    if border == "paper":
        out.putalpha(_torn(out.size, edge))
    return out


def _round(picture: Image.Image, edge: int) -> Image.Image:
    """The middle of a picture in a round window with a white rim; drawn four times as large, so that it is smooth."""
    side = min(picture.size)
    left, top = ((s - side) // 2 for s in picture.size)
    # Faces stand above the middle.
    top = round(top * 0.6)
    cut = picture.crop((left, top, left + side, top + side))
    whole = side + 2 * edge
    disc = Image.new("L", (whole * 4, whole * 4), 0)
    ImageDraw.Draw(disc).ellipse((2, 2, whole * 4 - 3, whole * 4 - 3), fill=255)
    inner = Image.new("L", (side * 4, side * 4), 0)
    ImageDraw.Draw(inner).ellipse((0, 0, side * 4 - 1, side * 4 - 1), fill=255)
    out = Image.new("RGBA", (whole, whole), WHITE)
    inside = inner.resize((side, side), Image.Resampling.LANCZOS)
    cut.putalpha(ImageChops.multiply(cut.getchannel("A"), inside))
    out.alpha_composite(cut, (edge, edge))
    out.putalpha(disc.resize((whole, whole), Image.Resampling.LANCZOS))
    return out


def _torn(size: tuple[int, int], edge: int) -> Image.Image:
    """Where a scrap of paper is: its edge wavers as one that was cut by hand."""
    wide, high = size
    reach = edge * 0.35
    rng = np.random.default_rng(wide * 10_007 + high)
    points = []
    corners = [(0, 0), (wide, 0), (wide, high), (0, high), (0, 0)]
    for (x0, y0), (x1, y1) in pairwise(corners):
        length = math.hypot(x1 - x0, y1 - y0)
        inward = ((y0 - y1) / length, (x1 - x0) / length)
        count = max(3, int(length / (edge * 3)))
        for n in range(count):
            by = reach * float(rng.random())
            x, y = x0 + (x1 - x0) * n / count, y0 + (y1 - y0) * n / count
            points.append((x + inward[0] * by, y + inward[1] * by))
    mask = Image.new("L", (wide * 2, high * 2), 0)
    ImageDraw.Draw(mask).polygon([(x * 2, y * 2) for x, y in points], fill=255)
    return mask.resize(size, Image.Resampling.LANCZOS)


def _shadowed(framed: Image.Image, soft: float) -> Image.Image:
    """On a soft shadow, a little lower."""
    room = round(soft * 3)
    size = (framed.width + 2 * room, framed.height + 2 * room)
    there = Image.new("L", size, 0)
    there.paste(framed.getchannel("A"), (room, room + round(soft * 0.7)))
    shade = Image.new("RGBA", size, (14, 11, 10, 0))
    shade.putalpha(there.filter(ImageFilter.GaussianBlur(soft)).point(lambda a: a * 0.5))
    shade.alpha_composite(framed, (room, room))
    return shade


def mark_planes(data: bytes, width: int, height: int, share: float, there: float) -> Planes:
    """A maker's mark from a picture file, `share` times as high as the frame's shorter side, there by so much."""
    with Image.open(io.BytesIO(data)) as opened:
        picture = opened.convert("RGBA")
    high = max(8, round(share * min(width, height)))
    wide = min(round(width * 0.3), max(8, round(high * picture.width / picture.height)))
    high = max(8, round(wide * picture.height / picture.width))
    return faded(planes_of(np.array(picture.resize((wide, high), Image.Resampling.LANCZOS))), there)
