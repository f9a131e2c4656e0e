"""How a lane is coloured: what is low is cut, and it is made brighter or darker."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from .filters import centred, shaped_taps
from .lanes import RATE, Sound

TAPS = 2047
"""Of the filter; it has no delay, and reaches half of that to both sides."""
TURN, ENDS = 1000.0, (100.0, 10_000.0)
"""Hertz about which the tone tilts, and where it tilts no further."""


@dataclass(frozen=True)
class Tone:
    """`low_cut` hertz under which a lane is cut by 12 decibels an octave (0: not at all); `bright` decibels by which it
    is louder at 10 kilohertz and softer at 100 hertz."""

    low_cut: float = 0.0
    bright: float = 0.0

    def __bool__(self) -> bool:
        return bool(self.low_cut or self.bright)


def toned(sound: Sound, tone: Tone) -> Sound:
    """A stereo sound so coloured. Its ends, half of `TAPS` long, are as if silence were around it."""
    if not tone:
        return sound
    return centred(sound, _taps(tone))


@lru_cache(maxsize=32)
def _taps(tone: Tone) -> NDArray[np.float32]:
    hertz = np.concatenate([[0.0], np.geomspace(10, RATE / 2, 400)])
    at = np.clip(np.maximum(hertz, 1), *ENDS)
    level = tone.bright * np.log10(at / TURN)
    gain = 10 ** (level / 20)
    if tone.low_cut:
        # A second-order Butterworth's magnitude.
        gain = gain / np.sqrt(1 + (tone.low_cut / np.maximum(hertz, 1e-3)) ** 4)
    return shaped_taps(TAPS, hertz, gain, RATE).astype(np.float32)
