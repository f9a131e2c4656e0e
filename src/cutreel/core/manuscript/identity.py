"""What keeps a word the same word while the text around it is edited.

Each word has a number that never changes and is never given again in its film. Marks, circled takes
and cues hold to these numbers, so they move with their words. Numbers are stored as runs, since
most of them follow one another.
"""

from collections.abc import Mapping, Sequence
from difflib import SequenceMatcher
from functools import lru_cache
from itertools import chain, pairwise
from types import MappingProxyType

import numpy as np

WordRun = tuple[int, int]
"""A run of consecutive numbers: the first, and how many."""


@lru_cache(maxsize=32)
def ids_of(runs: tuple[WordRun, ...]) -> tuple[int, ...]:
    """The numbers of all words, in the order of the words. Asked for several times in every change, so kept."""
    return tuple(chain.from_iterable(range(first, first + count) for first, count in runs))


@lru_cache(maxsize=32)
def places_of(runs: tuple[WordRun, ...]) -> Mapping[int, int]:
    """The index of each word, by its number."""
    return MappingProxyType({number: i for i, number in enumerate(ids_of(runs))})


def runs_of(ids: Sequence[int]) -> list[WordRun]:
    """The shortest runs that give `ids`."""
    if not ids:
        return []
    begins = [0, *(np.flatnonzero(np.diff(np.asarray(ids)) != 1) + 1).tolist(), len(ids)]
    return [(ids[a], b - a) for a, b in pairwise(begins)]


def common(one: Sequence[object], other: Sequence[object]) -> int:
    """How many entries two sequences have in common at their beginning, found by halving."""
    low, high = 0, min(len(one), len(other))
    while low < high:
        middle = (low + high + 1) // 2
        if one[low:middle] == other[low:middle]:
            low = middle
        else:
            high = middle - 1
    return low


def fresh_ids(count: int, first: int) -> list[WordRun]:
    """Runs for a new text of `count` words, numbered from `first`."""
    return [(first, count)] if count else []


def carry_ids(
    old: Sequence[str], ids: Sequence[int], new: Sequence[str], first_free: int
) -> tuple[list[WordRun], int]:
    """Numbers for the words `new` after an edit of the words `old` that had the numbers `ids`.

    Words that stay keep theirs; a word that was rewritten in its place (as many words in as out)
    keeps its number too; others get new numbers from `first_free`. Returns the runs and the next
    free number.
    """
    head = common(old, new)
    rest = min(len(old), len(new)) - head
    tail = common(old[::-1][:rest], new[::-1][:rest])
    a, b = old[head : len(old) - tail], new[head : len(new) - tail]
    out = list(ids[:head])
    free = first_free
    for tag, a0, a1, b0, b1 in SequenceMatcher(None, a, b, autojunk=False).get_opcodes():
        if tag == "equal" or (tag == "replace" and a1 - a0 == b1 - b0):
            out += ids[head + a0 : head + a1]
        else:
            out += range(free, free + b1 - b0)
            free += b1 - b0
    out += ids[len(ids) - tail :] if tail else []
    return runs_of(out), free
