"""A manuscript followed through what was heard of it: which words were said where, what was said again, left out, put
in, or said otherwise.

The cheapest way through both, where a reader may at any moment go back, or on, to another word.
"""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from .hearing import HeardWord

OTHER, PUT_IN, LEFT, ELSEWHERE = 1.3, 1.0, 0.7, 2.2
"""What it costs that a word is another, was put in, was left out, and that the reader goes on elsewhere: to say three
words in a row where they stand is worth going there."""
BEGINS = 1.1
"""What it costs that a recording does not begin with the text's first word: a part of a story may be all there is."""
WHOLE, SURELY = 0.85, 0.6
"""A saying of a sentence is whole that has so much of its words, of which so much was heard as written: a recogniser
mishears some."""
SAID = 0.3
"""A sentence counts as said that has so much of its words: fewer are a neighbour's beginning, or another's words."""
LEAST_RUN = 2
"""Words in a row that are the text's, at least: one alone may be any."""
_SAME, _OTHER, _PUT_IN, _LEFT, _ELSEWHERE = range(5)


class Passage(NamedTuple):
    """Words of the text, `first` up to `end`, said in one go: each with the place of what was heard for it, or None
    where it was left out; `others` are those (of the text) that were said otherwise."""

    first: int
    heard: tuple[int | None, ...]
    others: frozenset[int]

    @property
    def end(self) -> int:
        return self.first + len(self.heard)


class Followed(NamedTuple):
    """Passages in the order they were said, and the places of what was heard that is no part of the text."""

    passages: list[Passage]
    put_in: list[int]


def followed(text: Sequence[str], heard: Sequence[HeardWord]) -> Followed:
    """Follow a text (plain words) through what was heard."""
    if not text or not heard:
        return Followed([], list(range(len(heard))))
    return _passages(_path(*_ways(text, heard)))


def _ways(
    text: Sequence[str], heard: Sequence[HeardWord]
) -> tuple[NDArray[np.uint8], NDArray[np.int32], int]:
    """For each word heard and each place in the text (0: before its first word) how one came there; whence one went
    elsewhere; and where one is at the end. Shapes (heard, text + 1) and (heard,)."""
    numbers = {word: i for i, word in enumerate(dict.fromkeys(text))}
    words = np.array([numbers[w] for w in text])
    n = len(words)
    leaving = np.arange(n + 1) * LEFT
    before = np.minimum(leaving, BEGINS)
    kinds = np.empty((len(heard), n + 1), np.uint8)
    jumps = np.empty(len(heard), np.int32)
    for i, word in enumerate(heard):
        fits = words == numbers.get(word.text, -1)
        jumps[i] = int(np.argmin(before))
        here = before + PUT_IN
        how = np.full(n + 1, _PUT_IN, np.uint8)
        said = before[:-1] + np.where(fits, 0.0, OTHER)
        elsewhere = np.where(fits, before[jumps[i]] + ELSEWHERE, np.inf)
        for cost, kind in (
            (said, np.where(fits, _SAME, _OTHER).astype(np.uint8)),
            (elsewhere, np.full(n, _ELSEWHERE, np.uint8)),
        ):
            better = cost < here[1:]
            here[1:] = np.where(better, cost, here[1:])
            how[1:] = np.where(better, kind, how[1:])
        # Words left out behind this one: the cheapest of all places before, and so much for each word between.
        after = np.minimum.accumulate(here - leaving) + leaving
        how[after < here - 1e-9] = _LEFT
        kinds[i], before = how, after
    return kinds, jumps, int(np.argmin(before))


class _Step(NamedTuple):
    kind: int
    word: int
    heard: int


def _path(kinds: NDArray[np.uint8], jumps: NDArray[np.int32], at: int) -> list[_Step]:
    """The steps that lead to a place of the text, in order."""
    out: list[_Step] = []
    i = len(kinds) - 1
    while i >= 0:
        kind = int(kinds[i, at])
        out.append(_Step(kind, at - 1, i))
        if kind == _LEFT:
            at -= 1
        elif kind == _ELSEWHERE:
            at = int(jumps[i])
            i -= 1
        else:
            at -= kind != _PUT_IN
            i -= 1
    return out[::-1]


def _passages(steps: Sequence[_Step]) -> Followed:
    passages: list[Passage] = []
    put_in: list[int] = []
    run: list[_Step] = []

    def close() -> None:
        while run and run[-1].kind == _LEFT:
            run.pop()
        while run and run[0].kind == _LEFT:
            run.pop(0)
        same = [s for s in run if s.kind in (_SAME, _ELSEWHERE)]
        if len(same) < LEAST_RUN:
            put_in.extend(s.heard for s in run if s.kind != _LEFT)
        else:
            passages.append(
                Passage(
                    run[0].word,
                    tuple(None if s.kind == _LEFT else s.heard for s in run),
                    frozenset(s.word for s in run if s.kind == _OTHER),
                )
            )
        run.clear()

    for step in steps:
        if step.kind == _PUT_IN:
            put_in.append(step.heard)
            continue
        if step.kind == _ELSEWHERE:
            close()
        run.append(step)
    close()
    return Followed(passages, sorted(put_in))


class Kept(NamedTuple):
    """What is kept of all that was said: for each word of the text the place of what was heard for it (None: left
    out); the words that were said otherwise; how often each sentence was said, in whole or in part."""

    words: list[int | None]
    others: list[int]
    sayings: list[int]


def kept(found: Followed, sentences: Sequence[tuple[int, int]]) -> Kept:
    """Of each sentence, or part of one that is somebody's own (words `first` up to `end`), its last whole saying; where
    none is whole, of each word the last."""
    size = sentences[-1][1] if sentences else 0
    words: list[int | None] = [None] * size
    others: set[int] = set()
    sayings = []
    for first, end in sentences:
        enough = max(1, SAID * (end - first))
        parts = [p for p in found.passages if _said(p, first, end) >= enough]
        sayings.append(len(parts))
        whole = [p for p in parts if _whole(p, first, end)]
        for part in whole[-1:] or parts:
            for word in range(max(first, part.first), min(end, part.end)):
                place = part.heard[word - part.first]
                if place is not None:
                    words[word] = place
                    (others.add if word in part.others else others.discard)(word)
    return Kept(words, sorted(others), sayings)


def _whole(passage: Passage, first: int, end: int) -> bool:
    places = range(max(first, passage.first), min(end, passage.end))
    there = sum(passage.heard[w - passage.first] is not None for w in places)
    size = end - first
    return there >= WHOLE * size and _said(passage, first, end) >= SURELY * size


def _said(passage: Passage, first: int, end: int) -> int:
    places = range(max(first, passage.first), min(end, passage.end))
    return sum(
        passage.heard[w - passage.first] is not None and w not in passage.others for w in places
    )
