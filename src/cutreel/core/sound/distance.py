"""A sound as it is heard from nearer or from farther away: air and what stands between take its highs."""

from dataclasses import dataclass

import numpy as np

from .lanes import Sound, Source
from .tone import TAPS, Tone, toned

FAR_DULL, NEAR_BRIGHT = 9.0, 3.0
"""Decibels by which what is far is duller, and what is near brighter."""
FAR_SOFT, NEAR_LOUD = 10.0, 4.0
"""Decibels by which it is softer (about six with each doubling of the way: the inverse square law), and louder."""


def nearness_db(near: float) -> float:
    """By how many decibels a sound is louder so near (1) or so far (-1)."""
    return near * (NEAR_LOUD if near > 0 else FAR_SOFT)


@dataclass(frozen=True)
class AtDistance:
    """A source so near (1) or so far (-1), that gives any stretch of itself."""

    source: Source
    near: float

    @property
    def length(self) -> int:
        return self.source.length

    def read(self, start: int, end: int) -> Sound:
        """Samples `start` up to `end`, shape (n, 2)."""
        around = TAPS // 2 + 1
        first, last = max(0, start - around), min(self.length, end + around)
        tone = Tone(bright=self.near * (NEAR_BRIGHT if self.near > 0 else FAR_DULL))
        heard = toned(self.source.read(first, last), tone)[start - first : end - first]
        if len(heard) < end - start:
            heard = np.pad(heard, ((0, end - start - len(heard)), (0, 0)))
        return heard
