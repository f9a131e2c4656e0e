"""From SVG layers to PNG bytes, with the grain of the paper."""

import io
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image
from scipy.ndimage import gaussian_filter

from .compose import draw

_GRAIN = {"cut-paper": 0.055, "ink-wash": 0.05, "stick-figures": 0.012, "shadow-theatre": 0.05}


@dataclass(frozen=True)
class Picture:
    """A painted picture: the flat PNG, and its layers from back to front as (PNG, depth)."""

    flat: bytes
    layers: list[tuple[bytes, float]]
    regions: list[dict[str, object]]
    unused: list[str]


def paint(prompt: str, seed: int, width: int, height: int) -> Picture:
    """Draw `prompt` at `width` by `height` pixels. The same arguments give the same bytes."""
    drawing = draw(prompt, seed, width / height)
    grain = _grain(width, height, drawing.look == "cut-paper")[..., None] * _GRAIN[drawing.look]
    flat: NDArray[np.floating] | None = None
    layers: list[tuple[bytes, float]] = []
    for svg, depth in drawing.layers:
        data = resvg_py.svg_to_bytes(svg_string=svg, width=width, height=height)
        pixels = np.asarray(Image.open(io.BytesIO(bytes(data))).convert("RGBA")).astype(np.float32)
        if pixels.shape[:2] != (height, width):
            pixels = np.asarray(Image.fromarray(pixels.astype(np.uint8)).resize((width, height))).astype(np.float32)
        pixels[..., :3] = np.clip(pixels[..., :3] * (1 + grain), 0, 255)
        if flat is None:
            pixels[..., 3] = 255
            flat = pixels[..., :3].copy()
        else:
            alpha = pixels[..., 3:] / 255
            flat = flat * (1 - alpha) + pixels[..., :3] * alpha
        layers.append((_png(pixels.astype(np.uint8) if layers else pixels[..., :3].astype(np.uint8)), depth))
    assert flat is not None
    return Picture(_png(flat.round().astype(np.uint8)), layers, drawing.regions, drawing.unused)


@lru_cache(maxsize=8)
def _grain(width: int, height: int, fibres: bool) -> NDArray[np.float32]:
    """The paper's tooth, about -1 … 1, the same for every picture of a size; with fibres for cut sheets."""
    rng = np.random.default_rng(7)
    fine = rng.standard_normal((height, width)).astype(np.float32)
    tooth = gaussian_filter(fine, 1.1) * 2.2 + gaussian_filter(rng.standard_normal((height, width)).astype(np.float32), 6) * 5
    if fibres:
        long = gaussian_filter(rng.standard_normal((height, width)).astype(np.float32), (0.7, 9)) * 2.6
        tooth = tooth * 0.6 + long * 0.7
    out: NDArray[np.float32] = np.clip(tooth, -1.6, 1.6).astype(np.float32)
    return out


def _png(pixels: NDArray[np.uint8]) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", compress_level=1)
    return out.getvalue()
