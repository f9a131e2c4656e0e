"""The words that are heard and read along in a film: the manuscript's, or those that are said for them."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from cutreel.core.manuscript import Word
from cutreel.core.translation import Piece, glued, spread


class Spoken(Protocol):
    """A line to be spoken: the words `first` up to `end` of the manuscript, and the pieces that are said for them
    (none: these very words)."""

    @property
    def first(self) -> int: ...
    @property
    def end(self) -> int: ...
    @property
    def pieces(self) -> tuple[Piece, ...]: ...


@dataclass(frozen=True)
class SaidWords:
    """The `words` that are said, line by line (`lines`, from its first up to its last), and for each which word of the
    manuscript it stands for (`of`)."""

    words: Sequence[Word]
    lines: list[tuple[int, int]]
    of: Sequence[int]
    pieces: tuple[tuple[Piece, int, int], ...] = ()
    """Each piece with the words (from, up to) that are said for it; none where everything is said as it is written."""

    def index(self, word: int) -> int:
        """The first of the words that are said from the manuscript's word with an index on."""
        return int(np.searchsorted(np.asarray(self.of), word)) if self.pieces else word

    def written_times(
        self, script: Sequence[Word], times: NDArray[np.float64]
    ) -> NDArray[np.float64]:
        """When each word of the manuscript is said, or would be, of what is said at `times`; shape (words, 2)."""
        if not self.pieces:
            return times
        out = np.zeros((len(script), 2))
        for piece, a, b in self.pieces:
            if piece.words is None:
                out[piece.first : piece.end] = times[a:b]
                continue
            written = [w.text for w in script[piece.first : piece.end]]
            out[piece.first : piece.end] = spread(written, piece.words, times[a:b])
        return out


def said_words(script: Sequence[Word], speech: Sequence[Spoken]) -> SaidWords:
    """What is said of a manuscript's words."""
    if not any(line.pieces for line in speech):
        return SaidWords(script, [(w.first, w.end) for w in speech], range(len(script)))
    words: list[Word] = []
    lines: list[tuple[int, int]] = []
    of: list[int] = []
    pieces: list[tuple[Piece, int, int]] = []
    at = 0
    for line in speech:
        begins = len(words)
        for piece in line.pieces or (Piece(line.first, line.end, None),):
            first = script[piece.first]
            here = len(words)
            said = words_of_pieces(script, [piece])
            for placed in as_words(said, at):
                words.append(
                    placed._replace(
                        paragraph=first.paragraph,
                        sentence=first.sentence,
                        line=first.line,
                        scene=first.scene,
                    )
                )
            if piece.words is None:
                # Words as they are written keep their own sentences.
                words[here:] = [
                    w._replace(sentence=script[piece.first + n].sentence)
                    for n, w in enumerate(words[here:])
                ]
                of += range(piece.first, piece.end)
            else:
                share = (piece.end - piece.first) / len(said)
                of += [piece.first + int(k * share) for k in range(len(said))]
            at = words[-1].end + 1
            pieces.append((piece, here, len(words)))
        lines.append((begins, len(words)))
    return SaidWords(words, lines, of, tuple(pieces))


def said_for(
    script: Sequence[Word], speech: Sequence[Spoken], first: int, end: int
) -> Sequence[Word]:
    """What is said for the words `first` up to `end` of a manuscript, which are whole lines or parts between rests."""
    pieces = [p for line in speech for p in line.pieces if first <= p.first < end]
    return as_words(words_of_pieces(script, pieces)) if pieces else script[first:end]


def line_words(script: Sequence[Word], line: Spoken) -> list[str]:
    """The words of a line to be spoken."""
    return words_of_pieces(script, line.pieces or (Piece(line.first, line.end, None),))


def words_of_pieces(script: Sequence[Word], pieces: Sequence[Piece]) -> list[str]:
    """The words that are said for some pieces, one after another."""
    return [word for p in pieces for word in (p.words or [w.text for w in script[p.first : p.end]])]


def as_words(texts: Sequence[str], at: int = 0) -> list[Word]:
    """Words as if they were a text's, whose first character is number `at`."""
    out: list[Word] = []
    for i, text in enumerate(texts):
        begins = at if not i else out[-1].end + (0 if glued(texts[i - 1], text) else 1)
        out.append(Word(begins, begins + len(text), text, 0, 0, 0, 0))
    return out
