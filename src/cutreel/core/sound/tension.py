"""How tense a film is along its time: told by its moods and its pace, and bent by hand."""

from bisect import bisect_left
from collections.abc import Mapping, Sequence
from typing import TypeAlias

import numpy as np

from cutreel.core.continuity import Mood
from cutreel.core.timeline import FrameRate, Span

Course: TypeAlias = tuple[tuple[float, float], ...]
"""Seconds with how tense it is there (0 … 1), in the order of time; a straight line from each to the next."""
_BY_MOOD: Mapping[Mood, float] = {
    "calm": 0.15,
    "warm": 0.25,
    "sad": 0.3,
    "wondering": 0.4,
    "playful": 0.45,
    "hopeful": 0.5,
    "eerie": 0.5,
    "uneasy": 0.55,
    "grand": 0.7,
    "tense": 0.85,
}
PACE = 0.12
"""By how much a shot half as long as is usual in its film is tenser."""
SLOW = 5.0
"""Seconds in which tension rises or falls: music that follows every shot is restless."""
BEND = 30.0
"""Seconds to either side in which what was bent by hand comes back to what is told."""
FINE = 0.04
"""A point of a course that lies nearer to the line between its neighbours is left out."""


def told_tension(moods: Sequence[Mood], spans: Sequence[Span], rate: FrameRate) -> Course:
    """The course that the moods of a film's shots and its pace tell: a point at the middle of every shot, as far as it
    is needed."""
    if not moods:
        return ()
    starts = np.array([rate.seconds(s.start) for s in spans])
    ends = np.array([rate.seconds(s.end) for s in spans])
    middles, lengths = (starts + ends) / 2, np.maximum(0.2, ends - starts)
    level = np.array([_BY_MOOD[m] for m in moods])
    level += np.clip(PACE * np.log2(np.median(lengths) / lengths), -2 * PACE, 2 * PACE)
    at = np.concatenate([starts[:1], middles, ends[-1:]])
    tense = _around(at, middles, level, lengths)
    return simplified(list(zip(at.tolist(), tense.tolist(), strict=True)))


def _around(
    at: np.ndarray, middles: np.ndarray, level: np.ndarray, lengths: np.ndarray
) -> np.ndarray:
    """The level around each moment, near shots weighing most, long ones more than short ones."""
    first = np.minimum(np.searchsorted(middles, at - 3 * SLOW), len(middles) - 1)
    counts = np.maximum(np.searchsorted(middles, at + 3 * SLOW), first + 1) - first
    # Every pair of a moment and a shot near it, one after another: all moments are summed at once.
    begins = np.cumsum(counts) - counts
    near = np.arange(int(counts.sum())) + np.repeat(first - begins, counts)
    away = (middles[near] - np.repeat(at, counts)) / SLOW
    weights = lengths[near] * np.exp(-0.5 * away**2) + 1e-9
    sums = np.add.reduceat(level[near] * weights, begins) / np.add.reduceat(weights, begins)
    return np.asarray(np.clip(sums, 0, 1))


def bent(told: Course, by_hand: Course) -> Course:
    """The course through the points that were set by hand: between them what is told is moved along, and beside them it
    comes back within `BEND` seconds."""
    if not by_hand or not told:
        return told
    start, end = told[0][0], told[-1][0]
    moves: list[tuple[float, float]] = []
    for i, (at, level) in enumerate(by_hand):
        off = level - tension_at(told, at)
        before = by_hand[i - 1][0] if i else -np.inf
        after = by_hand[i + 1][0] if i + 1 < len(by_hand) else np.inf
        if at - before > 2 * BEND:
            moves.append((at - BEND, 0.0))
        moves.append((at, off))
        if after - at > 2 * BEND:
            moves.append((at + BEND, 0.0))
    times = sorted({t for t, _ in told} | {t for t, _ in moves if start <= t <= end})
    xs, ys = zip(*moves, strict=True)
    off = np.interp(times, xs, ys)
    return tuple(
        (t, float(np.clip(tension_at(told, t) + o, 0, 1))) for t, o in zip(times, off, strict=True)
    )


def tension_at(course: Course, at: float) -> float:
    """How tense it is at a second of a course."""
    i = bisect_left(course, (at, -1.0))
    if i == 0:
        return course[0][1] if course else 0.0
    if i == len(course):
        return course[-1][1]
    (a, low), (b, high) = course[i - 1], course[i]
    return low + (high - low) * ((at - a) / (b - a) if b > a else 1.0)


def between(course: Course, start: float, end: float) -> Course:
    """A course from `start` to `end`, counted from there; in steps so coarse that a small change elsewhere changes
    nothing here."""
    if not course:
        return ()
    inside = [
        (start, tension_at(course, start)),
        *((t, level) for t, level in course if start < t < end),
        (end, tension_at(course, end)),
    ]
    return tuple((round(t - start, 1), round(level * 20) / 20) for t, level in simplified(inside))


def simplified(course: Sequence[tuple[float, float]]) -> Course:
    """A course without the points that hardly bend it (Ramer 1972, Douglas and Peucker 1973; by the height alone)."""
    if len(course) < 3:
        return tuple(course)
    at, levels = np.array(course).T
    keep = {0, len(course) - 1}
    open_ = [(0, len(course) - 1)]
    while open_:
        first, last = open_.pop()
        if last - first < 2:
            continue
        (a, low), (b, high) = course[first], course[last]
        slope = (high - low) / (b - a) if b > a else 0.0
        off = np.abs(levels[first + 1 : last] - low - slope * (at[first + 1 : last] - a))
        i = last - 1 - int(off[::-1].argmax())  # of points equally far the last
        if off[i - first - 1] > FINE:
            keep.add(i)
            open_ += [(first, i), (i, last)]
    return tuple(course[i] for i in sorted(keep))
