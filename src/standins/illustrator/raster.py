"""From SVG layers to PNG bytes, with the grain of the paper."""

import io
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image, PngImagePlugin
from scipy.ndimage import gaussian_filter

from .compose import draw
from .references import Reference, note_of
from .renderings import PAPER, SLATE

_GRAIN = {"cut-paper": 0.055, "ink-wash": 0.05, "stick-figures": 0.012, "shadow-theatre": 0.05, "screen-print": 0.03,
          "chalk-slate": 0.06, "clay": 0.03, "toned-pencil": 0.06}


@dataclass(frozen=True)
class Picture:
    """A painted picture: the flat PNG, and its layers from back to front as (PNG, depth)."""

    flat: bytes
    layers: list[tuple[bytes, float]]
    regions: list[dict[str, object]]
    unused: list[str]


def paint(
    prompt: str, seed: int, width: int, height: int, references: Sequence[Reference] = (), negative: str = "",
    lighter: Sequence[str] = (), bare: bool = False,
) -> Picture:
    """Draw `prompt` at `width` by `height` pixels, without what `negative` names; phrases that weigh less (`lighter`)
    are left out where figures are small; `bare` leaves the place alone. The same arguments give the same bytes."""
    drawing = draw(prompt, seed, width / height, references, negative, lighter, bare)
    grain = _grain(width, height, drawing.look == "cut-paper")[..., None] * _GRAIN[drawing.look]
    flat: NDArray[np.floating] | None = None
    layers: list[tuple[bytes, float]] = []
    for svg, depth in drawing.layers:
        data = resvg_py.svg_to_bytes(svg_string=svg, width=width, height=height)
        pixels = np.asarray(Image.open(io.BytesIO(bytes(data))).convert("RGBA")).astype(np.float32)
        if pixels.shape[:2] != (height, width):
            pixels = np.asarray(Image.fromarray(pixels.astype(np.uint8)).resize((width, height))).astype(np.float32)
        pixels = _textured(pixels, drawing.look)
        pixels[..., :3] = np.clip(pixels[..., :3] * (1 + grain), 0, 255)
        if flat is None:
            pixels[..., 3] = 255
            flat = pixels[..., :3].copy()
        else:
            alpha = pixels[..., 3:] / 255
            flat = flat * (1 - alpha) + pixels[..., :3] * alpha
        layers.append((_png(pixels.astype(np.uint8) if layers else pixels[..., :3].astype(np.uint8)), depth))
    assert flat is not None
    return Picture(_png(flat.round().astype(np.uint8), note_of(drawing.figures, prompt, seed)), layers, drawing.regions, drawing.unused)


def _textured(pixels: NDArray[np.float32], look: str) -> NDArray[np.float32]:
    """What a medium does to a whole layer: inks out of register, chalk that lets the slate through."""
    height, width = pixels.shape[:2]
    if look == "screen-print":
        off = max(1, height // 300)
        pixels[..., 0] = np.roll(pixels[..., 0], (off, -off), (0, 1))
        pixels[..., 2] = np.roll(pixels[..., 2], (-off, off), (0, 1))
        worn = _grain(width, height, False) > 1.45
        pixels[worn, :3] = pixels[worn, :3] * 0.45 + np.array(PAPER, np.float32) * 0.55
    elif look == "chalk-slate":
        through = np.clip(_grain(width, height, False) * 0.26 + 0.04, 0, 0.5)[..., None]
        pixels[..., :3] = pixels[..., :3] * (1 - through) + np.array(SLATE, np.float32) * through
    return pixels


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


def _png(pixels: NDArray[np.uint8], note: PngImagePlugin.PngInfo | None = None) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", compress_level=1, pnginfo=note)
    return out.getvalue()
