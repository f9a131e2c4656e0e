"""Words grouped to captions of at most two lines.

Breaks are chosen over each run of speech as a whole (dynamic programming): at sentence ends and commas rather than
inside phrases, lines of even length, no caption under 1.3 s or over 6 s where words allow (DCMP Captioning Key, from
memory).
"""

from collections.abc import Sequence
from dataclasses import dataclass

from numpy import float64
from numpy.typing import NDArray

from cutreel.core.manuscript import Word, words_text

LINE_LENGTH, LINES = 30, 2
SHORTEST, LONGEST, GAP = 1.3, 6.0, 0.9


@dataclass(frozen=True, slots=True)
class Caption:
    """Shown from `start` up to `end` (seconds): one or two lines of text, words `first` up to `last`."""

    start: float
    end: float
    lines: tuple[str, ...]
    first: int
    last: int


def captions_of(words: Sequence[Word], times: NDArray[float64], length: int = LINE_LENGTH) -> list[Caption]:
    """Captions for all of `words` at `times` (shape (words, 2), seconds). Captions never overlap."""
    captions: list[Caption] = []
    first = 0
    for i in range(1, len(words) + 1):
        if i == len(words) or times[i, 0] - times[i - 1, 1] > GAP or words[i].line != words[i - 1].line:
            captions += _run(words, times, first, i, length)
            first = i
    return _held(captions)


def _run(words: Sequence[Word], times: NDArray[float64], first: int, end: int, length: int) -> list[Caption]:
    """The best grouping of one run of speech."""
    best = [0.0] + [float("inf")] * (end - first)
    came = [0] * (end - first + 1)
    layout: dict[tuple[int, int], tuple[str, ...]] = {}
    for stop in range(first + 1, end + 1):
        for begin in range(stop - 1, max(first - 1, stop - 22), -1):
            lines = _lines(words[begin:stop], length)
            if lines is None:
                break
            layout[(begin, stop)] = lines
            cost = best[begin - first] + _cost(words, times, begin, stop, end, lines)
            if cost < best[stop - first]:
                best[stop - first], came[stop - first] = cost, begin
    out: list[Caption] = []
    stop = end
    while stop > first:
        begin = came[stop - first]
        if begin < first or (begin, stop) not in layout:
            begin = stop - 1
        lines = layout.get((begin, stop)) or tuple(_split_long(words_text(words[begin:stop]), length))
        out.append(Caption(float(times[begin, 0]), float(times[stop - 1, 1]), lines, begin, stop))
        stop = begin
    return out[::-1]


def _cost(words: Sequence[Word], times: NDArray[float64], begin: int, stop: int, end: int, lines: tuple[str, ...]) -> float:
    seconds = float(times[stop - 1, 1] - times[begin, 0])
    cost = 1.0
    if seconds < SHORTEST:
        cost += 2.0 * (SHORTEST - seconds)
    if seconds > LONGEST:
        cost += 2.0 * (seconds - LONGEST)
    if stop < end:
        mark = words[stop - 1].text.rstrip("”’\"')")[-1:]
        cost += 0.0 if mark in ".!?…" else 0.4 if mark in ",;:—–" else 1.6
    cost += sum(0.9 for i in range(begin + 1, stop) if words[i].sentence != words[i - 1].sentence)
    if len(lines) == 2:
        cost += abs(len(lines[0]) - len(lines[1])) / 40
    return cost


def _lines(words: Sequence[Word], length: int) -> tuple[str, ...] | None:
    """The words on one line, or on two of the most even length; None when they do not fit."""
    text = words_text(words)
    if len(text) <= length:
        return (text,)
    if len(text) > 2 * length + 1:
        return None if len(words) > 1 else tuple(_split_long(text, length))
    best: tuple[float, tuple[str, ...]] | None = None
    for i in range(1, len(words)):
        one, two = words_text(words[:i]), words_text(words[i:])
        if len(one) <= length and len(two) <= length:
            mark = one.rstrip("”’\"')")[-1:]
            score = abs(len(one) - len(two)) - (8 if mark in ".,;:!?—" else 0)
            if best is None or score < best[0]:
                best = (score, (one, two))
    if best:
        return best[1]
    return tuple(_split_long(text, length)) if len(words) == 1 else None


def _split_long(text: str, length: int) -> list[str]:
    """A single word longer than a line, cut hard."""
    return [text[i:i + length] for i in range(0, len(text), length)][:LINES] or [text]


def _held(captions: list[Caption]) -> list[Caption]:
    """Captions held a little beyond their words, and short ones to 1.3 s, where the next leaves room."""
    out = []
    for i, caption in enumerate(captions):
        limit = captions[i + 1].start if i + 1 < len(captions) else caption.end + 1.0
        end = max(caption.end + 0.25, caption.start + SHORTEST)
        out.append(Caption(caption.start, max(caption.end, min(end, limit)), caption.lines, caption.first, caption.last))
    return out
