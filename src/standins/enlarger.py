"""The enlarger: a picture made larger, its edges sharpened again, a tooth laid over what would look
too smooth."""

import io
from typing import Literal

import numpy as np
from PIL import Image
from scipy.ndimage import gaussian_filter

MOST_PIXELS = 40_000_000


def enlarged(data: bytes, factor: Literal[2, 4]) -> bytes:
    """The picture (any that Pillow opens) as a PNG, `factor` times as wide and high. ValueError
    when too large."""
    with Image.open(io.BytesIO(data)) as image:
        mode = "RGBA" if "A" in image.getbands() else "RGB"
        whole = image.convert(mode)
    wide, high = whole.width * factor, whole.height * factor
    if wide * high > MOST_PIXELS:
        raise ValueError(f"{wide} by {high} pixels are too many")
    pixels = np.asarray(whole.resize((wide, high), Image.Resampling.LANCZOS)).astype(np.float32)
    colour = pixels[..., :3]
    soft = gaussian_filter(colour, (factor * 0.6, factor * 0.6, 0))
    colour = colour + (colour - soft) * 0.9
    tooth = np.random.default_rng(factor).standard_normal((high, wide)).astype(np.float32)
    colour += gaussian_filter(tooth, 0.8)[..., None] * 2.2
    out = np.concatenate([colour, pixels[..., 3:]], axis=2) if mode == "RGBA" else colour
    png = io.BytesIO()
    Image.fromarray(np.clip(out, 0, 255).round().astype(np.uint8)).save(
        png, "PNG", compress_level=1
    )
    return png.getvalue()
