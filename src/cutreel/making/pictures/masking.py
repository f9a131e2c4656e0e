"""Masks that were drawn for a picture: opened apart, brought to its size, kept."""

import io
from threading import Lock

import numpy as np
from cachetools import LRUCache, cached
from PIL import Image

from cutreel.core.errors import BadInput

from ..apart import reader
from ..workshop import Workshop
from .opening import opened

LEAST_SHARE = 0.0005
"""A mask of less than this share of the picture is nothing anybody meant."""


def kept_mask(data: bytes, width: int, height: int, shop: Workshop) -> str:
    """Keep a mask that was drawn for a picture of a size; returns its media name. Raises BadInput
    for an empty one."""
    return shop.media.put(reader.read(masked, data, width, height), "png")


def masked(data: bytes, width: int, height: int) -> bytes:
    """A mask from outside as a PNG of black and white. Raises BadInput for an empty one, and for
    what is no picture."""
    image = opened(data).convert("L").resize((width, height), Image.Resampling.NEAREST)
    mask = np.asarray(image) >= 128
    if mask.mean() < LEAST_SHARE:
        raise BadInput("Nothing is marked.", "Paint or box what is to change.")
    out = io.BytesIO()
    Image.fromarray(mask.astype(np.uint8) * 255).save(out, "PNG")
    return out.getvalue()


Box = tuple[float, float, float, float]
_KNOWN: LRUCache[str, Box] = LRUCache(4096)


@cached(_KNOWN, key=lambda shop, media: media, lock=Lock())
def box_of_mask(shop: Workshop, media: str) -> Box:
    """Where a kept mask marks anything: left, top, right, bottom in shares of the picture."""
    with Image.open(io.BytesIO(shop.media.get(media))) as image:
        found = image.convert("L").point(lambda v: 255 if v >= 128 else 0).getbbox()
        left, top, right, bottom = found or (0, 0, *image.size)
        return left / image.width, top / image.height, right / image.width, bottom / image.height
