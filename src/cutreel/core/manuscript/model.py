"""What a manuscript is made of. Offsets are characters into the text; ranges are half open."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from itertools import groupby
from operator import attrgetter
from typing import NamedTuple


class Word(NamedTuple):
    """One spoken word with the punctuation that clings to it. A tuple, since a film has tens of thousands of them, made
    anew with every edit."""

    start: int
    end: int
    text: str
    paragraph: int
    sentence: int
    line: int
    scene: int

    @property
    def bare(self) -> str:
        """The word without the punctuation around it."""
        return strip_marks(self.text)


@dataclass(frozen=True, slots=True)
class Sentence:
    """Words `first` up to `end`."""

    first: int
    end: int


@dataclass(frozen=True, slots=True)
class Line:
    """A stretch spoken by one speaker: words `first` up to `end`.

    `speaker` is None for the narrator. `why` says what in the text tells who speaks.
    """

    first: int
    end: int
    speaker: str | None
    why: str


@dataclass(frozen=True, slots=True)
class Scene:
    """Words `first` up to `end` under one heading; the heading is not spoken. Offsets are of the
    heading."""

    title: str
    time: str | None
    weather: str | None
    first: int
    end: int
    start_offset: int
    end_offset: int


@dataclass(frozen=True, slots=True)
class Note:
    """Text that is in the manuscript but is not spoken."""

    start: int
    end: int


@dataclass(frozen=True)
class Manuscript:
    """A read script. Every spoken word is in exactly one paragraph, sentence, line and scene."""

    text: str
    words: tuple[Word, ...]
    sentences: tuple[Sentence, ...]
    lines: tuple[Line, ...]
    scenes: tuple[Scene, ...]
    notes: tuple[Note, ...]

    @cached_property
    def speakers(self) -> tuple[str, ...]:
        """Everyone who speaks besides the narrator, in order of first line."""
        return tuple(dict.fromkeys(line.speaker for line in self.lines if line.speaker))

    @cached_property
    def paragraphs(self) -> tuple[tuple[int, int, str], ...]:
        """The spoken paragraphs: number, where it begins, its text."""
        out = []
        for number, words in groupby(self.words, attrgetter("paragraph")):
            run = list(words)
            out.append((number, run[0].start, self.text[run[0].start : run[-1].end]))
        return tuple(out)


OPENING = "\"'“‘«(["
CLOSING = "\"'”’»)]"
_MARKS = OPENING + CLOSING + ".,;:!?…—–-*_"


@lru_cache(maxsize=65_536)
def strip_marks(text: str) -> str:
    """`text` without quotation marks and punctuation at its ends."""
    return text.strip(_MARKS)


def words_text(words: Sequence[Word]) -> str:
    """The words as running text: joined as they stand, each stretch of white space made one
    space."""
    parts: list[str] = []
    for i, word in enumerate(words):
        if i and word.start != words[i - 1].end:
            parts.append(" ")
        parts.append(word.text)
    return "".join(parts)
