"""What gives way to the voice, by how much, and for how long; and the level lines that a maker drew.

Everything here is in decibels, 0 being as it is, at every hundredth of a second (a tick).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import uniform_filter1d

from .filters import band_taps, centred
from .lanes import RATE, Role, Sound, mono
from .ramps import ramps

TICK = RATE // 100
SPEAKING_DBFS = -42.0
"""What is louder is speech: breath and room lie below."""
HOLD = 0.3
"""Seconds after a word for which nothing comes back yet: the next one is near."""
DUCK_DB: dict[Role, float] = {"voice": 0.0, "spot": -6.0, "ambience": -12.0, "music": -13.0}
"""Of a spot the most that it gives way."""
MASKS = 6.0
"""A spot is to lie so many decibels under the word that it falls on."""
SPEECH_BAND = (1000.0, 4000.0)
"""Hertz that consonants need most."""
Ticks = NDArray[np.float64]
LevelLine = Sequence[tuple[float, float]]
"""Seconds and decibels, in the order of time; between two points it goes evenly."""


@dataclass(frozen=True)
class Giving:
    """By how many decibels each lane gives way (as negative numbers), how much lower it is then kept in the band of
    speech, and in how many seconds it goes down before a word and comes back."""

    by: Mapping[Role, float] = field(default_factory=lambda: dict(DUCK_DB))
    dip: Mapping[Role, float] = field(default_factory=dict)
    attack: float = 0.2
    release: float = 0.7


def power_in_ticks(sound: Sound) -> Ticks:
    """The mean power of a stereo sound in each tick; a last one is filled up."""
    padded = np.pad(mono(sound), (0, -len(sound) % TICK)).reshape(-1, TICK)
    power: Ticks = np.einsum("ij,ij->i", padded, padded, dtype=np.float64) / TICK
    return power


def speaking(power: Ticks, attack: float, release: float) -> Ticks:
    """How far others have given way, 0 … 1, to a voice of such power: wholly at its first sound and until `HOLD` after
    its last."""
    count = len(power)
    at = np.arange(count)
    loud = power > 10 ** (SPEAKING_DBFS / 10)
    last = np.maximum.accumulate(np.where(loud, at, -(10**9)))
    ahead = np.minimum.accumulate(np.where(loud, at, 10**9)[::-1])[::-1]
    up = 1 - (ahead - at) / max(1.0, attack * 100)
    down = 1 - np.maximum(0, at - last - HOLD * 100) / max(1.0, release * 100)
    far: Ticks = np.sin(np.clip(np.maximum(up, down), 0, 1) * (np.pi / 2)) ** 2
    return far


def spot_gives(spot: Ticks, voice: Ticks, most: float) -> Ticks:
    """By how many decibels (negative) a spot gives way to the voice: by as much as it would mask it, and no more than
    `most`. Both are powers in ticks."""
    over = 10 * np.log10((smooth(spot, 21) + 1e-12) / (smooth(voice, 41) + 1e-12)) + MASKS
    gives: Ticks = np.maximum(most, -np.maximum(0, over))
    return gives


def smooth(values: Ticks, ticks: int) -> Ticks:
    out: Ticks = uniform_filter1d(values, ticks, mode="nearest")
    return out


def line_at(line: LevelLine, seconds: NDArray[np.float64]) -> Ticks:
    """A level line at some moments; before its first and behind its last point it stays as it is there."""
    times, levels = zip(*line, strict=True)
    out: Ticks = np.interp(seconds, times, levels)
    return out


def gained(sound: Sound, ticks: Ticks) -> Sound:
    """A sound made louder by decibels at the beginnings of its ticks and at its end (one more than it has ticks);
    between two it goes evenly."""
    if not ticks.any():
        return sound
    gains: Sound = (10 ** (ticks / 20)).astype(np.float32)
    out: Sound = sound * ramps(gains, TICK)[: len(sound)]
    return out


def dipped(sound: Sound, ticks: Ticks) -> Sound:
    """A sound kept lower by so many decibels, positive and in ticks as for `gained`, in the band of speech alone."""
    if not ticks.any():
        return sound
    band = centred(sound, _speech_band())
    # The band is taken away by as much as it is to be softer; its filter has no delay, so that it cancels.
    out: Sound = sound - (band - gained(band, -ticks))
    return out


@lru_cache(maxsize=1)
def _speech_band() -> NDArray[np.float32]:
    return band_taps(511, *SPEECH_BAND, RATE).astype(np.float32)
