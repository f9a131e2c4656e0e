"""Where bars begin: in time that bends so little that it is not noticed, so that some begin at given seconds."""

import math
from dataclasses import dataclass
from itertools import pairwise

BEND = 0.08
"""A share of the tempo by which a stretch may be quicker or slower than its piece."""
AROUND = 0.12
"""A share by which a piece may be quicker or slower than its mood has it."""
LEAST = 2
"""Beats between two hits."""
STEPS = 24
"""Tempos that are tried to either side."""


@dataclass(frozen=True)
class Bar:
    """A bar of so many beats: its first beat (from the piece's first), when it begins and how long a beat is, in
    seconds."""

    first: int
    beats: int
    at: float
    beat: float


@dataclass(frozen=True)
class Bars:
    """The bars of a piece; which hits a bar begins with, and which it had to leave."""

    bars: tuple[Bar, ...]
    met: tuple[float, ...]
    missed: tuple[float, ...]


def lay_bars(seconds: float, bpm: float, hits: tuple[float, ...] = ()) -> Bars:
    """Bars of four beats that fill `seconds`, at about `bpm` beats a minute; a hit is met by a last bar of two, three
    or five beats before it and by a tempo of its own for the stretch. The hit that would bend it most is left, until no
    stretch is bent by more than `BEND`."""
    wanted = sorted({h for h in hits if 0 < h < seconds})
    missed: list[float] = []
    while True:
        edges = [0.0, *wanted, seconds]
        lengths = [b - a for a, b in pairwise(edges)]
        base = _base(lengths, bpm)
        bent = _bent(lengths, base)
        worst = max(range(len(bent)), key=lambda i: bent[i])
        if not wanted or bent[worst] <= math.log1p(BEND):
            break
        # Of the two ends of the stretch that fits worst, the one that is a hit goes; of two the later.
        missed.append(wanted.pop(min(worst, len(wanted) - 1)))
    bars: list[Bar] = []
    for start, length, beats in zip(edges, lengths, _beats(lengths, base), strict=False):
        bars += _stretch(start, length, beats, bars[-1].first + bars[-1].beats if bars else 0)
    return Bars(tuple(bars), tuple(wanted), tuple(sorted(missed)))


def _base(lengths: list[float], bpm: float) -> float:
    """The tempo near `bpm` by which all stretches are bent least."""
    if len(lengths) == 1:
        return bpm
    tempos = [bpm * (1 + AROUND * s / STEPS) for s in range(-STEPS, STEPS + 1)]
    return min(tempos, key=lambda tempo: (max(_bent(lengths, tempo)), abs(tempo - bpm)))


def _beats(lengths: list[float], bpm: float) -> list[int]:
    """How many beats each stretch has: the last one whole bars, where that does not bend it too much."""
    beats = [max(LEAST, round(s * bpm / 60)) for s in lengths]
    whole = 4 * max(1 if len(lengths) > 1 else 2, round(lengths[-1] * bpm / 240))
    if len(lengths) == 1 or _off(lengths[-1], whole, bpm) <= math.log1p(BEND):
        beats[-1] = whole
    return beats


def _off(seconds: float, beats: int, bpm: float) -> float:
    """By how much a stretch is bent: the size of the logarithm of its tempo against the piece's."""
    return abs(math.log(beats * 60 / (seconds * bpm)))


def _bent(lengths: list[float], bpm: float) -> list[float]:
    return [_off(s, k, bpm) for s, k in zip(lengths, _beats(lengths, bpm), strict=True)]


def _stretch(start: float, length: float, beats: int, first: int) -> list[Bar]:
    """The bars between two hits."""
    full, rest = divmod(beats, 4)
    sizes = [4] * full + ([rest] if rest else [])
    if rest == 1 and full:
        sizes = [4] * (full - 1) + [5]
    beat = length / beats
    bars: list[Bar] = []
    done = 0
    for size in sizes:
        bars.append(Bar(first + done, size, start + done * beat, beat))
        done += size
    return bars
