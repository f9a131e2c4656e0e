"""Captions of a film in other languages than the one that is spoken in it."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from cutreel.core.captions import Caption, captions_of
from cutreel.core.translation import Piece, Translation, passages_of, pieces_of, spread

from .assembled import Assembled
from .said import said_words


class SideCaptions(NamedTuple):
    """The captions of a film in another `language` (BCP 47)."""

    language: str
    captions: list[Caption]


class _Passage(NamedTuple):
    """A passage as if it were a line to be spoken."""

    first: int
    end: int
    pieces: tuple[Piece, ...]


def captions_in(film: Assembled, translation: Translation | None) -> list[Caption]:
    """What is said in a film in the words of a `translation` of its manuscript (None: in the manuscript's own), each
    passage while it is said. What is not translated is as it is written."""
    script, ids = film.read.script, film.read.ids
    if not script.words:
        return []
    known = {t.word: t for t in translation.passages} if translation else {}
    lines = [
        _Passage(p.first, p.end, tuple(pieces_of([p], known))) for p in passages_of(script, ids)
    ]
    said = said_words(script.words, lines)
    written = film.said.written_times(script.words, film.said_times)
    texts = [w.text for w in script.words]
    length = film.document.settings.caption_length
    if not said.pieces:
        return captions_of(script.words, written, length)
    times = np.zeros((len(said.words), 2))
    for piece, first, end in said.pieces:
        times[first:end] = _times(piece, texts, written)
    return captions_of(said.words, times, length)


def _times(piece: Piece, texts: Sequence[str], written: NDArray[np.float64]) -> NDArray[np.float64]:
    """When the words of a piece are said, of those of the manuscript."""
    here = written[piece.first : piece.end]
    if piece.words is None:
        return here
    return spread(piece.words, texts[piece.first : piece.end], here)
