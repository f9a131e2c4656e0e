"""Names and rare words, how they are said, and lexicons from elsewhere."""

from bisect import bisect_right

from fastapi import APIRouter, Response, UploadFile
from pydantic import BaseModel

from cutreel.core.errors import BadInput
from cutreel.core.film import Change, language_spoken, names_said
from cutreel.core.film.commands import TakeLexicon
from cutreel.core.speech import from_pls, to_pls
from cutreel.making import LEXICON, reader
from cutreel.store import Assembled

from .door import Films, Shop

router = APIRouter(prefix="/api")


class HeardAt(BaseModel):
    """Where a word is heard: a sound, and from when to when in it (seconds)."""

    media: str
    start: float
    end: float


class NameView(BaseModel):
    """A name or a rare word: how often it stands; whether it is in no dictionary (`unknown`); how it is to sound by the
    film's lexicon (`sounds`, `phonemes` in IPA); how it is likely `said` where that says nothing; where it is heard."""

    word: str
    count: int
    unknown: bool
    sounds: str
    phonemes: str
    said: str
    heard: HeardAt | None


@router.get("/films/{film}/names")
def names(film: str, films: Films) -> list[NameView]:
    """Names and rare words of the film, those that are in no dictionary first."""
    assembled = films.now(film).film
    return [
        NameView(
            word=n.word,
            count=n.count,
            unknown=n.unknown,
            sounds=n.sounds,
            phonemes=n.phonemes,
            said=n.said,
            heard=_heard(assembled, n.first),
        )
        for n in names_said(assembled.read)
    ]


def _heard(film: Assembled, word: int) -> HeardAt | None:
    """Where a word (its index) is heard, once its line is spoken."""
    at = bisect_right(film.read.speech, word, key=lambda work: work.first) - 1
    result = film.spoken.get(at)
    if result is None or not result.media or film.said.pieces:
        return None
    start, end = result.data["words"][word - film.read.speech[at].first][:2]
    return HeardAt(media=result.media, start=round(start, 3), end=round(end, 3))


@router.get("/films/{film}/lexicon")
def lexicon(film: str, shop: Shop) -> Response:
    """How words sound, as a W3C pronunciation lexicon (PLS 1.0)."""
    document = shop.films.get(film).document
    return Response(
        to_pls(document.lexicon, language_spoken(document)),
        media_type="application/pls+xml",
        headers={"Content-Disposition": 'attachment; filename="lexicon.pls"'},
    )


class LexiconTaken(BaseModel):
    """How many words were taken, and which were left: several words as one, and phonemes that are not of IPA."""

    taken: int
    left: list[str]


@router.post("/films/{film}/lexicon")
def take_lexicon(film: str, file: UploadFile, shop: Shop) -> LexiconTaken:
    """Take the words of a PLS 1.0 file."""
    found, left = reader.read(from_pls, file.file.read(), what=LEXICON)
    if not found:
        raise BadInput(
            "Nothing in that lexicon says how a word sounds.",
            "Give words an alias, or phonemes in IPA.",
        )
    row = shop.films.get(film)
    shop.films.change(film, Change(revision=row.revision, command=TakeLexicon(sayings=found)))
    return LexiconTaken(taken=len(found), left=left[:40])
