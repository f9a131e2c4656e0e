"""A reading from outside beside our own: checked against the words that it points at, and where the two differ."""

from bisect import bisect_left
from collections.abc import Collection, Sequence
from dataclasses import dataclass

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import strip_marks
from cutreel.protocol import ReadingInput, ReadPerson, WordsMeant

from .reading import ReadFilm

MOST_CAST = 40


@dataclass(frozen=True)
class ReadOtherwise:
    """Words `first` up to `end` (indices) that mean `ours` as we read them, and `theirs` as somebody else does. `word`
    is the number of the last of them."""

    word: int
    first: int
    end: int
    ours: tuple[int, ...]
    theirs: tuple[int, ...]
    why: str


@dataclass(frozen=True)
class Passage:
    """Paragraphs that are read at once: the index of each one's first word, and what is asked."""

    starts: tuple[int, ...]
    asked: ReadingInput


def passages(film: ReadFilm, most: int | None, language: str = "en") -> list[Passage]:
    """A film's paragraphs, as many at once as fit into `most` characters (None: all), to be asked for."""
    cast = [
        ReadPerson(
            id=p.id,
            name=p.name,
            calls=p.aliases,
            kind="animal" if p.is_animal else "thing" if p.kind == "thing" else "person",
            pronoun=p.pronoun,
        )
        for p in film.document.cast[:MOST_CAST]
    ]
    out: list[Passage] = []
    starts: list[int] = []
    told: list[list[str]] = []
    size = 0

    def close() -> None:
        if told:
            asked = ReadingInput(language=language, cast=cast, paragraphs=list(told))
            out.append(Passage(tuple(starts), asked))

    for start, words in _paragraphs(film):
        length = sum(map(len, words)) + len(words)
        if most is not None and told and size + length > most:
            close()
            starts, told, size = [], [], 0
        starts.append(start)
        told.append(words)
        size += length
    close()
    return out


def _paragraphs(film: ReadFilm) -> list[tuple[int, list[str]]]:
    out: list[tuple[int, list[str]]] = []
    last = -1
    for i, word in enumerate(film.script.words):
        if word.paragraph != last:
            out.append((i, []))
            last = word.paragraph
        out[-1][1].append(word.text)
    return out


def check_meant(
    meant: Sequence[WordsMeant], paragraphs: Sequence[Sequence[str]], cast: Collection[int]
) -> None:
    """Raise BadInput, saying what is wrong, unless every answer points at words that are there and at people of the
    cast, and no two answers at the same words."""
    taken: set[tuple[int, int]] = set()
    for m in meant:
        if not 0 <= m.paragraph < len(paragraphs):
            raise _wrong(f"it points at paragraph {m.paragraph} of {len(paragraphs)}")
        words = paragraphs[m.paragraph]
        if not 0 <= m.first < m.end <= len(words):
            raise _wrong(
                f"it points at words {m.first} to {m.end} of a paragraph of {len(words)} words"
            )
        if not any(strip_marks(w) for w in words[m.first : m.end]):
            raise _wrong(f"it points at “{' '.join(words[m.first : m.end])}”, which is no word")
        strangers = [p for p in m.people if p not in cast]
        if strangers:
            raise _wrong(
                f"it names somebody with the number {strangers[0]}, who is not in the cast"
            )
        here = {(m.paragraph, at) for at in range(m.first, m.end)}
        if here & taken:
            raise _wrong(f"it says twice whom “{words[m.first]}” means")
        taken |= here


def _wrong(what: str) -> BadInput:
    return BadInput(f"The reader's answer does not fit the text: {what}.", "Ask again, or another.")


def read_otherwise(
    film: ReadFilm, passage: Passage, meant: Sequence[WordsMeant]
) -> list[ReadOtherwise]:
    """Where a checked reading of a passage differs from ours, in the order of the words. What it leaves out says
    nothing; what the maker set is not asked again."""
    ours = _ours(film)
    by_hand = {m.word for m in film.document.meant}
    out = []
    for m in meant:
        first, end = passage.starts[m.paragraph] + m.first, passage.starts[m.paragraph] + m.end
        word = film.ids[end - 1]
        mine = ours.get(end - 1, ())
        if word not in by_hand and set(mine) != set(m.people):
            out.append(ReadOtherwise(word, first, end, mine, tuple(m.people), m.why))
    return sorted(out, key=lambda d: d.first)


def _ours(film: ReadFilm) -> dict[int, tuple[int, ...]]:
    """Whom each word means as we read it, by the index of a mention's last word."""
    starts = [w.start for w in film.script.words]
    return {
        bisect_left(starts, film.story.starts[n] + m.end) - 1: m.people
        for n, read in film.story.paragraphs.items()
        for m in read.mentions
    }
