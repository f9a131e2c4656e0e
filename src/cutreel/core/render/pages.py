"""The paper page that stands in for a picture that is not made yet."""

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFont

from cutreel.core.lettering import face

U8 = NDArray[np.uint8]
PAPER, RULE, INK, FAINT = (250, 246, 236), (223, 213, 194), (39, 35, 32), (148, 138, 120)


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
        font = face("book", size)
        lines = _wrapped(words, font, room)
        if len(lines) * size * 1.4 < height * 0.72:
            break
        size = int(size * 0.88)
    step = size * 1.4
    top = (height - step * len(lines)) / 2
    draw.text(
        (width * 0.045, top), edge, font=face("plain", max(9, size // 2)), fill=FAINT, anchor="ma"
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
