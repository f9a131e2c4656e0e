"""What a machine's ear finds in spoken lines: words that it does not hear, clipping, clicks, a level or a pace that is
far from the same voice's others."""

from collections import defaultdict
from collections.abc import Sequence
from statistics import median
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

F32 = NDArray[np.float32]
FULL, IN_A_ROW = 0.998, 3
"""A sample is at full scale from here on; so many in a row are clipped."""
CLICK, LOUD = 25.0, 0.08
"""A jump that bends the waveform so many times more than what is around, and so far in itself, is a click."""
OFF = 6.0
"""Decibels off the same voice's usual level that are heard as another distance."""
SLOW, QUICK = 0.68, 1.5
"""Pace beside the same voice's usual one, from which on a line sounds stretched, or hurried."""
ENOUGH = 4
"""Words of a line, at least, of which a pace is told; and lines of a voice, of which anything is usual."""


class Measured(NamedTuple):
    """Level of what is loud in a line (dB re full scale, RMS), clipped stretches and clicks."""

    level: float
    clipped: int
    clicks: int


class Listened(NamedTuple):
    """A line (its place), who says it with which voice, its words per second, what was measured, and which of its words
    (counted in the line) were not heard; `of` how many."""

    line: int
    voice: str
    words: int
    seconds: float
    measured: Measured
    missed: tuple[int, ...]


class Doubt(NamedTuple):
    """Why a line may be bad: `weight` says how much (0 … 1), `missed` words are counted in the line."""

    line: int
    why: str
    weight: float
    missed: tuple[int, ...] = ()


def measured(sound: F32, rate: int) -> Measured:
    """Measure a mono line."""
    block = max(1, rate // 50)
    count = len(sound) // block
    if count == 0:
        return Measured(-120.0, 0, 0)
    rms = np.sqrt(np.mean(sound[: count * block].reshape(count, block).astype(np.float64) ** 2, 1))
    loud = rms[rms > 0.2 * rms.max()]
    level = 20 * np.log10(max(1e-6, float(np.sqrt(np.mean(loud**2))) if len(loud) else 0.0))
    return Measured(round(float(level), 2), _clipped(sound), _clicks(sound, block))


def _clipped(sound: F32) -> int:
    full = np.abs(sound) >= FULL
    edges = np.flatnonzero(np.diff(np.concatenate(([False], full, [False])).astype(np.int8)))
    return int(np.sum(edges[1::2] - edges[::2] >= IN_A_ROW))


def _clicks(sound: F32, block: int) -> int:
    bend = np.abs(np.diff(sound.astype(np.float64), 2))
    count = len(bend) // block
    if count == 0:
        return 0
    parts = bend[: count * block].reshape(count, block)
    usual = np.median(parts, axis=1)
    # A click stands alone: a voice that begins bends many samples.
    most = np.maximum(parts.max(axis=1), 1e-12)
    alone = np.sum(parts > 0.3 * most[:, None], axis=1) <= 4
    return int(np.sum((most > CLICK * np.maximum(usual, 1e-4)) & (most > LOUD) & alone))


def doubts(lines: Sequence[Listened]) -> list[Doubt]:
    """Lines that may be bad, worst first; a line may be named for several reasons."""
    out: list[Doubt] = []
    of_voice: dict[str, list[Listened]] = defaultdict(list)
    for line in lines:
        of_voice[line.voice].append(line)
    for said in of_voice.values():
        levels = [s.measured.level for s in said]
        paces = [s.words / s.seconds for s in said if s.words >= ENOUGH and s.seconds > 0]
        for line in said:
            out += _of_sound(line)
            if len(levels) >= ENOUGH:
                out += _of_level(line, median(levels))
            if len(paces) >= ENOUGH and line.words >= ENOUGH:
                out += _of_pace(line, median(paces))
    return sorted(out, key=lambda d: (-d.weight, d.line))


def _of_sound(line: Listened) -> list[Doubt]:
    out = []
    if line.missed:
        share = len(line.missed) / max(1, line.words)
        out.append(Doubt(line.line, "may be misread", min(1.0, 0.3 + share), line.missed))
    if line.measured.clipped:
        out.append(Doubt(line.line, f"clipped {_times(line.measured.clipped)}", 0.6))
    if line.measured.clicks:
        out.append(Doubt(line.line, f"clicks {_times(line.measured.clicks)}", 0.4))
    return out


def _of_level(line: Listened, usual: float) -> list[Doubt]:
    off = line.measured.level - usual
    if abs(off) < OFF:
        return []
    how = "louder" if off > 0 else "softer"
    return [Doubt(line.line, f"{abs(off):.0f} dB {how} than this voice's other lines", 0.3)]


def _of_pace(line: Listened, usual: float) -> list[Doubt]:
    pace = line.words / line.seconds / usual if line.seconds > 0 else 1.0
    if SLOW < pace < QUICK:
        return []
    how = "quicker" if pace > 1 else "slower"
    return [
        Doubt(line.line, f"{max(pace, 1 / pace):.1f} times {how} than this voice's others", 0.25)
    ]


def _times(count: int) -> str:
    return "once" if count == 1 else f"{count} times"
