"""Passages: what is translated, one after another. And what is said for which words of the manuscript."""

from collections.abc import Collection, Mapping, Sequence
from itertools import pairwise
from typing import NamedTuple

from cutreel.core.manuscript import Manuscript, words_text

from .model import Translated
from .tokens import words_in


class Passage(NamedTuple):
    """A sentence, or the part of one that one speaker says: words `first` up to `end`, the number of its first word,
    its text, and who says it (None: the narrator)."""

    first: int
    end: int
    word: int
    text: str
    speaker: str | None


class Piece(NamedTuple):
    """The words `first` up to `end` of the manuscript and the `words` that are said for them, at `pace` times the usual
    speed; None: these very words."""

    first: int
    end: int
    words: tuple[str, ...] | None
    pace: float = 1.0


def passages_of(script: Manuscript, ids: Sequence[int]) -> list[Passage]:
    """All passages of a manuscript whose words have the numbers `ids`."""
    words = script.words
    firsts = [
        i
        for i, w in enumerate(words)
        if not i or (w.line, w.sentence) != (words[i - 1].line, words[i - 1].sentence)
    ]
    return [
        Passage(a, b, ids[a], words_text(words[a:b]), script.lines[words[a].line].speaker)
        for a, b in pairwise([*firsts, len(words)])
    ]


def pieces_of(
    passages: Sequence[Passage], known: Mapping[int, Translated], cuts: Collection[int] = ()
) -> list[Piece]:
    """What is said for each passage, in their order, cut where the film rests in the middle of one (`cuts`, indices of
    words). What has no translation is said as it is written."""
    at = sorted(cuts)
    out: list[Piece] = []
    for p in passages:
        made = known.get(p.word)
        said = words_in(made.text) if made is not None else ()
        bounds = (
            [p.first, *(c for c in at if p.first < c < p.end), p.end] if at else [p.first, p.end]
        )
        taken = 0
        for a, b in pairwise(bounds):
            until = (
                len(said) if b == p.end else round(len(said) * (b - p.first) / (p.end - p.first))
            )
            part = said[taken:until]
            taken = until
            if part:
                out.append(Piece(a, b, part, made.pace if made else 1.0))
            elif said and out and out[-1].end == a and a != p.first:
                # Too few words for all of its parts: the one before holds for this one too.
                out[-1] = out[-1]._replace(end=b)
            else:
                out.append(Piece(a, b, None))
    return out
