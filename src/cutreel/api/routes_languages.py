"""A film in other languages: cuts beside each other, tables for translators, lengths and what mends them."""

from bisect import bisect_right
from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, field
from typing import Literal

from fastapi import APIRouter, Response, UploadFile
from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    Change,
    PassageRow,
    ScreenRow,
    language_spoken,
    lengths,
    passage_rows,
    screen_rows,
    untranslated,
)
from cutreel.core.film.commands import Translate
from cutreel.core.reading import language_of
from cutreel.core.translation import (
    Shown,
    TableRow,
    Translated,
    TranslatedBy,
    read_translated,
    write_table,
    write_xliff,
)
from cutreel.making import TABLE, behind, follow, keep_in_language, original_of, reader
from cutreel.store import Assembled, Cut

from .door import Films, Shop
from .routes_cuts import CutView, DifferenceView

router = APIRouter(prefix="/api/films/{film}")
SCREEN = "screen"
TableForm = Literal["csv", "xlf"]


class LanguageView(BaseModel):
    """A cut by the language that it is spoken in (BCP 47): how many of its `passages` are `translated`, how many of
    these are `stale`, how many words on the screen (`shown`) are not translated, and its seconds. `original`: it is in
    the language of its manuscript."""

    film: str
    name: str
    language: str
    original: bool
    passages: int
    translated: int
    stale: int
    shown: int
    seconds: float


class LanguagesView(BaseModel):
    """All languages of a film, and those that a service translates into (`offered`; None: nobody translates)."""

    languages: list[LanguageView]
    offered: list[str] | None
    spoken: list[str]
    """Languages that voices speak."""


@router.get("/languages")
def languages(film: str, shop: Shop, films: Films) -> LanguagesView:
    """The film's cuts by their languages, as they were made."""
    out = []
    for cut in shop.whole.cuts(film):
        here = films.now(cut.film).film
        translation = here.document.translation
        rows = passage_rows(here.read) if translation else []
        found = untranslated(rows, screen_rows(here, translation) if translation else [])
        out.append(
            LanguageView(
                film=cut.film,
                name=cut.name,
                language=language_spoken(here.document),
                original=translation is None,
                seconds=here.seconds,
                **found._asdict(),
            )
        )
    offers = shop.offers()
    translating = [o for o in offers if o.kind == "translation"]
    voices = {v.language for o in offers if o.kind == "speech" for v in o.voices}
    offered = sorted({t for o in translating for t in o.languages}) if translating else None
    return LanguagesView(languages=out, offered=offered, spoken=sorted(voices))


class LanguageWish(BaseModel):
    """A language (BCP 47), and what its cut is called."""

    language: str = Field(max_length=12, pattern=r"^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$")
    name: str = Field(min_length=1, max_length=60)


@router.post("/languages", status_code=201)
def begin(film: str, wish: LanguageWish, shop: Shop, films: Films) -> CutView:
    """Keep the film as it is now in another language; nothing is translated yet, and no picture is made anew."""
    name = " ".join(wish.name.split())
    made = keep_in_language(shop, film, wish.language, name)
    head = films.now(made).head
    return CutView(film=made, name=name, aspect=head.settings.aspect, seconds=head.seconds)


class TranslatedRow(BaseModel):
    """A passage by the number of its first word: who says it, what it says, what it is in the film's language (empty:
    not translated) and by whom; `stale`: its words changed since. Its seconds in the `original` and `here`, whether
    those are `spoken` or reckoned; the `pace` it is said at, the one that would bring it to the original's length
    (`needs`), and how many `characters` less would do; `far`: it differs by so much that it is worth a look. `shot` is
    the number of the one it begins in."""

    word: int
    shot: int
    who: str
    source: str
    text: str
    by: TranslatedBy | None
    stale: bool
    original: float | None
    here: float | None
    spoken: bool
    pace: float
    needs: float
    characters: int
    far: bool


class ShownRow(BaseModel):
    """Words on the screen, and what they are in the film's language (empty: as they are)."""

    source: str
    text: str
    by: TranslatedBy | None


class TranslationView(BaseModel):
    """A cut in another language beside the one it is translated from: the seconds of both; what that one has otherwise
    by now (`behind`)."""

    language: str
    source: str
    original: str | None
    original_name: str
    seconds: float
    original_seconds: float
    rows: list[TranslatedRow]
    shown: list[ShownRow]
    behind: list[DifferenceView]


@router.get("/translation")
def translation(film: str, shop: Shop, films: Films) -> TranslationView:
    """All that is said and shown, and what it is in the cut's language. Raises BadInput for a cut in the language of
    its manuscript."""
    here = _translated(films.now(film).film)
    cut: Cut | None = None
    original: Assembled | None = None
    with suppress(NotFound):
        cut = original_of(shop, film)
        original = films.now(cut.film).film
    known = {le.word: le for le in lengths(here, original)} if original else {}
    firsts = [s.first for s in here.read.shots]
    rows = []
    for row in passage_rows(here.read):
        p, found = row.passage, known.get(row.passage.word)
        at = max(0, bisect_right(firsts, p.first) - 1)
        rows.append(
            TranslatedRow(
                word=p.word,
                shot=here.read.shots[at].shot.id,
                who=p.speaker or "",
                source=p.text,
                text=row.made.text if row.made else "",
                by=row.made.by if row.made else None,
                stale=row.stale,
                original=found.original if found else None,
                here=found.here if found else None,
                spoken=found.spoken if found else False,
                pace=row.made.pace if row.made else 1.0,
                needs=found.pace if found else 1.0,
                characters=found.characters if found else 0,
                far=found.far if found else False,
            )
        )
    return TranslationView(
        language=language_spoken(here.document),
        source=language_of(here.document.text),
        original=cut.film if cut else None,
        original_name=cut.name if cut else "",
        seconds=here.seconds,
        original_seconds=original.seconds if original else 0.0,
        rows=rows,
        shown=[_shown(r) for r in screen_rows(here, here.document.translation)],
        behind=[DifferenceView(**d._asdict()) for d in behind(here, original)] if original else [],
    )


def _shown(row: ScreenRow) -> ShownRow:
    made = row.made
    return ShownRow(source=row.words, text=made.text if made else "", by=made.by if made else None)


def _translated(film: Assembled) -> Assembled:
    if film.document.translation is None:
        raise BadInput(
            "This cut is in the language of its manuscript.", "Keep it in another language first."
        )
    return film


@router.get("/translation.{form}")
def table(film: str, form: TableForm, films: Films) -> Response:
    """The table for a translator, with what is translated so far: CSV, or XLIFF 2.0."""
    here = _translated(films.now(film).film)
    rows = _table(here)
    language = language_spoken(here.document)
    headers = {"Content-Disposition": f'attachment; filename="translation-{language}.{form}"'}
    if form == "csv":
        return Response(write_table(rows), media_type="text/csv; charset=utf-8", headers=headers)
    text = write_xliff(rows, language_of(here.document.text), language)
    return Response(text, media_type="application/xliff+xml", headers=headers)


def _table(film: Assembled) -> list[TableRow]:
    times = film.timing.words
    said = [
        TableRow(
            str(r.passage.word),
            r.passage.speaker or "narrator",
            r.passage.text,
            r.made.text if r.made and not r.stale else "",
            float(times[r.passage.end - 1, 1] - times[r.passage.first, 0]),
        )
        for r in passage_rows(film.read)
    ]
    screen = screen_rows(film, film.document.translation)
    return said + [
        TableRow(f"{SCREEN} {n}", "on the screen", r.words, r.made.text if r.made else "")
        for n, r in enumerate(screen, 1)
    ]


class TableTaken(BaseModel):
    """How many passages, and words on the screen, were taken; how many were the same already, how many are empty; the
    first words of what the film does not say (any more), which was left."""

    taken: int
    same: int
    empty: int
    left: list[str]


@router.post("/translation")
def bring(film: str, file: UploadFile, shop: Shop, films: Films) -> TableTaken:
    """Take a table that was filled in. It is one change, which can be taken back."""
    state = films.now(film)
    here = _translated(state.film)
    rows = reader.read(read_translated, file.file.read(), what=TABLE)
    found = _found(here, rows)
    if found.passages or found.shown:
        command = Translate(passages=found.passages, shown=found.shown)
        shop.films.change(film, Change(revision=state.row.revision, command=command))
    elif not found.same:
        raise BadInput(
            "Nothing in that table is translated.",
            "Fill in the column “translation”, and bring it again.",
        )
    return TableTaken(
        taken=len(found.passages) + len(found.shown),
        same=found.same,
        empty=found.empty,
        left=[text[:80] for text in found.left[:40]],
    )


@dataclass
class _Found:
    """What a table has for a film."""

    passages: list[Translated] = field(default_factory=list)
    shown: list[Shown] = field(default_factory=list)
    same: int = 0
    empty: int = 0
    left: list[str] = field(default_factory=list)


def _found(film: Assembled, rows: Sequence[TableRow]) -> _Found:
    by_word = {str(r.passage.word): r for r in passage_rows(film.read)}
    by_text = {r.passage.text: r for r in by_word.values()}
    screen = {r.words: r for r in screen_rows(film, film.document.translation)}
    out = _Found()
    for row in rows:
        on = screen.get(row.words) if row.number.startswith(SCREEN) else None
        here = None if row.number.startswith(SCREEN) else by_word.get(row.number)
        if on is None and (here is None or (row.words and here.passage.text != row.words)):
            # What was moved since is found by what it says.
            here = by_text.get(row.words)
        known = on.made if on else here.made if here and not here.stale else None
        if on is None and here is None:
            out.left.append(row.words or row.number)
        elif not row.translation:
            out.empty += 1
        elif known is not None and known.text == row.translation:
            out.same += 1
        elif here is not None:
            out.passages.append(_taken(here, row.translation))
        else:
            out.shown.append(Shown(source=row.words, text=row.translation, by="table"))
    return out


def _taken(row: PassageRow, text: str) -> Translated:
    pace = row.made.pace if row.made else 1.0
    return Translated(
        word=row.passage.word, source=row.passage.text, text=text, by="table", pace=pace
    )


@router.post("/follow", status_code=204)
def follow_original(film: str, shop: Shop) -> None:
    """Take over what the cut that this one is translated from has by now: its words, shots and pictures. What is
    translated stays, and is marked where its words changed."""
    follow(shop, film)
