"""A composition guide: the masses of a rough sketch, which the cast then follows. Dark masses stand
in front; the top of what is half dark and reaches the bottom is the ground."""

import io
from dataclasses import dataclass

import numpy as np
from PIL import Image
from scipy.ndimage import find_objects, label

DARK, HALF = 96, 208
LEAST = 0.004
"""Grey values below which a mass is dark or half dark, and the share of the frame below which one
is a slip of the pen."""


@dataclass(frozen=True)
class Mass:
    """A dark mass: its middle, its top and its foot as shares of the frame."""

    x: float
    top: float
    foot: float


@dataclass(frozen=True)
class Masses:
    """What a sketch asks for: masses by size, the largest first, and where the ground begins, if it
    says."""

    dark: tuple[Mass, ...] = ()
    ground: float | None = None
    strength: float = 0.0


def masses_of(sketch: bytes, strength: float) -> Masses:
    """Read a sketch (any picture Pillow opens)."""
    with Image.open(io.BytesIO(sketch)) as image:
        flat = Image.new("RGBA", image.size, "white")
        flat.alpha_composite(image.convert("RGBA"))
        grey = np.asarray(flat.convert("L").resize((192, 108), Image.Resampling.BOX))
    high, wide = grey.shape
    found, _ = label(grey < DARK)
    boxes = []
    for number, spot in enumerate(find_objects(found), 1):
        area = int((found[spot] == number).sum())
        if area >= LEAST * grey.size:
            boxes.append((area, Mass((spot[1].start + spot[1].stop) / 2 / wide, spot[0].start / high, spot[0].stop / high)))
    boxes.sort(key=lambda pair: -pair[0])
    half = (grey >= DARK) & (grey < HALF)
    ground = None
    if half[-2:].mean() > 0.4:
        rows = np.flatnonzero(half.mean(axis=1) > 0.4)
        ground = float(rows[0]) / high
    return Masses(tuple(m for _, m in boxes[:8]), ground, strength)
