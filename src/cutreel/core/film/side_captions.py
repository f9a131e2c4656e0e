"""Captions of a film in other languages than the one that is spoken in it: in files and tracks of their own, or beneath
its own in the picture."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import TYPE_CHECKING, NamedTuple

import numpy as np
from numpy.typing import NDArray

from cutreel.core.captions import Caption, captions_of, evenly
from cutreel.core.manuscript import Word, words_text
from cutreel.core.translation import Piece, Translation, passages_of, pieces_of, spread

from .said import said_words

if TYPE_CHECKING:
    from .assembled import Assembled

SHIFT = 2
"""Words by which a break beneath moves to where sense breaks."""
ROOM = 1.4
"""How many more characters a line beneath has: its letters are smaller."""


class SideCaptions(NamedTuple):
    """The captions of a film in another `language` (BCP 47)."""

    language: str
    captions: list[Caption]


class Beneath(NamedTuple):
    """The language whose words stand beneath a film's own captions in the picture, as the cut with the id `of` has them
    at a `revision`."""

    language: str
    translation: Translation | None
    of: str
    revision: int


class _Passage(NamedTuple):
    """A passage as if it were a line to be spoken."""

    first: int
    end: int
    pieces: tuple[Piece, ...]


def captions_in(film: Assembled, translation: Translation | None) -> list[Caption]:
    """What is said in a film in the words of a `translation` of its manuscript (None: in the manuscript's own), each
    passage while it is said. What is not translated is as it is written."""
    words, times = _said_besides(film, translation)
    return captions_of(words, times, film.document.settings.caption_length) if words else []


def captions_beneath(film: Assembled, translation: Translation | None) -> list[tuple[str, ...]]:
    """For each caption of a film the lines that stand beneath it: what is said until the next caption, in the words of
    a `translation` (None: in the manuscript's own). Every word stands beneath one caption."""
    words, times = _said_besides(film, translation)
    middles = times.mean(axis=1)
    # A word belongs to the caption in which most of it is said; what is said before the first, to that.
    bounds = [int(np.searchsorted(middles, c.start)) for c in film.captions[1:]]
    bounds = [0, *(_by_sense(words, at) for at in bounds), len(words)]
    bounds = np.maximum.accumulate(bounds).tolist()
    length = round(film.document.settings.caption_length * ROOM)
    return [evenly(words_text(words[first:end]), length) for first, end in pairwise(bounds)][
        : len(film.captions)
    ]


def _by_sense(words: Sequence[Word], at: int) -> int:
    """Where a break before the word `at` falls better: behind a comma or stop that is near, if there is one."""
    near = sorted(range(at - SHIFT, at + SHIFT + 1), key=lambda n: abs(n - at))
    return next((n for n in near if 0 < n <= len(words) and _stops(words[n - 1].text)), at)


def _stops(word: str) -> bool:
    return word.rstrip('”’"»)')[-1:] in {*",.;:!?…—、。，！？"}


def _said_besides(
    film: Assembled, translation: Translation | None
) -> tuple[Sequence[Word], NDArray[np.float64]]:
    """The words of another language with their times (seconds, shape (words, 2)), by the voice that is heard."""
    script, ids = film.read.script, film.read.ids
    if not script.words:
        return [], np.zeros((0, 2))
    known = {t.word: t for t in translation.passages} if translation else {}
    lines = [
        _Passage(p.first, p.end, tuple(pieces_of([p], known))) for p in passages_of(script, ids)
    ]
    said = said_words(script.words, lines)
    written = film.said.written_times(script.words, film.said_times)
    texts = [w.text for w in script.words]
    if not said.pieces:
        return script.words, written
    times = np.zeros((len(said.words), 2))
    for piece, first, end in said.pieces:
        times[first:end] = _times(piece, texts, written)
    return said.words, times


def _times(piece: Piece, texts: Sequence[str], written: NDArray[np.float64]) -> NDArray[np.float64]:
    """When the words of a piece are said, of those of the manuscript."""
    here = written[piece.first : piece.end]
    if piece.words is None:
        return here
    return spread(piece.words, texts[piece.first : piece.end], here)
