"""Water that runs and light that trembles: how far things are moved, or how much brighter they are, at a moment.

Both follow from the place and the moment alone, so that any frame can be drawn by itself.
"""

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, Field

NEAR_SWELL, FAR_SWELL = 0.0052, 0.0006
"""How far water is moved, in shares of the picture's height: near the viewer and at the horizon."""
NEAR_WAVE, FAR_WAVE = 0.11, 0.012
"""From crest to crest, in shares of the picture's height."""
ROLLS = 0.42
"""Waves that pass a place in a second."""
FADES = 0.06
"""The share of the water, from its far edge, in which it begins to move: what stands in it there does not tear."""
TREMBLE = 0.11
"""How much brighter or darker a flame's light is at most."""


class Water(BaseModel):
    """Water between two heights of a picture, in shares from its top."""

    top: float
    bottom: float


class Ground(BaseModel):
    """Ground below a horizon (a height of the picture, in shares from its top) that comes nearer and nearer."""

    horizon: float = Field(gt=0, lt=1)


class Flame(BaseModel):
    """A light that trembles: its place in shares of the picture's width and height, and its reach in shares of its
    height."""

    x: float
    y: float
    reach: float


def swell(
    water: Water, heights: NDArray[np.float64], seconds: float
) -> tuple[NDArray[np.float32], NDArray[np.float32]]:
    """How far water is moved sideways and down at some heights of the picture (shares from its top), in shares of its
    height. Waves are longer and higher the nearer they are, and come toward the viewer."""
    share = (heights - water.top) / max(1e-6, water.bottom - water.top)
    inside = np.clip(share, 0.0, 1.0)
    high = (FAR_SWELL + (NEAR_SWELL - FAR_SWELL) * inside) * np.clip(inside / FADES, 0.0, 1.0)
    high = high * (share <= 1.0)
    # The waves' number up to a depth: the integral of one over their length.
    spread = NEAR_WAVE - FAR_WAVE
    tall = max(1e-6, water.bottom - water.top)
    number = tall / spread * np.log1p(spread / FAR_WAVE * inside)
    turn = 2 * np.pi * (number - ROLLS * seconds)
    aside = high * (0.7 * np.sin(turn) + 0.3 * np.sin(2.3 * turn + 1.0))
    return aside.astype(np.float32), (high * 0.55 * np.cos(turn)).astype(np.float32)


def brighter(seconds: float, seed: int) -> float:
    """How much brighter a flame's light is at a moment than at most times: a few waves that never meet again alike."""
    phase = (seed % 89) / 89 * 6.283
    waves = ((1.3, 0.45), (3.1, 0.3), (7.7, 0.25))
    total = sum(
        k * np.sin(2 * np.pi * f * seconds + phase * (i + 1)) for i, (f, k) in enumerate(waves)
    )
    return float(TREMBLE * total)
