"""Shots and transitions in whole frames, from word times.

A cut falls just before the first word of its shot. A transition lies centred on its cut and takes
its frames from the handles of both shots, so it changes no time and sound cannot drift.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from .frames import FrameRate
from .layout import Timing

LEAD = 0.12
"""Seconds by which a picture comes before its first word, at most half of the silence there is."""


@dataclass(frozen=True, slots=True)
class Span:
    """Frames `start` up to `end`."""

    start: int
    end: int

    @property
    def frames(self) -> int:
        return self.end - self.start


@dataclass(frozen=True, slots=True)
class Stretch:
    """A piece of the render plan: one shot alone, or (`to` set) the transition from a shot to the
    next."""

    start: int
    end: int
    shot: int
    to: int | None = None


def cut_points(
    opens: Sequence[int], timing: Timing, rate: FrameRate, alone: Mapping[int, float] | None = None
) -> list[Span]:
    """The frames of each shot that opens at word indices `opens`; every shot has at least one
    frame.

    `alone` gives the seconds of the shots, by index, that have no words: they stand one behind
    another just before the cut to the next shot with words, in the silence that was made for them.
    """
    if not opens:
        return []
    alone = alone or {}
    starts = np.zeros(len(opens))
    total = timing.seconds
    following = total
    for i in range(len(opens) - 1, -1, -1):
        if i in alone:
            following -= alone[i]
        elif i:
            first = opens[i]
            start = float(timing.words[first, 0])
            silence = start - float(timing.words[first - 1, 1]) if first else 0.0
            following = start - min(LEAD, max(0.0, silence) / 2)
        else:
            following = 0.0
        starts[i] = following
    edges = [0]
    for start in starts[1:].tolist():
        edges.append(max(rate.frames(start), edges[-1] + 1))
    end = max(rate.frames(total), edges[-1] + 1)
    return [Span(a, b) for a, b in zip(edges, [*edges[1:], end], strict=True)]


def stretches(shots: Sequence[Span], dissolves: Sequence[int]) -> list[Stretch]:
    """The render plan: stretches that together cover every frame once, in order.

    `dissolves[i]` is the wanted length in frames of the transition from shot i to i + 1 (0 for a
    straight cut). It is shortened to even length and to at most half of the shorter shot, so that
    each shot is seen alone.
    """
    halves = []
    for i, wanted in enumerate(dissolves[: max(0, len(shots) - 1)]):
        most = min(shots[i].frames, shots[i + 1].frames) // 4
        halves.append(max(0, min(wanted // 2, most)))
    plan: list[Stretch] = []
    for i, shot in enumerate(shots):
        before = halves[i - 1] if i else 0
        after = halves[i] if i < len(halves) else 0
        plan.append(Stretch(shot.start + before, shot.end - after, i))
        if after:
            plan.append(Stretch(shot.end - after, shot.end + after, i, i + 1))
    return plan
