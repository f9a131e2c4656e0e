"""Faces that a maker brings: TrueType and OpenType files, looked at before they are kept."""

import io
from typing import NamedTuple

from fontTools.ttLib import TTFont, TTLibError
from PIL import ImageFont

from cutreel.core.errors import BadInput

LARGEST = 30_000_000
"""Bytes of a face: one with all Chinese letters has twenty million."""
FEWEST = 20
_COLLECTION, _WEB = b"ttcf", (b"wOFF", b"wOF2")
_SAMPLE = "Hamburg 123"


class BroughtFace(NamedTuple):
    """What a face calls itself, and what its file's name ends in (ttf, otf)."""

    name: str
    ending: str


def read_face(data: bytes) -> BroughtFace:
    """Look at a face. Raises BadInput where it is none, or none that can be set."""
    if data[:4] == _COLLECTION:
        raise BadInput("That file holds several faces.", "Bring each as a file of its own.")
    if data[:4] in _WEB:
        raise BadInput("That face is packed for web pages.", "Bring it as TTF or OTF.")
    try:
        with TTFont(io.BytesIO(data), lazy=True) as font:
            # What ends before its tables do is read by some as if it were whole.
            whole = all(t.offset + t.length <= len(data) for t in font.reader.tables.values())
            letters = font.getBestCmap() or {}
            name = font["name"].getDebugName(4) or font["name"].getDebugName(1) or ""
            ending = "otf" if "CFF " in font or "CFF2" in font else "ttf"
            outlined = ending == "otf" or "glyf" in font
        ImageFont.truetype(io.BytesIO(data), 40).getbbox(_SAMPLE)
    except (TTLibError, KeyError, AttributeError, OSError, ValueError, AssertionError) as error:
        raise BadInput("That is no face, or it is damaged.", "Bring a TTF or OTF file.") from error
    if not whole:
        raise BadInput("That is no face, or it is damaged.", "Bring a TTF or OTF file.")
    if not outlined or len(letters) < FEWEST:
        raise BadInput("That face has no letters with outlines.", "Bring another one.")
    return BroughtFace(" ".join(name.split()).removesuffix(" Regular")[:120], ending)
