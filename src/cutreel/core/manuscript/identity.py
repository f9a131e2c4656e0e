"""What keeps a word the same word while the text around it is edited.

Each word has a number that never changes and is never given again in its film. Marks, circled takes
and cues hold to these numbers, so they move with their words. Numbers are stored as runs, since
most of them follow one another.
"""

from collections.abc import Mapping, Sequence
from difflib import SequenceMatcher
from functools import lru_cache
from itertools import chain
from types import MappingProxyType

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
    runs: list[WordRun] = []
    for number in ids:
        if runs and runs[-1][0] + runs[-1][1] == number:
            runs[-1] = (runs[-1][0], runs[-1][1] + 1)
        else:
            runs.append((number, 1))
    return runs


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
    head = 0
    while head < min(len(old), len(new)) and old[head] == new[head]:
        head += 1
    tail = 0
    while tail < min(len(old), len(new)) - head and old[-1 - tail] == new[-1 - tail]:
        tail += 1
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
