"""A figure cut out of one picture and laid into another, its light adapted to where it comes."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from scipy.ndimage import label

from cutreel.core.colour import lab_of, srgb_of
from cutreel.core.errors import BadInput

SOLID = 0.5
"""What is less opaque than this is a shadow or a glow, and not the figure."""


@dataclass(frozen=True, slots=True)
class Placing:
    """Where a cut-out goes: the middle of its foot and its height, as shares of the frame; turned
    round; and how far its light is adapted (0 … 1)."""

    x: float
    y: float
    height: float
    flip: bool = False
    light: float = 0.7


def cut_out(pixels: NDArray[np.uint8], share: NDArray[np.float32]) -> NDArray[np.uint8]:
    """A figure (height, width, 4) from a picture (height, width, 3) and what of each pixel is the
    figure's (0 … 1), trimmed to what there is. Raises BadInput when there is nothing."""
    rows, columns = np.flatnonzero((share > 0).any(1)), np.flatnonzero((share > 0).any(0))
    if not len(rows) or share.mean() < 1e-4:
        raise BadInput("There is nothing to cut out.", "Mark the figure first.")
    part = (slice(rows[0], rows[-1] + 1), slice(columns[0], columns[-1] + 1))
    alpha = np.round(share[part][..., None] * 255).astype(np.uint8)
    return np.concatenate([pixels[part][..., :3], alpha], axis=2)


def figure_share(
    layer: NDArray[np.uint8], box: tuple[float, float, float, float]
) -> NDArray[np.float32]:
    """What of each pixel belongs to a figure, from the layer (height, width, 4) that it was drawn
    on and its box in shares: what is solid and hangs together with most of itself in the box, an
    arm stretched out of it too."""
    high, wide = layer.shape[:2]
    alpha = layer[..., 3].astype(np.float32) / 255
    left, top, right, bottom = box
    inside = np.zeros(alpha.shape, bool)
    inside[
        int(top * high) : math.ceil(bottom * high) + 1,
        int(left * wide) : math.ceil(right * wide) + 1,
    ] = True
    pieces, count = label(alpha >= SOLID)
    whole = np.bincount(pieces.ravel(), minlength=count + 1)
    within = np.bincount(pieces[inside], minlength=count + 1)
    own = within > 0.5 * whole
    own[0] = False
    # A piece that lies mostly elsewhere is somebody else's, or two who touch: of it, what is in the
    # box.
    share: NDArray[np.float32] = np.where(own[pieces] | ((pieces > 0) & inside), alpha, 0).astype(
        np.float32
    )
    return share


def placed(base: NDArray[np.uint8], figure: NDArray[np.uint8], where: Placing) -> NDArray[np.uint8]:
    """`base` (height, width, 3) with a cut-out (h, w, 4) laid into it; pixels beyond the figure are
    the very same."""
    high, wide = base.shape[:2]
    tall = max(2, round(where.height * high))
    broad = max(2, round(figure.shape[1] * tall / figure.shape[0]))
    # Colours are weighted by their opacity before they are scaled, or the edge would take on what
    # lies behind it.
    colour = _scaled(figure[..., :3].astype(np.float32) * (figure[..., 3:] / 255.0), (broad, tall))
    share = _scaled(figure[..., 3:].astype(np.float32) / 255.0, (broad, tall))
    colour = np.where(share > 1e-3, colour / np.maximum(share, 1e-3), 0).clip(0, 255)
    if where.flip:
        colour, share = colour[:, ::-1], share[:, ::-1]
    left, top = round(where.x * wide - broad / 2), round(where.y * high) - tall
    x0, y0, x1, y1 = max(0, left), max(0, top), min(wide, left + broad), min(high, top + tall)
    if x0 >= x1 or y0 >= y1:
        raise BadInput("The figure would stand outside the picture.", "Move it back inside.")
    part, own = (
        (slice(y0, y1), slice(x0, x1)),
        (slice(y0 - top, y1 - top), slice(x0 - left, x1 - left)),
    )
    colour, share = colour[own], share[own]
    if where.light > 0:
        colour = relit(colour, share[..., 0], base, part, where.light)
    out = base.copy()
    under = base[part].astype(np.float32)
    out[part] = np.round(under + (colour - under) * share).astype(np.uint8)
    return out


def relit(
    colour: NDArray[np.float32],
    share: NDArray[np.float32],
    base: NDArray[np.uint8],
    part: tuple[slice, slice],
    strength: float,
) -> NDArray[np.float32]:
    """A figure's colours moved toward the light of the place: its mean lightness half way and its
    mean tint a third of the way to those of what lies around it (CIELAB), by `strength`. Its own
    contrasts stay."""
    high, wide = base.shape[:2]
    margin = max(8, (part[0].stop - part[0].start) // 4)
    rows = slice(max(0, part[0].start - margin), min(high, part[0].stop + margin))
    columns = slice(max(0, part[1].start - margin), min(wide, part[1].stop + margin))
    around = lab_of(base[rows, columns][::3, ::3]).reshape(-1, 3).mean(0)
    lab = lab_of(colour)
    weights = np.maximum(share, 1e-6)
    own = (lab * weights[..., None]).sum((0, 1)) / weights.sum()
    lab += (around - own) * np.array([0.5, 0.33, 0.33]) * strength
    out: NDArray[np.float32] = srgb_of(lab).astype(np.float32)
    return out


def _scaled(pixels: NDArray[np.floating], size: tuple[int, int]) -> NDArray[np.float32]:
    bands = [
        np.asarray(
            Image.fromarray(np.ascontiguousarray(pixels[..., i], np.float32)).resize(
                size, Image.Resampling.BOX
            )
        )
        for i in range(pixels.shape[2])
    ]
    return np.stack(bands, axis=2)
