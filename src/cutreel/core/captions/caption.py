"""Words grouped to captions of at most two lines.

Breaks are chosen over each run of speech as a whole (dynamic programming): at sentence ends and
commas rather than inside phrases, lines of even length, no caption under 1.3 s or over 6 s where
words allow (DCMP Captioning Key, from memory).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

import numpy as np
from numpy import float64
from numpy.typing import NDArray

from cutreel.core.manuscript import Word, strip_marks

LINE_LENGTH, LINES = 30, 2
SHORTEST, LONGEST, GAP = 1.3, 6.0, 0.9
# fmt: off
LEANING = {
    "a", "an", "the", "of", "to", "in", "on", "at", "by", "with", "for", "from", "and", "or",
    "but", "his", "her", "their", "its", "my", "our", "your",
}
# fmt: on
"""Words that lean on the next one: a caption does not end with them where it can be helped."""


@dataclass(frozen=True, slots=True)
class Caption:
    """Shown from `start` up to `end` (seconds): one or two lines of text, words `first` up to
    `last`."""

    start: float
    end: float
    lines: tuple[str, ...]
    first: int
    last: int


def captions_of(
    words: Sequence[Word], times: NDArray[float64], length: int = LINE_LENGTH
) -> list[Caption]:
    """Captions for all of `words` at `times` (shape (words, 2), seconds). Captions never
    overlap."""
    if not words:
        return []
    lines = np.array([w.line for w in words])
    breaks = (times[1:, 0] - times[:-1, 1] > GAP) | (lines[1:] != lines[:-1])
    firsts = [0, *(np.flatnonzero(breaks) + 1).tolist()]
    bounds = [*firsts, len(words)]
    begins = np.repeat(times[firsts, 0], np.diff(bounds))
    relative = np.round(times - begins[:, None], 3).ravel().tolist()
    grouped = [
        (first + begin, first + stop, shown)
        for first, end in pairwise(bounds)
        for begin, stop, shown in _run(words[first:end], relative[2 * first : 2 * end], length)
    ]
    starts = times[[first for first, _, _ in grouped], 0].tolist()
    ends = times[[last - 1 for _, last, _ in grouped], 1].tolist()
    return _held(grouped, starts, ends)


def _run(
    run: Sequence[Word], relative: Sequence[float], length: int
) -> list[tuple[int, int, tuple[str, ...]]]:
    """The captions of one run of speech, as words of the run (first, end) and lines."""
    head = run[0].sentence
    glued = (False, *[b.start == a.end for a, b in pairwise(run)])
    texts, sentences = tuple([w.text for w in run]), tuple([w.sentence - head for w in run])
    return _grouped(texts, glued, sentences, tuple(relative), length)


@lru_cache(maxsize=8192)
def _grouped(
    texts: tuple[str, ...],
    glued: tuple[bool, ...],
    sentences: tuple[int, ...],
    times: tuple[float, ...],
    length: int,
) -> list[tuple[int, int, tuple[str, ...]]]:
    """The best grouping of a run: the cheapest path over the gaps between its words, as (first,
    end, lines).

    Kept by what it depends on: of a long film only the runs that changed are grouped again.
    """
    n = len(texts)
    text = "".join(t if glued[i] or not i else " " + t for i, t in enumerate(texts))
    place = _Places(texts, glued)
    costs = _Costs(texts, sentences, times)
    best = [0.0] + [float("inf")] * n
    came = [0] * (n + 1)
    for stop in range(1, n + 1):
        for begin in range(stop - 1, max(-1, stop - 22), -1):
            split = place.split(begin, stop, length)
            if split is None and begin < stop - 1:
                break
            cost = best[begin] + costs.of(begin, stop, place.uneven(begin, stop, split))
            if cost < best[stop]:
                best[stop], came[stop] = cost, begin
    out = []
    stop = n
    while stop > 0:
        begin = came[stop]
        out.append(
            (begin, stop, place.lines(text, begin, stop, place.split(begin, stop, length), length))
        )
        stop = begin
    return out[::-1]


class _Places:
    """Where each word of a run stands in the run's text, so that lengths need no strings."""

    def __init__(self, texts: Sequence[str], glued: Sequence[bool]) -> None:
        self.start: list[int] = []
        self.stop: list[int] = []
        self.soft: list[bool] = []
        at = 0
        for i, text in enumerate(texts):
            at += 1 if i and not glued[i] else 0
            self.start.append(at)
            at += len(text)
            self.stop.append(at)
            self.soft.append(text.rstrip("”’\"')")[-1:] in tuple(".,;:!?—"))

    def length(self, begin: int, stop: int) -> int:
        return self.stop[stop - 1] - self.start[begin]

    def split(self, begin: int, stop: int, length: int) -> int | None:
        """Where the second line begins: `stop` when one line is enough, None when two do not hold
        the words."""
        if self.length(begin, stop) <= length:
            return stop
        if self.length(begin, stop) > 2 * length + 1:
            return None
        fits = [
            i
            for i in range(begin + 1, stop)
            if self.length(begin, i) <= length and self.length(i, stop) <= length
        ]
        if not fits:
            return None
        return min(
            fits,
            key=lambda i: (
                abs(self.length(begin, i) - self.length(i, stop)) - (8 if self.soft[i - 1] else 0)
            ),
        )

    def uneven(self, begin: int, stop: int, split: int | None) -> int:
        """By how many characters the two lines differ."""
        return (
            0
            if split is None or split == stop
            else abs(self.length(begin, split) - self.length(split, stop))
        )

    def lines(
        self, text: str, begin: int, stop: int, split: int | None, length: int
    ) -> tuple[str, ...]:
        whole = text[self.start[begin] : self.stop[stop - 1]]
        if split is None:
            return tuple(_split_long(whole, length))
        if split == stop:
            return (whole,)
        return (
            text[self.start[begin] : self.stop[split - 1]],
            text[self.start[split] : self.stop[stop - 1]],
        )


class _Costs:
    """What a caption costs: by its time, by what its end breaks, by how many sentences it holds."""

    def __init__(
        self, texts: Sequence[str], sentences: Sequence[int], times: Sequence[float]
    ) -> None:
        self.sentences, self.times = sentences, times
        self.broken: list[float] = []
        for text in texts:
            mark = text.rstrip("”’\"')")[-1:]
            cost = 0.0 if mark in ".!?…" else 0.4 if mark in ",;:—–" else 1.6
            self.broken.append(cost + (1.0 if strip_marks(text).lower() in LEANING else 0.0))
        self.broken[-1] = 0.0

    def of(self, begin: int, stop: int, uneven: int) -> float:
        seconds = self.times[2 * stop - 1] - self.times[2 * begin]
        cost = (
            1.0
            + uneven / 40
            + self.broken[stop - 1]
            + 0.9 * (self.sentences[stop - 1] - self.sentences[begin])
        )
        if seconds < SHORTEST:
            cost += 2.0 * (SHORTEST - seconds)
        return cost + (2.0 * (seconds - LONGEST) if seconds > LONGEST else 0.0)


def _split_long(text: str, length: int) -> list[str]:
    """A single word longer than a line, cut hard."""
    return [text[i : i + length] for i in range(0, len(text), length)][:LINES] or [text]


def _held(
    captions: Sequence[tuple[int, int, tuple[str, ...]]],
    starts: Sequence[float],
    ends: Sequence[float],
) -> list[Caption]:
    """Captions held a little beyond their words, and short ones to 1.3 s, where the next leaves
    room."""
    out = []
    for i, (first, last, lines) in enumerate(captions):
        start, end = starts[i], ends[i]
        limit = starts[i + 1] if i + 1 < len(captions) else end + 1.0
        held = max(end + 0.25, start + SHORTEST)
        out.append(Caption(start, max(end, min(held, limit)), lines, first, last))
    return out
