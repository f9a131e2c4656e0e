"""Captions as pictures: set in a style, the word that is said marked."""

from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from cutreel.core.captions import PLAIN, CaptionStyle
from cutreel.core.lettering import face_for, runs_leftwards

from .planes import Planes, planes_of

STEP, EDGE = 1.24, 0.13
"""From line to line, and how wide the edge around letters is, in sizes."""
PAD = 0.38
"""Around what stands in a box."""
MOST = 0.92
"""Of the frame's width that a line may take."""
SMALLER = 0.74
"""How large the letters of another language beneath a caption are, to its own."""
CLEAR = (20, 16, 14, 0)
Part = tuple[int, int, int]
"""A line by its place, and characters from which up to which something stands in it."""


def usual_size(width: int, height: int) -> float:
    """How high letters usually are in a frame, in pixels."""
    return min(height * 0.062, width * 0.055)


@lru_cache(maxsize=96)
def caption_planes(
    lines: tuple[str, ...],
    width: int,
    height: int,
    style: CaptionStyle = PLAIN,
    said: tuple[Part, ...] = (),
    stressed: tuple[Part, ...] = (),
    beneath: tuple[str, ...] = (),
) -> tuple[Planes, int, int]:
    """A caption for a frame of that size, the parts that are `said` marked, and those that are `stressed` in the same
    colour always; smaller, lines of another language `beneath` it. Returns planes and their top and left."""
    image = _set(lines, width, height, style, said, stressed)
    if beneath:
        under = _set(
            beneath, width, height, style.model_copy(update={"size": style.size * SMALLER})
        )
        image = _stacked(image, under, style.box is not None)
    w, h = image.size
    top = {
        "low": height - round(height * (0.055 if width >= height else 0.16)) - h,
        "middle": (height - h) // 2,
        "high": round(height * (0.06 if width >= height else 0.13)),
    }[style.place]
    return planes_of(np.asarray(image)), max(0, top // 2 * 2), (width - w) // 4 * 2


def _stacked(above: Image.Image, below: Image.Image, boxed: bool) -> Image.Image:
    """One picture of words above another, both in the middle; its sides are even."""
    gap = 4 if boxed else -2
    w, h = max(above.width, below.width), (above.height + below.height + gap) // 2 * 2
    image = Image.new("RGBA", (w, h), CLEAR)
    image.alpha_composite(above, ((w - above.width) // 2, 0))
    image.alpha_composite(below, ((w - below.width) // 2, max(0, h - below.height)))
    return image


def _set(
    lines: tuple[str, ...],
    width: int,
    height: int,
    style: CaptionStyle,
    said: tuple[Part, ...] = (),
    stressed: tuple[Part, ...] = (),
) -> Image.Image:
    """Lines as a picture, as large as they need; its sides are even."""
    shown = tuple(line.upper() for line in lines) if style.capitals else lines
    size = max(9, round(usual_size(width, height) * style.size))
    font = face_for(style.face, size, " ".join(shown))
    widest = max(font.getlength(line) for line in shown)
    if widest > width * MOST:
        size = max(8, int(size * width * MOST / widest))
        font = face_for(style.face, size, " ".join(shown))
        widest = max(font.getlength(line) for line in shown)
    edge = max(1, round(size * EDGE)) if style.edge else 0
    pad = round(size * PAD) if style.box or style.shadow or style.said == "box" else 0
    step = round(size * STEP)
    w = min(width, (int(widest) + 4 * edge + 2 * pad + 8) // 2 * 2)
    h = (step * len(lines) + 2 * edge + 2 * pad + 6) // 2 * 2
    return _drawn(shown, style, said, stressed, font, (w, h), edge, pad, step)


def _drawn(
    lines: tuple[str, ...],
    style: CaptionStyle,
    said: tuple[Part, ...],
    stressed: tuple[Part, ...],
    font: ImageFont.FreeTypeFont,
    size: tuple[int, int],
    edge: int,
    pad: int,
    step: int,
) -> Image.Image:
    w, h = size
    image = Image.new("RGBA", (w, h), CLEAR)
    draw = ImageDraw.Draw(image)
    if style.box:
        draw.rounded_rectangle((0, 0, w - 1, h - 1), pad, fill=_rgba(style.box, style.cover))
    starts = [w / 2 - font.getlength(line) / 2 for line in lines]
    tops = [edge + pad + 2 + step * n for n in range(len(lines))]

    def placed(parts: tuple[Part, ...]) -> list[tuple[int, float, str]]:
        return [
            (n, starts[n] + _before(lines[n], a, b, font), lines[n][a:b])
            for n, a, b in parts
            if n < len(lines)
        ]

    marked = placed(said)
    if style.said == "box":
        for n, x, text in marked:
            around = font.getbbox(text)
            draw.rounded_rectangle(
                (
                    x - pad / 2,
                    tops[n] - pad / 3,
                    x + font.getlength(text) + pad / 2,
                    tops[n] + max(around[3], font.size) + pad / 3,
                ),
                pad / 1.5,
                fill=_rgba(style.said_colour, 1.0),
            )
    if style.shadow:
        image = _shadowed(image, lines, starts, tops, font, pad)
        draw = ImageDraw.Draw(image)
    _lettered(draw, zip(starts, tops, lines, strict=True), font, style.colour, style.edge, edge)
    # On a box of that colour it would not be read.
    free = tuple(p for p in stressed if not (style.said == "box" and p in said))
    strong = [(x, tops[n], text) for n, x, text in placed(free)]
    _lettered(draw, strong, font, style.said_colour, style.edge, edge)
    if style.said in ("colour", "so far"):
        there = [(x, tops[n], text) for n, x, text in marked]
        _lettered(draw, there, font, style.said_colour, style.edge, edge)
    return image


def _before(line: str, a: int, b: int, font: ImageFont.FreeTypeFont) -> float:
    """How far from a line's left end its characters from `a` up to `b` stand."""
    if runs_leftwards(line):
        return float(font.getlength(line) - font.getlength(line[:b]))
    return float(font.getlength(line[:a]))


def _lettered(
    draw: ImageDraw.ImageDraw,
    there: "Sequence[tuple[float, int, str]] | zip[tuple[float, int, str]]",
    font: ImageFont.FreeTypeFont,
    colour: str,
    rim: str | None,
    edge: int,
) -> None:
    for x, top, text in there:
        draw.text(
            (x, top),
            text,
            font=font,
            anchor="la",
            fill=_rgba(colour, 1.0),
            stroke_width=edge,
            stroke_fill=_rgba(rim, 0.92) if rim else None,
        )


def _shadowed(
    image: Image.Image,
    lines: Sequence[str],
    starts: Sequence[float],
    tops: Sequence[int],
    font: ImageFont.FreeTypeFont,
    pad: int,
) -> Image.Image:
    shade = Image.new("RGBA", image.size, (12, 10, 9, 0))
    draw = ImageDraw.Draw(shade)
    off = max(1, pad // 6)
    for x, top, line in zip(starts, tops, lines, strict=True):
        draw.text(
            (x + off, top + off),
            line,
            font=font,
            anchor="la",
            fill=(12, 10, 9, 255),
            stroke_width=1,
        )
    soft = shade.filter(ImageFilter.GaussianBlur(max(1.0, pad / 3)))
    twice = Image.alpha_composite(soft, soft)
    return Image.alpha_composite(twice, image)


def _rgba(colour: str, cover: float) -> tuple[int, int, int, int]:
    r, g, b = (int(colour[i : i + 2], 16) for i in (1, 3, 5))
    return r, g, b, round(cover * 255)
