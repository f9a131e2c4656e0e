"""The last limiter: it looks ahead and works on the four times oversampled peak, so true peaks stay under the
ceiling."""

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import minimum_filter1d, uniform_filter1d

from .lanes import RATE, Sound
from .ramps import ramps

AIM_LUFS, DELIVERED_DBTP, CEILING_DBTP = -14.0, -1.0, -1.6
"""The ceiling leaves 0.6 dB for what the AAC encoder adds, so that the delivered file stays under
what is promised of it."""
PEAK_EVERY = RATE // 1000
"""The limiter's gain is set every millisecond."""
REACH = 16
"""Milliseconds to both sides that have a part in a gain."""
Gains = NDArray[np.float32]


AT_ONCE = 600_000
"""Milliseconds that are looked at together."""


class Limiter:
    """The gain for each millisecond that brings sound with such true peaks up by `gain` and holds it under the ceiling,
    looking 5 ms ahead. It is worked out where it is asked for, and only what is over the ceiling is remembered: a long
    film has millions of milliseconds."""

    def __init__(self, peaks: NDArray[np.float16], gain: float) -> None:
        self.gain, self._length = gain, len(peaks)
        ceiling = 10 ** (CEILING_DBTP / 20)
        pieces = (peaks[at : at + AT_ONCE] for at in range(0, len(peaks), AT_ONCE))
        over = [np.flatnonzero(piece.astype(np.float64) * gain > ceiling) for piece in pieces]
        self._over = np.concatenate(
            [np.zeros(0, np.intp), *(at + n * AT_ONCE for n, at in enumerate(over))]
        )
        self._peaks = peaks[self._over]

    def works_in(self, first: int, last: int) -> bool:
        """Whether anything is held down in milliseconds `first` up to `last`."""
        begin, end = np.searchsorted(self._over, (first - REACH, last + REACH))
        return bool(begin < end)

    def between(self, first: int, last: int) -> Gains:
        """The gains of milliseconds `first` up to `last`, fewer at the end of the film."""
        begin, end = max(0, first - REACH), min(last + REACH, self._length)
        here = slice(*np.searchsorted(self._over, (begin, end)))
        near = np.zeros(max(0, end - begin))
        near[self._over[here] - begin] = self._peaks[here]
        ceiling = 10 ** (CEILING_DBTP / 20)
        needed = np.minimum(1.0, ceiling / np.maximum(near * self.gain, 1e-9))
        if needed.min(initial=1.0) == 1.0:
            held = needed
        else:
            # Held 6 ms to both sides and smoothed over 5, so that no smoothed value is above its need.
            held = uniform_filter1d(minimum_filter1d(needed, 13), 5)
        piece = held[first - begin :][: last - first]
        gains: Gains = (self.gain * np.minimum(piece, 1.0)).astype(np.float32)
        return gains


def in_16_bits(peaks: NDArray[np.float32]) -> NDArray[np.float16]:
    """Peaks in half of their bits, none of them lower than it was: at most by 0.009 dB higher."""
    near = peaks.astype(np.float16)
    out: NDArray[np.float16] = np.where(
        near.astype(np.float32) < peaks, np.nextafter(near, np.float16(np.inf)), near
    )
    return out


def limited(block: Sound, at: int, limiter: Limiter) -> Sound:
    """A stretch of the sum, from sample `at` on, times the gain of its millisecond; between two it goes evenly."""
    first, last = at // PEAK_EVERY, (at + len(block)) // PEAK_EVERY + 2
    near = limiter.between(max(0, first - 1), last)
    if near.size and float(near.min()) == float(near.max()):
        return block * np.float32(near[0])
    # A gain holds in the middle of its millisecond; before the first middle and behind the last it stays as it is.
    before, behind = int(first == 0), last - first + 1 - len(near) - int(first == 0)
    curve = ramps(np.pad(near, (before, max(0, behind)), mode="edge"), PEAK_EVERY)
    out: Sound = block * curve[at - first * PEAK_EVERY + PEAK_EVERY // 2 :][: len(block)]
    return out
