"""Words on the screen as pictures: set once, then let in and out."""

from dataclasses import replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from cutreel.core.lettering import face
from cutreel.core.titles import PLACES, CardSort, TitleLook

from .planes import Planes, planes_of

U8 = NDArray[np.uint8]
SIZES: dict[CardSort, float] = {"title": 0.115, "chapter": 0.085, "place": 0.06, "end": 0.085}
"""How high letters are, in heights of the frame (of an upright one: of its width)."""
MARGIN = 0.07
"""Of the frame that nothing comes into: the safe margin for titles is a tenth less on each side (EBU R 95: 5 %)."""
SMALLER = 0.58
"""How high lines behind the first are beside it."""
IN, OUT, RISE, LETTERS = 0.6, 0.5, 0.035, 18.0
"""Seconds in which words come and go; by how many heights of the frame they rise; letters a second."""


@lru_cache(maxsize=24)
def card_planes(
    lines: tuple[str, ...],
    sort: CardSort,
    look: TitleLook,
    width: int,
    height: int,
    letters: int = 999,
    middle: float | None = None,
) -> tuple[Planes, int, int]:
    """Words for a frame of that size, or their first so many `letters`, with their `middle` so far down. Returns
    planes and their top and left."""
    size = max(10, round(SIZES[sort] * min(height, width * 0.8) * look.size))
    room = width * (1 - 2 * MARGIN)
    while True:
        laid = _laid(lines, look, size, room)
        if size <= 10 or len(laid) <= 3 * len(lines):
            break
        size = round(size * 0.85)
    pad = round(size * 0.5)
    step = [round(font.size * 1.25) for _, font in laid]
    w = min(width, (round(max(_wide(t, f, look) for t, f in laid)) + 2 * pad + 8) // 2 * 2)
    h = (sum(step) + 2 * pad) // 2 * 2
    image = Image.new("RGBA", (w, h), (20, 16, 14, 0))
    draw = ImageDraw.Draw(image)
    if look.sheet:
        draw.rectangle((0, 0, w - 1, h - 1), fill=_rgb(look.sheet))
    left_hand = sort == "place"
    left = letters
    tops = np.cumsum([pad, *step[:-1]]).tolist()
    shade = Image.new("RGBA", image.size, (12, 10, 9, 0))
    for (text, font), top in zip(laid, tops, strict=True):
        x = pad if left_hand else (w - _wide(text, font, look)) / 2
        for on in ([] if look.sheet else [ImageDraw.Draw(shade)]) + [draw]:
            _spaced(on, text[:left], font, look, x, top, on is not draw)
        left = max(0, left - len(text))
    if not look.sheet:
        soft = shade.filter(ImageFilter.GaussianBlur(max(1.0, size / 9)))
        image = Image.alpha_composite(Image.alpha_composite(soft, soft), image)
    top = round((PLACES[sort][0] if middle is None else middle) * height - h / 2)
    at = round(MARGIN * width) - pad if left_hand else (width - w) // 2
    low, right = height - h - round(MARGIN * height * 0.6), width - w
    return (
        planes_of(np.asarray(image)),
        max(0, min(top, low)) // 2 * 2,
        max(0, min(at, right)) // 2 * 2,
    )


def _laid(
    lines: tuple[str, ...], look: TitleLook, size: int, room: float
) -> list[tuple[str, ImageFont.FreeTypeFont]]:
    """Lines that find room, each with its face: what is too long goes on below."""
    out: list[tuple[str, ImageFont.FreeTypeFont]] = []
    for n, line in enumerate(lines):
        font = face(look.face, max(9, round(size * (SMALLER if n else 1))))
        text = ""
        for word in (line.upper() if look.capitals else line).split():
            longer = f"{text} {word}".strip()
            if text and _wide(longer, font, look) > room:
                out.append((text, font))
                longer = word
            text = longer
        out.append((text, font))
    return out


def _wide(text: str, font: ImageFont.FreeTypeFont, look: TitleLook) -> float:
    return font.getlength(text) + look.apart * font.size * max(0, len(text) - 1)


def _spaced(
    draw: ImageDraw.ImageDraw,
    text: str,
    font: ImageFont.FreeTypeFont,
    look: TitleLook,
    x: float,
    top: int,
    shade: bool,
) -> None:
    fill = (12, 10, 9, 255) if shade else _rgb(look.colour)
    parts = [(0.0, text)] if not look.apart else []
    if look.apart:
        at = 0.0
        for letter in text:
            parts.append((at, letter))
            at += font.getlength(letter) + look.apart * font.size
    for at, part in parts:
        draw.text(
            (x + at, top), part, font=font, anchor="la", fill=fill, stroke_width=1 if shade else 0
        )


def faded(planes: Planes, share: float) -> Planes:
    """Words that are there by a share of themselves."""
    if share >= 1:
        return planes
    assert planes.alpha is not None and planes.alpha_half is not None

    def less(plane: U8, middle: int = 0) -> U8:
        out: U8 = np.rint((plane.astype(np.float32) - middle) * share + middle).astype(np.uint8)
        return out

    return replace(
        planes,
        y=less(planes.y),
        u=less(planes.u, 128),
        v=less(planes.v, 128),
        alpha=less(planes.alpha),
        alpha_half=less(planes.alpha_half),
    )


def _rgb(colour: str) -> tuple[int, int, int, int]:
    r, g, b = (int(colour[i : i + 2], 16) for i in (1, 3, 5))
    return r, g, b, 255
