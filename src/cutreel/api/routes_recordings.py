"""The maker's own voice: for a line, or for the whole story, which the text is followed through."""

import shutil
import tempfile
from collections.abc import Sequence
from pathlib import Path

from fastapi import APIRouter, UploadFile
from pydantic import BaseModel

from cutreel.core.errors import BadInput
from cutreel.core.film import Change, Narration, Recording, language_spoken, recordable, said_for
from cutreel.core.film.commands import KeepNarration
from cutreel.core.manuscript import Word, words_text
from cutreel.core.speech import in_runs
from cutreel.making import (
    SOUND,
    follow_spec,
    keep_narration,
    keep_recording,
    line_at,
    opened_line,
    reader,
    share_heard,
)
from cutreel.store import Assembled, Result

from .door import Films, Shop

router = APIRouter(prefix="/api")


class Recorded(BaseModel):
    """A recording that was kept for a line, as it is set, by the number of the line's first word; and the words
    (counted in the line) that are unsure."""

    word: int
    recording: Recording
    unsure: list[int]


@router.post("/films/{film}/lines/{line}/recording")
def record(film: str, line: int, file: UploadFile, films: Films, shop: Shop) -> Recorded:
    """Keep the maker's own voice for a line; it is used once it is set."""
    assembled = films.now(film).film
    work, read = line_at(assembled, line), assembled.read
    parts = recordable(read.script, read.pauses)
    first, end = next((a, b) for a, b in parts if a <= work.first < b)
    words = said_for(read.script.words, read.speech, first, end)
    flac, found = reader.read(opened_line, file.file.read(), words, what=SOUND)
    media = keep_recording(shop, words, flac, found)
    return Recorded(
        word=read.ids[first],
        recording=Recording(media=media, text=words_text(words)),
        unsure=found["unsure"],
    )


class Elsewhere(BaseModel):
    """What was heard, and where it can be heard: a media file, and seconds of it. `word` is the number of the word that
    stands there in the text, `text` the word without its marks, from the character `start` up to `end`; None for what
    was put in."""

    heard: str
    media: str
    at: float
    word: int | None = None
    text: str = ""
    start: int = 0
    end: int = 0


class LeftOut(BaseModel):
    """Words that follow each other and were not said, and where they stand in the text (characters)."""

    text: str
    start: int
    end: int


class FoundLine(BaseModel):
    """A line of the text as it was found in a recording: its words; how often it was said, whole or in part; which
    words were left out, and which were said otherwise. Too little of it was said where it has no `recording`. `taken`:
    it is what is heard in the film."""

    word: int
    text: str
    said: int
    left: list[LeftOut]
    others: list[Elsewhere]
    recording: Recording | None
    taken: bool


class NarrationView(BaseModel):
    """A recording of the story: how much of it was heard (0 … 1); and, where the text as it stands was followed through
    it, every line and what was put in."""

    key: str
    name: str
    seconds: float
    heard: float
    followed: bool
    lines: list[FoundLine]
    put_in: list[Elsewhere]


@router.get("/films/{film}/narrations")
def narrations(film: str, films: Films, shop: Shop) -> list[NarrationView]:
    """The recordings of the story that were brought, with what was found in each."""
    assembled = films.now(film).film
    return [_view(shop, assembled, n) for n in assembled.document.narrations]


def _view(shop: Shop, film: Assembled, narration: Narration) -> NarrationView:
    found = shop.results.get(follow_spec(film, narration.key).key)
    return NarrationView(
        key=narration.key,
        name=narration.name,
        seconds=narration.seconds,
        heard=1.0 if found else share_heard(shop, film, narration.key),
        followed=found is not None,
        lines=_lines(film, found) if found else [],
        put_in=[Elsewhere(**e) for e in found.data["put_in"]] if found else [],
    )


def _lines(film: Assembled, found: Result) -> list[FoundLine]:
    places = {n: i for i, n in enumerate(film.read.ids)}
    words = film.read.script.words
    used = {o.word: o.recording.media for o in film.document.lines if o.recording}
    return [
        FoundLine(
            word=line["word"],
            text=line["text"],
            said=line["said"],
            left=_left([places[n] for n in line["left"]], words),
            others=[Elsewhere(**o, **_bare(words[places[o["word"]]])) for o in line["others"]],
            recording=Recording(media=line["media"], text=line["text"]) if line["media"] else None,
            taken=line["media"] is not None and used.get(line["word"]) == line["media"],
        )
        for line in found.data["lines"]
    ]


class Cleaned(BaseModel):
    """How many lines are the maker's own voice, and how many of them are heard as clean as is wished."""

    recorded: int
    cleaned: int


@router.get("/films/{film}/cleaning")
def cleaning(film: str, films: Films) -> Cleaned:
    """How far the recordings are cleaned."""
    assembled = films.now(film).film
    own = [(i, line) for i, line in enumerate(assembled.read.speech) if line.recorded]
    spoken = assembled.spoken
    ready = sum(i in spoken and spoken[i].key == line.key for i, line in own)
    return Cleaned(recorded=len(own), cleaned=ready)


@router.post("/films/{film}/narrations")
def bring_narration(film: str, file: UploadFile, films: Films, shop: Shop) -> Narration:
    """Keep a recording of the story, or a part of it; it is heard and followed by a run of its own."""
    document = films.now(film).film.document
    text = document.text
    if language_spoken(document) != "en":
        raise BadInput(
            "Recordings of a whole story are followed in English only so far.",
            "Record the lines one by one; those are taken in any language.",
        )
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "recording"
        with path.open("wb") as out:
            shutil.copyfileobj(file.file, out)
        if not path.stat().st_size:
            raise BadInput("That file is empty.", "Bring another.")
        made = keep_narration(shop, path, file.filename or "recording", text)
    row = shop.films.get(film)
    shop.films.change(film, Change(revision=row.revision, command=KeepNarration(narration=made)))
    return made


def _left(places: list[int], words: Sequence[Word]) -> list[LeftOut]:
    """Words that were left out, those that follow each other together, each with the room behind it."""
    return [
        LeftOut(
            text=words_text(words[run[0] : run[-1] + 1]),
            start=words[run[0]].start,
            end=words[run[-1] + 1].start if run[-1] + 1 < len(words) else words[run[-1]].end,
        )
        for run in in_runs(places)
    ]


def _bare(word: Word) -> dict[str, str | int]:
    """A word without its marks, and where it stands."""
    first = word.start + word.text.find(word.bare)
    return {"text": word.bare, "start": first, "end": first + len(word.bare)}
