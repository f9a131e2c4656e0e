"""A piece of music brought to a length: shortened or lengthened where two of its bars sound alike, so that nothing is
heard of it. It ends as it ends; what is left over, less than a bar or two, it comes in later."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from .beats import F64, Beats
from .lanes import RATE, Sound, mono

SEAM = round(0.03 * RATE)
"""Samples over which one bar goes over into the other."""
SEARCH = round(0.012 * RATE)
"""Samples by which the second may be moved so that the two lie best upon each other."""
AROUND = 4
"""Beats before and behind a seam that must sound alike."""
BAR_COSTS = 0.35
"""How much a bar of silence before the music is worth against a seam that is heard: in the spread of all seams."""
MOST_JUMPS = 12


@dataclass(frozen=True)
class Fit:
    """Stretches of a piece (samples), played one after the other, and by how many samples it comes in later."""

    stretches: tuple[tuple[int, int], ...]
    later: int

    @property
    def seams(self) -> list[int]:
        """Where, counted from its first sample, one stretch goes over into the next."""
        ends = np.cumsum([b - a for a, b in self.stretches])[:-1]
        return [int(e) for e in ends]

    def heard_at(self, moments: Sequence[float]) -> list[float]:
        """When moments of the piece (seconds) are heard, in its new length; those that are cut out are not."""
        out: list[float] = []
        before = self.later
        for a, b in self.stretches:
            out += [(before + at * RATE - a) / RATE for at in moments if a <= at * RATE < b]
            before += b - a
        return out


def fit(beats: Beats, length: int, wanted: int) -> Fit:
    """How a piece of so many samples is brought to `wanted`. One that is too short and has no two bars alike comes in
    later; one that is too long and has none is heard from later on."""
    marks = (
        np.rint(beats.times[beats.bars] * RATE).astype(int) if len(beats.bars) else np.zeros(0, int)
    )
    jumps = _jumps(beats, marks)
    bar = int(np.median(np.diff(marks))) if len(marks) > 2 else RATE
    stretches = [(0, length)]
    for _ in range(MOST_JUMPS):
        now = sum(b - a for a, b in stretches)
        over = now - wanted
        if over <= 0 and -over < bar:
            break
        best = _best(jumps, over, bar, stretches)
        if best is None:
            break
        stretches = best
    now = sum(b - a for a, b in stretches)
    if now > wanted:  # no two bars are alike enough: it is come into later
        stretches = _from(stretches, now - wanted)
    return Fit(tuple(stretches), max(0, wanted - sum(b - a for a, b in stretches)))


@dataclass(frozen=True)
class _Jump:
    """From one sample to another where it sounds alike; how unlike, in the spread of all of them."""

    leave: int
    come: int
    unlike: float


def _jumps(beats: Beats, marks: F64) -> list[_Jump]:
    bars = [b for b in beats.bars if AROUND <= b <= len(beats.times) - AROUND]
    if len(bars) < 2:
        return []
    around = np.array([beats.sound[b - AROUND : b + AROUND].ravel() for b in bars])
    away = np.linalg.norm(around[:, None] - around[None], axis=2)
    pairs = [(i, j) for i in range(len(bars)) for j in range(len(bars)) if i != j]
    spread = float(np.median([away[p] for p in pairs])) or 1.0
    at = np.rint(beats.times[bars] * RATE).astype(int)
    return [_Jump(int(at[i]), int(at[j]), float(away[i, j]) / spread) for i, j in pairs]


def _best(
    jumps: list[_Jump], over: int, bar: int, stretches: list[tuple[int, int]]
) -> list[tuple[int, int]] | None:
    """The stretches with one jump more: that after which least is missing and least is heard. None comes after the
    last bar, and none makes it longer than is wanted, or shorter than it needs to be."""
    found: tuple[float, list[tuple[int, int]]] | None = None
    for jump in jumps:
        gone = jump.come - jump.leave  # samples that it is shorter by
        rest = gone - over  # samples that are missing then
        if over > 0:
            if not 0 < gone <= over + bar:
                continue
        elif not over - 1 <= gone < 0:
            continue
        cost = jump.unlike + BAR_COSTS * (
            abs(rest) / bar if over > 0 else max(0.0, rest / bar) * 0.1
        )
        if found is not None and cost >= found[0]:
            continue
        made = _jumped(stretches, jump)
        if made is not None:
            found = cost, made
    return found[1] if found else None


def _jumped(stretches: list[tuple[int, int]], jump: _Jump) -> list[tuple[int, int]] | None:
    """With a jump in the last stretch that holds both of its ends."""
    for n in reversed(range(len(stretches))):
        a, b = stretches[n]
        if a + SEAM < jump.leave < b - SEAM and a <= jump.come < b - SEAM:
            return [*stretches[:n], (a, jump.leave), (jump.come, b), *stretches[n + 1 :]]
    return None


def _from(stretches: list[tuple[int, int]], skip: int) -> list[tuple[int, int]]:
    """Without its first samples."""
    out = []
    for a, b in stretches:
        gone = min(skip, b - a)
        skip -= gone
        if b - a > gone:
            out.append((a + gone, b))
    return out


def fitted(piece: Sound, how: Fit) -> Sound:
    """A stereo piece so brought to its length: silence, then its stretches, each going over into the next at equal
    power where the two lie best upon each other. Its end is the piece's own."""
    wanted = how.later + sum(b - a for a, b in how.stretches)
    stretches = list(how.stretches[:1])
    for (_, left), (come, end) in pairwise(how.stretches):
        stretches.append((come + _lies(piece, left, come), end))
    missing = wanted - sum(b - a for a, b in stretches)
    if missing < 0:  # moved by a few milliseconds: the beginning makes up for it
        stretches[0] = (stretches[0][0] - missing, stretches[0][1])
    out = np.zeros((wanted, 2), np.float32)
    at = max(0, missing)
    for n, (a, b) in enumerate(stretches):
        if n:
            seam = min(SEAM, at, a)
            up = np.sin(np.linspace(0, np.pi / 2, seam, dtype=np.float32))[:, None]
            out[at - seam : at] = out[at - seam : at] * up[::-1] + piece[a - seam : a] * up
        out[at : at + b - a] = piece[a:b]
        at += b - a
    return out


def _lies(piece: Sound, left: int, come: int) -> int:
    """By how many samples what is come to is moved so that it lies best upon what was left."""
    here = mono(piece[max(0, left - SEAM) : left + SEAM]).astype(np.float64)
    first = come - min(SEAM, left) - SEARCH
    if first < 0 or come + SEAM + SEARCH > len(piece):
        return 0
    there = mono(piece[first : first + len(here) + 2 * SEARCH]).astype(np.float64)
    alike = np.correlate(there, here, "valid")
    power = np.sqrt(np.convolve(there**2, np.ones(len(here)), "valid")) + 1e-9
    return int(np.argmax(alike / power)) - SEARCH
