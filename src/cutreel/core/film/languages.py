"""A film in another language: a cut that keeps the pictures and the shots of the one it is translated from."""

from collections.abc import Iterable, Sequence
from typing import NamedTuple

from cutreel.core.translation import Passage, Shown, Translated, Translation, passages_of

from .assembled import Assembled
from .document import FilmDocument, Settings
from .plates import plates_of
from .publishing import FIXED
from .reading import ReadFilm

OWN_PARTS = (
    "translation", "texts", "thumbnails", "thumbnail_pictures", "voices", "lines", "lexicon", "read_aloud",
    "word_marks", "narrations", "screen_notes", "agreed",
)  # fmt: skip
"""Parts of the document that a language has for itself, whatever becomes of the cut it is translated from."""
OWN_SETTINGS = (
    "language", "narrator", "manner", "aspect", "captions", "captions_also", "captions_beneath", "caption_style",
    "caption_length", "comma_pause", "stop_pause", "paragraph_rest", "scene_rest", "due",
)  # fmt: skip


def in_language(original: FilmDocument, of: str, language: str) -> FilmDocument:
    """The film as it begins in another language: nothing translated yet, spoken by voices of that language. `of` is the
    id of the cut that it is translated from."""
    usual = FilmDocument(title=original.title, text=original.text)
    settings = original.settings.model_copy(
        update={"language": language, "narrator": Settings.model_fields["narrator"].default}
    )
    # A picture has no language: what was made for thumbnails is there from the start.
    fresh = {n: getattr(usual, n) for n in OWN_PARTS if n != "thumbnail_pictures"}
    return original.model_copy(
        update={
            **fresh,
            "settings": settings,
            "translation": Translation(of=of),
            "cast": [p.model_copy(update={"voice": None}) for p in original.cast],
        }
    )


def following(cut: FilmDocument, original: FilmDocument) -> FilmDocument:
    """A cut in another language with everything that the original has by now, but for what is the language's own."""
    voices = {p.id: p.voice for p in cut.cast}
    own = {name: getattr(cut.settings, name) for name in OWN_SETTINGS}
    return original.model_copy(
        update={
            **{name: getattr(cut, name) for name in OWN_PARTS},
            "settings": original.settings.model_copy(update=own),
            "cast": [p.model_copy(update={"voice": voices.get(p.id)}) for p in original.cast],
            "next_word": max(cut.next_word, original.next_word),
            "next_shot": max(cut.next_shot, original.next_shot),
        }
    )


class PassageRow(NamedTuple):
    """A passage with what it is in the film's language (None: none). `stale`: it says something else now."""

    passage: Passage
    made: Translated | None
    stale: bool


class ScreenRow(NamedTuple):
    """Words on the screen, by how they are written, with what they are in the film's language."""

    words: str
    made: Shown | None


def passage_rows(read: ReadFilm) -> list[PassageRow]:
    """All that is said, in order."""
    known = (
        {t.word: t for t in read.document.translation.passages} if read.document.translation else {}
    )
    out = []
    for passage in passages_of(read.script, read.ids):
        made = known.get(passage.word)
        if made is not None and not made.text.strip():
            made = None
        out.append(PassageRow(passage, made, made is not None and made.source != passage.text))
    return out


def screen_rows(original: Assembled, translation: Translation | None) -> list[ScreenRow]:
    """All that may be read on the screen of a film or in its chapters, once each; captions, which are what is said, are
    none of it."""
    known = {s.source: s for s in translation.shown} if translation else {}
    words = dict.fromkeys(w.strip() for w in _on_screen(original) if any(c.isalpha() for c in w))
    return [ScreenRow(w, known.get(w)) for w in words]


def _on_screen(film: Assembled) -> Iterable[str]:
    yield film.document.title
    yield from (s.title for s in film.read.script.scenes if s.title)
    for card in film.written_cards:
        yield from card.lines
    for plate in plates_of(film.document).values():
        yield from (plate.title, plate.words, plate.by, plate.unit, plate.source)
        for row in plate.rows:
            yield from (row.label, row.more)
    yield from FIXED


class Untranslated(NamedTuple):
    """How many passages are translated of how many, how many were translated from other words, and how many words on
    the screen are not."""

    passages: int
    translated: int
    stale: int
    shown: int


def untranslated(rows: Sequence[PassageRow], shown: Sequence[ScreenRow]) -> Untranslated:
    """How far a translation is."""
    return Untranslated(
        len(rows),
        sum(r.made is not None for r in rows),
        sum(r.stale for r in rows),
        sum(r.made is None or not r.made.text for r in shown),
    )
