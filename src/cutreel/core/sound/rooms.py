"""Rooms that a voice is heard in: a hall, a small room, outdoors, through a wall, on the telephone, in somebody's
thoughts.

Each is a finite impulse response that is worked out once: direct sound, early reflections, a tail of noise that dies
away by its reverberation time (W. C. Sabine: the time in which sound falls by 60 decibels), and what the way lets
through.
"""

from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.timeline import Room

from .filters import band_taps, convolved
from .lanes import RATE, Source

F32 = NDArray[np.float32]
TAPS = 511
"""Of the filters that say what a way lets through."""


@dataclass(frozen=True)
class _Shape:
    """A room: seconds until its tail is gone (`dies`), how loud that is beside the direct sound (decibels), and seconds
    before it begins; reflections as (seconds, decibels); between which hertz anything gets through; how much louder all
    of it is (decibels)."""

    dies: float = 0.0
    tail: float = -60.0
    before: float = 0.0
    early: tuple[tuple[float, float], ...] = ()
    low: float = 0.0
    high: float = 0.0
    level: float = 0.0


_SHAPES: dict[str, _Shape] = {
    "small room": _Shape(
        0.3, -11, 0.003, ((0.004, -13), (0.0071, -15), (0.0113, -17)), high=12_000
    ),
    "hall": _Shape(1.7, -9, 0.022, ((0.019, -13), (0.031, -15), (0.047, -17)), high=8_000),
    "outdoors": _Shape(early=((0.094, -27), (0.151, -31)), high=10_000),
    "through a wall": _Shape(0.35, -12, 0.004, high=430, level=-5),
    "telephone": _Shape(low=300, high=3400, level=-1),
    "thought": _Shape(0.6, -7, 0.012, ((0.011, -12), (0.017, -12)), high=5_500, level=-1),
}


@cache
def impulse(room: Room) -> F32:
    """A room's impulse response, shape (samples, 2), as loud for speech as the direct sound alone would be, but for its
    level. The very same every time."""
    shape = _SHAPES[room]
    rng = np.random.default_rng(sum(map(ord, room)))
    length = round((shape.before + shape.dies) * RATE) + round(0.16 * RATE)
    out = np.zeros((length, 2))
    out[0] = 1.0
    for i, (at, level) in enumerate(shape.early):
        # Reflections come from the sides in turn.
        out[round(at * RATE), i % 2] += 10 ** (level / 20)
    if shape.dies:
        begin = round(shape.before * RATE)
        t = np.arange(length - begin) / RATE
        tail = rng.normal(0, 1, (length - begin, 2)) * (10 ** (-3 * t / shape.dies))[:, None]
        out[begin:] += tail / np.sqrt((tail**2).sum(0).mean()) * 10 ** (shape.tail / 20)
    if shape.low or shape.high:
        taps = band_taps(TAPS if shape.high < 6000 else 63, shape.low, shape.high, RATE)
        out = convolved(out.astype(np.float32), taps.astype(np.float32)).astype(np.float64)
    return (out * 10 ** (shape.level / 20) / _loudness(out)).astype(np.float32)


def _loudness(response: NDArray[np.float64]) -> float:
    """By how much a response makes speech louder: its power where speech has its own, about 500 hertz and falling by 6
    decibels an octave beyond (the long-term spectrum of speech, ANSI S3.5)."""
    spectrum = np.abs(np.fft.rfft(response, axis=0)) ** 2
    hertz = np.fft.rfftfreq(len(response), 1 / RATE)
    weight = 1 / (1 + (np.maximum(hertz, 1) / 500) ** 2) * (hertz > 100)
    return float(np.sqrt((spectrum * weight[:, None]).sum(0).mean() / weight.sum()))


@dataclass(frozen=True)
class InRoom:
    """A sound as it is heard in a room, that gives any stretch of itself; what rings on is longer than the sound."""

    source: Source
    room: Room

    @property
    def length(self) -> int:
        return self.source.length + len(impulse(self.room)) - 1

    def read(self, start: int, end: int) -> F32:
        """Samples `start` up to `end`, shape (n, 2)."""
        response = impulse(self.room)
        first, last = max(0, start - len(response) + 1), min(end, self.source.length)
        out = np.zeros((max(0, end - start), 2), np.float32)
        if last <= first:
            return out
        heard = convolved(self.source.read(first, last), response)
        part = heard[start - first : end - first]
        out[: len(part)] = part
        return out
