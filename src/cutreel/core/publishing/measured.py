"""What is left of a thumbnail at the size at which people meet it: 168 pixels wide."""

from typing import NamedTuple

import numpy as np
from PIL import Image
from scipy.ndimage import binary_dilation

from .thumbnail import Drawn

SMALL = 168
"""Pixels across, in a list of films on a screen."""
RING = 2
"""Pixels around letters that they are read against."""


class ThumbnailMeasures(NamedTuple):
    """At that size: how many times as bright letters are as what is around them (WCAG 2.2, 1 … 21), how high a capital
    and the largest face are in pixels; how many words there are, and what share of them a figure hides; how many bytes
    the picture has as a file."""

    contrast: float | None
    capital: float | None
    hidden: float
    face: float | None
    words: int
    bytes: int


AIMS = {
    "contrast": 4.5,
    "capital": 9.0,
    "hidden": 0.12,
    "face": 24.0,
    "words": 4,
    "bytes": 2_000_000,
}
"""Contrast: WCAG 2.2, 1.4.3. The others are common practice: at least so high, at most so many."""


def measured(drawn: Drawn, words: str, face: float | None, size: int) -> ThumbnailMeasures:
    """Measure a thumbnail; `face` is the height of its largest face as a share of its height, `size` its bytes."""
    share = SMALL / drawn.picture.width
    high = max(1, round(drawn.picture.height * share))
    count = len(words.split())
    return ThumbnailMeasures(
        contrast=_contrast(drawn, high) if count else None,
        capital=round(drawn.capital * share, 1) if count else None,
        hidden=round(drawn.hidden, 2),
        face=None if face is None else round(face * high, 1),
        words=count,
        bytes=size,
    )


def _contrast(drawn: Drawn, high: int) -> float | None:
    small = np.asarray(drawn.picture.resize((SMALL, high), Image.Resampling.BOX))
    mask = np.asarray(Image.fromarray(drawn.letters).resize((SMALL, high), Image.Resampling.BOX))
    letters = mask > 150
    if not letters.any():
        return None
    around = binary_dilation(letters, iterations=RING) & (mask < 60)
    if not around.any():
        return None
    light = luminance(small)
    one, other = float(np.median(light[letters])), float(np.median(light[around]))
    return round((max(one, other) + 0.05) / (min(one, other) + 0.05), 1)


def luminance(rgb: "np.typing.NDArray[np.uint8]") -> "np.typing.NDArray[np.float64]":
    """The relative luminance of sRGB pixels (WCAG 2.2), of shape (…, 3): 0 … 1."""
    s = rgb.astype(np.float64) / 255
    linear = np.where(s <= 0.04045, s / 12.92, ((s + 0.055) / 1.055) ** 2.4)
    weights = np.array([0.2126, 0.7152, 0.0722])
    out: np.typing.NDArray[np.float64] = linear @ weights
    return out
