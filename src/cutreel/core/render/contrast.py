"""How well words on the screen stand out from what is around their letters, as a viewer sees it."""

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import binary_dilation

from cutreel.core.titles import TitleLook

from .carded import Laid
from .planes import yuv_of

U8 = NDArray[np.uint8]
LEAST_CONTRAST = 3.0
"""WCAG 2.2, 1.4.3: large letters need 3 to 1."""
LIKE = 26
"""How near to their colour (of 219 steps of brightness) the pixels of letters are."""
LEAST_SEEN = 150
"""By how much brighter a pixel is where it is a white letter's and not a black one's."""
ROUND = 2
"""Pixels around letters that they must stand out from."""
WORST = 0.85
"""The share of what is around letters that is looked at up to its lightest, or down to its darkest: a speck harms
nobody."""


def contrast_of(frame: U8, words: Laid, look: TitleLook) -> float | None:
    """The contrast (1 … 21) of letters with what is around them in a finished frame's brightness (studio range, shape
    (height, width)); None where no letters are seen. By the relative luminance of WCAG 2.2, of grey."""
    alpha = words.planes.alpha
    assert alpha is not None
    high, wide = alpha.shape
    seen = frame[words.top : words.top + high, words.left : words.left + wide].astype(np.float32)
    own = words.planes.y.astype(np.float32) / np.maximum(1, alpha.astype(np.float32) / 255)
    colour = yuv_of(look.colour)[0]
    return _contrast(seen, (alpha > 200) & (np.abs(own - colour) < LIKE))


def contrast_between(frame: U8, dark: U8, light: U8) -> float | None:
    """The same of letters that are somewhere in a frame, which is known with them in black and in white too: where
    these differ they are seen."""
    return _contrast(
        frame.astype(np.float32), light.astype(np.int16) - dark.astype(np.int16) > LEAST_SEEN
    )


def _contrast(seen: NDArray[np.float32], letters: NDArray[np.bool_]) -> float | None:
    """The contrast of letters with what is around them."""
    around = binary_dilation(letters, iterations=ROUND) & ~binary_dilation(letters, iterations=1)
    if letters.sum() < 12 or not around.any():
        return None
    there = _luminance(float(np.median(seen[letters])))
    beside = np.sort(seen[around])
    light = float(np.quantile(beside, WORST))
    dark = float(np.quantile(beside, 1 - WORST))
    # Light letters are lost in what is light, dark ones in what is dark.
    against = min((_ratio(there, _luminance(light)), _ratio(there, _luminance(dark))))
    return round(against, 2)


def _luminance(brightness: float) -> float:
    share = min(1.0, max(0.0, (brightness - 16) / 219))
    return share / 12.92 if share <= 0.04045 else float(((share + 0.055) / 1.055) ** 2.4)


def _ratio(one: float, other: float) -> float:
    return (max(one, other) + 0.05) / (min(one, other) + 0.05)
