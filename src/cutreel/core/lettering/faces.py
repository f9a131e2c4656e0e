"""The faces that ship with Cut Reel, at a size."""

from functools import lru_cache
from importlib.resources import files

from PIL import ImageFont

from cutreel.core.captions import Face

_FILES: dict[Face, str] = {"plain": "InstrumentSans-Bold.ttf", "book": "Literata-Regular.ttf"}
FAMILIES: dict[Face, str] = {"plain": "Instrument Sans", "book": "Literata"}
"""What the faces call themselves."""


def face_file(name: Face) -> str:
    """Where a face lies."""
    return str(files("cutreel.core.lettering") / "fonts" / _FILES[name])


@lru_cache(maxsize=64)
def face(name: Face, size: int) -> ImageFont.FreeTypeFont:
    """A face, so many pixels high."""
    return ImageFont.truetype(face_file(name), size)


def width_of(text: str, name: Face, size: float) -> float:
    """How wide a line is at a size."""
    return float(face(name, 100).getlength(text)) * size / 100


def wrapped(text: str, name: Face, size: float, room: float) -> list[str]:
    """A text in lines that find room; a word that is wider has a line of its own."""
    out: list[str] = []
    for paragraph in text.splitlines() or [""]:
        line = ""
        for word in paragraph.split():
            longer = f"{line} {word}".strip()
            if line and width_of(longer, name, size) > room:
                out.append(line)
                longer = word
            line = longer
        out.append(line)
    return out
