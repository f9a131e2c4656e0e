"""The last limiter: it looks ahead and works on the four times oversampled peak, so true peaks stay under the
ceiling."""

import numpy as np
from numpy.typing import NDArray

from .lanes import RATE, Sound
from .ramps import ramps

AIM_LUFS, DELIVERED_DBTP, CEILING_DBTP = -14.0, -1.0, -1.6
"""The ceiling leaves 0.6 dB for what the AAC encoder adds, so that the delivered file stays under
what is promised of it."""
PEAK_EVERY = RATE // 1000
"""The limiter's gain is set every millisecond."""
GAINS_AT_ONCE, REACH = 60_000, 16
"""Milliseconds of gains worked out at a time, and those beside them that have a part in it."""
Gains = NDArray[np.float32]


def limiter_gains(peaks: Gains, gain: float) -> Gains:
    """The gain for each millisecond that brings sound with these true `peaks` up by `gain` and
    holds it under the ceiling, looking 5 ms ahead. It is worked out piece by piece: a long film has
    millions of milliseconds."""
    from scipy.ndimage import minimum_filter1d, uniform_filter1d  # here: it takes a second to load

    ceiling = 10 ** (CEILING_DBTP / 20)
    out = np.empty(len(peaks), np.float32)
    for at in range(0, len(peaks), GAINS_AT_ONCE):
        first = max(0, at - REACH)
        near = peaks[first : at + GAINS_AT_ONCE + REACH].astype(np.float64)
        needed = np.minimum(1.0, ceiling / np.maximum(near * gain, 1e-9))
        # Held 6 ms to both sides and smoothed over 5, so that no smoothed value is above its need.
        held = uniform_filter1d(minimum_filter1d(needed, 13), 5)
        piece = held[at - first :][: len(out[at : at + GAINS_AT_ONCE])]
        out[at : at + GAINS_AT_ONCE] = gain * np.minimum(piece, 1.0)
    return out


def limited(block: Sound, at: int, gains: Gains) -> Sound:
    """A stretch of the sum, from sample `at` on, times the gain of its millisecond; between two it goes evenly."""
    first, last = at // PEAK_EVERY, (at + len(block)) // PEAK_EVERY + 2
    near = gains[max(0, first - 1) : last]
    if near.size and float(near.min()) == float(near.max()):
        return block * np.float32(near[0])
    # A gain holds in the middle of its millisecond; before the first middle and behind the last it stays as it is.
    before, behind = int(first == 0), last - first + 1 - len(near) - int(first == 0)
    curve = ramps(np.pad(near, (before, max(0, behind)), mode="edge"), PEAK_EVERY)
    out: Sound = block * curve[at - first * PEAK_EVERY + PEAK_EVERY // 2 :][: len(block)]
    return out
