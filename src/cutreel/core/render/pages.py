"""Words set as pictures: captions, and the paper page that stands in for a picture that is not made
yet."""

from functools import lru_cache
from importlib.resources import files

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFont

from .planes import Planes, planes_of

U8 = NDArray[np.uint8]
PAPER, RULE, INK, FAINT = (250, 246, 236), (223, 213, 194), (39, 35, 32), (148, 138, 120)


@lru_cache(maxsize=64)
def _font(name: str, size: int) -> ImageFont.FreeTypeFont:
    return ImageFont.truetype(str(files("cutreel.core.render") / "fonts" / name), size)


@lru_cache(maxsize=48)
def caption_planes(lines: tuple[str, ...], width: int, height: int) -> tuple[Planes, int, int]:
    """A caption for a frame of that size: bold, light with a dark edge. Returns planes and their
    top and left."""
    size: int = max(9, round(min(height * 0.062, width * 0.055)))
    font = _font("InstrumentSans-Bold.ttf", size)
    edge = max(1, round(size * 0.13))
    widest = max(font.getlength(line) for line in lines)
    most = width * 0.92
    if widest > most:
        size = max(8, int(size * most / widest))
        font, edge = _font("InstrumentSans-Bold.ttf", size), max(1, round(size * 0.13))
        widest = max(font.getlength(line) for line in lines)
    step = round(size * 1.24)
    w = min(width, (int(widest) + 4 * edge + 8) // 2 * 2)
    h = (step * len(lines) + 2 * edge + 6) // 2 * 2
    image = Image.new("RGBA", (w, h), (20, 16, 14, 0))
    draw = ImageDraw.Draw(image)
    for i, line in enumerate(lines):
        draw.text(
            (w / 2, edge + 2 + step * i),
            line,
            font=font,
            anchor="ma",
            fill=(252, 249, 240, 255),
            stroke_width=edge,
            stroke_fill=(24, 19, 17, 235),
        )
    bottom = round(height * (0.055 if width >= height else 0.16))
    top = (height - bottom - h) // 2 * 2
    return planes_of(np.asarray(image)), max(0, top), (width - w) // 4 * 2


def paper_page(words: str, edge: str, width: int, height: int) -> U8:
    """The shot's own words on paper, for a picture that is not made yet. Shape (height, width,
    3)."""
    image = Image.new("RGB", (width, height), PAPER)
    draw = ImageDraw.Draw(image)
    short = min(width, height)
    for y in range(0, height, max(8, short // 14)):
        draw.line([(0, y), (width, y)], fill=RULE)
    draw.line(
        [(width * 0.09, 0), (width * 0.09, height)],
        fill=(226, 176, 160),
        width=max(1, short // 300),
    )
    size = max(10, short // 13)
    room = width * 0.74
    while size > 9:
        font = _font("Literata-Regular.ttf", size)
        lines = _wrapped(words, font, room)
        if len(lines) * size * 1.4 < height * 0.72:
            break
        size = int(size * 0.88)
    step = size * 1.4
    top = (height - step * len(lines)) / 2
    draw.text(
        (width * 0.045, top),
        edge,
        font=_font("InstrumentSans-Bold.ttf", max(9, size // 2)),
        fill=FAINT,
        anchor="ma",
    )
    for i, line in enumerate(lines):
        draw.text((width * 0.13, top + step * i), line, font=font, fill=INK)
    return np.asarray(image)


def _wrapped(words: str, font: ImageFont.FreeTypeFont, room: float) -> list[str]:
    lines = [""]
    for word in words.split():
        longer = f"{lines[-1]} {word}".strip()
        if font.getlength(longer) <= room or not lines[-1]:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines
