"""Opening picture files from outside: whatever the format, what comes out is upright sRGB within
bounds."""

import io
import re
from typing import NamedTuple
from xml.etree import ElementTree

import defusedxml.ElementTree as safe
import resvg_py
from PIL import Image, ImageCms, ImageOps

from cutreel.core.errors import BadInput
from cutreel.core.pictures import is_openraster, lacks_rows, unpacked

MOST_PIXELS = 60_000_000
FORMATS = {"PNG", "JPEG", "WEBP", "AVIF"}
KNOWN = "PNG, JPEG, WebP, AVIF, SVG or OpenRaster"
SVG_WIDTH = 1920
MOST_SIDE = 2400
"""Pixels of a picture that is laid over others."""
_NUMBER = r"\d*\.?\d+(?:[eE][+-]?\d{1,3})?"
_LENGTH = re.compile(rf"\s*({_NUMBER})\s*(?:px|pt|pc|mm|cm|in|em|ex)?\s*$")
_LEFT_OUT = {"script", "foreignObject", "iframe", "audio", "video", "a", "animate", "set", "use"}


def opened(data: bytes, clear: bool = False) -> Image.Image:
    """A picture file as an upright RGB image in sRGB; with `clear` as RGBA, with what is transparent in it.
    Raises BadInput in words the maker can act on."""
    try:
        if is_openraster(data):
            data = unpacked(data).merged
        elif re.match(
            rb"\s*(?:<\?xml[^>]*>\s*)?(?:<!--.*?-->\s*)*(?:<!DOCTYPE[^>]*>\s*)?<svg\b",
            data[:4000],
            re.S,
        ):
            data = _drawn(data)
        with Image.open(io.BytesIO(data)) as image:
            if image.format not in FORMATS:
                raise BadInput(f"A {image.format} file cannot be used.", f"Bring {KNOWN}.")
            if image.width * image.height > MOST_PIXELS:
                raise _too_many(f"{image.width} by {image.height}")
            if lacks_rows(data):
                raise BadInput("That picture is damaged: rows are missing.", "Bring it again.")
            upright = ImageOps.exif_transpose(image)
            if clear:
                seen = upright.convert("RGBA").getchannel("A")
                out = _srgb(upright).convert("RGBA")
                out.putalpha(seen)
                return out
            return _srgb(upright)
    except BadInput:
        raise
    except Image.DecompressionBombError as error:
        raise _too_many(_count_in(str(error))) from error
    except MemoryError:
        raise  # is told by who gave the memory
    except Exception as error:
        raise BadInput(
            "That file is not a picture, or it is damaged.", f"Bring {KNOWN}."
        ) from error


def _too_many(pixels: str) -> BadInput:
    return BadInput(f"The picture has {pixels} pixels.", "Bring one of at most 60 million pixels.")


def _count_in(said: str) -> str:
    """How many pixels a reader says that it will not read."""
    found = re.search(r"\d+", said)
    return f"{int(found.group()):,}" if found else "too many"


def _srgb(image: Image.Image) -> Image.Image:
    """RGB on white, with the picture's own colour profile turned to sRGB."""
    profile = image.info.get("icc_profile")
    if image.mode in ("RGBA", "LA", "PA") or "transparency" in image.info:
        clear = image.convert("RGBA")
        image = Image.new("RGB", clear.size, (255, 255, 255))
        image.paste(clear, mask=clear.getchannel("A"))
    if profile:
        source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
        turned = ImageCms.profileToProfile(
            image, source, ImageCms.createProfile("sRGB"), outputMode="RGB"
        )
        if turned is not None:
            image = turned
    return image.convert("RGB")


def _drawn(data: bytes) -> bytes:
    """An SVG drawn 1,920 pixels wide, without scripts, links and anything from elsewhere."""
    if len(data) > 8_000_000:
        raise BadInput(
            "The SVG file is too large.", "Bring one of at most 8 megabytes, or a PNG of it."
        )
    root = safe.fromstring(data)
    for parent in root.iter():
        for child in list(parent):
            if _name(child) in _LEFT_OUT:
                parent.remove(child)
        for name in list(parent.attrib):
            value = parent.attrib[name]
            plain = name.rsplit("}", 1)[-1]
            if plain.startswith("on") or (
                plain in ("href", "src") and not value.startswith(("#", "data:image/"))
            ):
                del parent.attrib[name]
    high = SVG_WIDTH * _steepness(root)
    if high * SVG_WIDTH > MOST_PIXELS:
        raise _too_many(f"{SVG_WIDTH} by {high:.0f}")
    drawn = resvg_py.svg_to_bytes(
        svg_string=ElementTree.tostring(root, encoding="unicode"), width=SVG_WIDTH
    )
    return bytes(drawn)


def _steepness(root: ElementTree.Element) -> float:
    """How many times as high as wide a drawing says that it is (SVG 2, 8.2); 1 where it does not say."""
    sides = [_LENGTH.match(root.get(side, "")) for side in ("width", "height")]
    told = [float(found[1]) for found in sides if found]
    if len(told) < 2:
        box = re.findall(_NUMBER, root.get("viewBox", ""))
        told = [float(n) for n in box[2:4]]
    return told[1] / told[0] if len(told) == 2 and min(told) > 0 else 1.0


def _name(element: ElementTree.Element) -> str:
    return str(element.tag).rsplit("}", 1)[-1]


class ClearPicture(NamedTuple):
    """A picture as PNG, its width and height."""

    png: bytes
    width: int
    height: int


def clear_png(data: bytes) -> ClearPicture:
    """A picture file as PNG with what is transparent in it, no larger than a film needs it."""
    image = opened(data, clear=True)
    image.thumbnail((MOST_SIDE, MOST_SIDE))
    out = io.BytesIO()
    image.save(out, "PNG")
    return ClearPicture(out.getvalue(), image.width, image.height)
