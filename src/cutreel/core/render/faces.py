"""The faces that ship with Cut Reel, at a size."""

from functools import lru_cache
from importlib.resources import files

from PIL import ImageFont

from cutreel.core.captions import Face

_FILES: dict[Face, str] = {"plain": "InstrumentSans-Bold.ttf", "book": "Literata-Regular.ttf"}


@lru_cache(maxsize=64)
def face(name: Face, size: int) -> ImageFont.FreeTypeFont:
    """A face, so many pixels high."""
    return ImageFont.truetype(str(files("cutreel.core.render") / "fonts" / _FILES[name]), size)
