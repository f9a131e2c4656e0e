"""By how much what is said in another language is longer or shorter, passage by passage, and what would mend it."""

from typing import NamedTuple

from cutreel.core.translation import QUICKEST, SLOWEST

from .assembled import Assembled
from .languages import passage_rows

WORTH = 0.25
"""The share of a passage's time from which on a difference is worth a remark."""
SECONDS = 0.6
"""The seconds that it is besides."""


class LengthOf(NamedTuple):
    """A passage by the number of its first word: the seconds it takes in the `original` and `here` (0: not said yet),
    whether `spoken` or reckoned; the `pace` that brings it to the original's length as far as a voice can, and how many
    characters less (or more, below 0) would do at the usual pace. `far`: it differs so much that it is worth a look."""

    word: int
    original: float
    here: float
    spoken: bool
    pace: float
    characters: int
    far: bool


def lengths(here: Assembled, original: Assembled) -> list[LengthOf]:
    """All translated passages of a film, against the same words of its original. Cuts share the numbers of words."""
    places = original.document.word_places
    measured = {
        i
        for n, line in enumerate(here.read.speech)
        if n in here.spoken
        for i in range(line.first, line.end)
    }
    out = []
    for row in passage_rows(here.read):
        p = row.passage
        if row.made is None or p.word not in places:
            continue
        at, words = places[p.word], p.end - p.first
        if at + words > len(original.timing.words):
            continue
        before = float(original.timing.words[at + words - 1, 1] - original.timing.words[at, 0])
        now = float(here.timing.words[p.end - 1, 1] - here.timing.words[p.first, 0])
        wanted = row.made.pace * now / before if before > 0 else 1.0
        pace = round(min(QUICKEST, max(SLOWEST, wanted)), 2)
        size = len(row.made.text)
        characters = round(size * (1 - before / now)) if now > 0 else 0
        far = abs(now - before) > max(SECONDS, WORTH * before)
        out.append(
            LengthOf(
                p.word, round(before, 2), round(now, 2), p.first in measured, pace, characters, far
            )
        )
    return out
