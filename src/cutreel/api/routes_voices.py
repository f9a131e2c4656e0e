"""Voices: made by description, heard on a line; how a line is said and when each of its words."""

from collections.abc import Sequence
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from cutreel.core.film import (
    VOICE_RATE,
    Direction,
    FilmDocument,
    Recording,
    Result,
    directions_of,
    language_spoken,
    longest_of,
    scene_choices,
    tightened,
)
from cutreel.core.manuscript import words_text
from cutreel.core.speech import (
    Listened,
    Longest,
    Measured,
    WordMark,
    beside,
    cuts_in,
    doubts,
    readings,
    respelled,
)
from cutreel.core.timeline import Room
from cutreel.making import (
    MOST_HEARD,
    described_voices,
    heard_as,
    line_at,
    listened_key,
    takes_of_line,
)
from cutreel.protocol import Voice

from .door import Films, Shop

router = APIRouter(prefix="/api")


class SaidWord(BaseModel):
    """A word of a line: its number, and when it is said, in seconds of the line; how it is to sound where that is
    otherwise than it is written; as which sounds it was `said`, respelled. Figures and short forms may be read in
    several ways (`readings`, the likeliest first); `reads` is the one that is set for this word alone; `mark` says how
    it is said."""

    number: int
    text: str
    start: float | None
    end: float | None
    sounds: str = ""
    said: str = ""
    readings: list[str] = []
    reads: str = ""
    mark: WordMark


class Heard(BaseModel):
    """A line as it was said: by which voice, its sound, how long it is, and its waveform (0 … 100, twenty a second).
    What is not made yet has no `media`."""

    voice: str
    seed: int
    media: str | None
    seconds: float | None
    peaks: list[int]
    unused: list[str]


class LineSaid(BaseModel):
    """A line, with everything that is told of how it is said: `direction` is all that is sent, `told` and `why` what
    the text tells, `own` what the maker set, `standing` what holds for every line of its speaker and its scene; that of
    the scene (known by its first word's number) is `scene_manner` and `scene_room`. `word` is the number of the first
    word of the manuscript's line, which may be longer than what is asked for at once. `anew`: it is heard as it was
    said before, and is to be said anew. Of what is said the `cuts` (seconds) are not heard in the film. It is heard in
    a `room`, for a reason; it begins `over` the end of the line before by so many seconds. Takings are `rejected`, by
    seed, with the maker's reason. `recorded`: it is the maker's own voice, recorded from the word `recorded_word` on,
    of whose words (counted in the line) those that are `unsure` may stand elsewhere."""

    line: int
    word: int
    speaker: str | None
    person: int | None
    voice: str
    words: list[SaidWord]
    translated: bool
    direction: str
    told: str
    why: str
    own: str | None
    standing: str
    scene: int
    scene_manner: str
    scene_room: Room | None
    seed: int
    takes: list[Heard]
    anew: bool
    cuts: list[tuple[float, float]]
    room: Room
    room_why: str
    room_own: Room | None
    over: float
    over_own: float | None
    rejected: dict[str, str]
    recorded: bool
    recording: Recording | None
    recorded_word: int | None
    unsure: list[int]


@router.get("/films/{film}/lines/{line}")
def line_said(film: str, line: int, films: Films, shop: Shop) -> LineSaid:
    """How a line is said, and all its takings."""
    assembled = films.now(film).film
    work, read = line_at(assembled, line), assembled.read
    script = read.script
    whole = script.lines[script.words[work.first].line]
    said = directions_of(read.document, script, read.ids).get(whole.first)
    how = said or Direction("", "", "", None, "")
    number = read.ids[whole.first]
    own = next((o for o in read.document.lines if o.word == number), None)
    sounds = {s.word.lower(): s.sounds for s in read.document.lexicon}
    reads = {r.word: r.sounds for r in read.document.read_aloud}
    marks = {m.word: m for m in read.document.word_marks}
    called = (work.speaker or "").lower()
    person = next(
        (
            p.id
            for p in read.document.cast
            if called and called in [c.lower() for c in (p.name, *p.aliases)]
        ),
        None,
    )
    keys = (
        [work.key]
        if work.recorded
        else takes_of_line(work, max(own.takes if own else 1, how.seed + 1))
    )
    found = shop.results.many([*keys, *([work.plain] if work.plain else [])])
    result = found.get(work.key) or found.get(work.plain)
    times = result.data["words"] if result else []
    texts = assembled.line_words(line)
    longest = longest_of(read.document.settings)
    english = language_spoken(read.document) == "en"
    at = script.words[work.first].scene
    scene = scene_choices(read.document, script, read.ids).get(at)
    return LineSaid(
        line=line,
        word=number,
        speaker=work.speaker,
        person=person,
        voice=work.voice,
        translated=bool(work.pieces),
        words=[
            SaidWord(
                number=read.ids[work.first],
                text=text,
                start=round(times[n][0], 3) if times else None,
                end=round(times[n][1], 3) if times else None,
                mark=WordMark(word=read.ids[work.first]),
            )
            for n, text in enumerate(texts)
        ]
        if work.pieces
        else [
            SaidWord(
                number=read.ids[i],
                text=script.words[i].text,
                start=round(times[i - work.first][0], 3) if times else None,
                end=round(times[i - work.first][1], 3) if times else None,
                sounds=sounds.get(script.words[i].bare.lower(), ""),
                said=_respelled(result, times[i - work.first]) if result and times else "",
                readings=list(readings(script.words[i].text, beside(script.words, i)))
                if english
                else [],
                reads=reads.get(read.ids[i], ""),
                mark=marks.get(read.ids[i]) or WordMark(word=read.ids[i]),
            )
            for i in range(work.first, work.end)
        ],
        direction=work.direction,
        told=how.told,
        why=how.why,
        own=how.own,
        standing=how.standing,
        scene=read.ids[script.scenes[at].first],
        scene_manner=scene.manner if scene else "",
        scene_room=scene.room if scene else None,
        seed=0 if work.recorded else how.seed,
        over=work.over,
        over_own=own.over if own else None,
        rejected={} if own is None or work.recorded else own.rejected,
        recorded=work.recorded,
        recording=_recording_at(read.document, read.ids[work.first]) if work.recorded else None,
        recorded_word=read.ids[work.first] if work.recorded else None,
        unsure=result.data.get("unsure", []) if result else [],
        takes=[
            # What is to be said anew is heard as it was said before.
            _heard(found.get(k) or (result if k == work.key else None), work.voice, seed)
            for seed, k in enumerate(keys)
        ],
        anew=result is not None and result.key != work.key,
        cuts=cuts_in(texts, times, longest) if times else [],
        room=assembled.rooms[line].room,
        room_why=assembled.rooms[line].why,
        room_own=own.room if own else None,
    )


def _recording_at(film: FilmDocument, word: int) -> Recording | None:
    """The recording of what begins at a word, by its number."""
    return next((o.recording for o in film.lines if o.word == word), None)


def _respelled(result: Result, span: Sequence[float]) -> str:
    """The sounds that a voice made within a word, respelled."""
    offset = result.data["trim"][0] / VOICE_RATE
    middles = (
        (p["text"], (p["start"] + p["end"]) / 2 - offset) for p in result.data.get("phones", [])
    )
    return respelled([text for text, at in middles if span[0] <= at <= span[1]])


@router.get("/films/{film}/lines/{line}/heard")
def line_heard(
    film: str,
    line: int,
    films: Films,
    shop: Shop,
    voice: Annotated[list[str], Query(max_length=MOST_HEARD)],
) -> list[Heard]:
    """A line as some voices say it, as far as they did."""
    work = line_at(films.now(film).film, line)
    keys = {v: heard_as(work, v) for v in voice}
    found = shop.results.many(list(keys.values()))
    return [_heard(found.get(k), v, work.seed) for v, k in keys.items()]


class DeadAir(BaseModel):
    """How long all that is spoken lasts as it is (seconds), and by how much shorter the film is by some longest
    pauses."""

    seconds: float
    saved: float


@router.get("/films/{film}/dead-air")
def dead_air(
    film: str,
    films: Films,
    shop: Shop,
    comma: Annotated[float | None, Query(ge=0.08, le=3)] = None,
    stop: Annotated[float | None, Query(ge=0.08, le=3)] = None,
) -> DeadAir:
    """What shorter pauses would save, before they are set."""
    assembled, longest = films.now(film).film, Longest(comma, stop)
    read = assembled.read
    found = shop.results.many([k for w in read.speech for k in (w.key, w.plain) if k])
    whole = saved = 0.0
    for n, work in enumerate(read.speech):
        result = found.get(work.key) or found.get(work.plain)
        if result is None:
            continue
        texts = assembled.line_words(n)
        whole += result.data["seconds"]
        saved += result.data["seconds"] - tightened(result, texts, longest).data["seconds"]
    return DeadAir(seconds=round(whole, 2), saved=round(saved, 2))


class VoiceWish(BaseModel):
    description: str = Field(min_length=1, max_length=300)
    seed: int = Field(0, ge=0, le=999)


class DescribedVoices(BaseModel):
    """Voices as described, the words of the description that could not be used, and what was paid."""

    voices: list[Voice]
    unused: list[str]
    cost: float


@router.post("/films/{film}/voices")
def make_voices(film: str, wish: VoiceWish, films: Films, shop: Shop) -> DescribedVoices:
    """Three voices by description; asked again with another seed, others."""
    language = language_spoken(films.now(film).row.document)
    made, answer = described_voices(shop, film, wish.description.strip(), wish.seed, language)
    return DescribedVoices(voices=made.voices, unused=answer.unused, cost=answer.cost)


def _heard(result: Result | None, voice: str, seed: int) -> Heard:
    if result is None:
        return Heard(voice=voice, seed=seed, media=None, seconds=None, peaks=[], unused=[])
    return Heard(
        voice=voice,
        seed=seed,
        media=result.media,
        seconds=result.data["seconds"],
        peaks=result.data.get("peaks", []),
        unused=result.data.get("unused", []),
    )


class Figure(BaseModel):
    """A word that may be read in several ways, by its number: as it stands among its neighbours, how it is read now,
    and how else it may be."""

    word: int
    text: str
    before: str
    after: str
    reads: str
    readings: list[str]


MOST_FIGURES = 400


@router.get("/films/{film}/figures")
def figures(film: str, films: Films) -> list[Figure]:
    """Figures, dates, money and short forms of the film, with how each is read; the first few hundred. In languages
    other than English the voice reads them as it does."""
    read = films.now(film).film.read
    words, ids = read.script.words, read.ids
    if language_spoken(read.document) != "en":
        return []
    own = {r.word: r.sounds for r in read.document.read_aloud}
    out = []
    for i, word in enumerate(words):
        near = beside(words, i)
        found = readings(word.text, near)
        if found or ids[i] in own:
            reads = own.get(ids[i]) or found[0]
            out.append(
                Figure(
                    word=ids[i],
                    text=word.text,
                    before=near.before,
                    after=near.after,
                    reads=reads,
                    readings=list(found),
                )
            )
    return out[:MOST_FIGURES]


class Doubtful(BaseModel):
    """A line that may be bad, by its place: why, and which words were not heard; the number of its first word."""

    line: int
    word: int
    speaker: str | None
    text: str
    why: str
    missed: list[str]
    seed: int
    recorded: bool


class ByEar(BaseModel):
    """How many lines are spoken, how many of them were listened to, and which may be bad, worst first."""

    spoken: int
    listened: int
    doubtful: list[Doubtful]


@router.get("/films/{film}/by-ear")
def by_ear(film: str, films: Films, shop: Shop) -> ByEar:
    """What a machine's ear found in the spoken lines."""
    assembled = films.now(film).film
    spoken = {i: r for i, r in assembled.spoken.items() if r.media}
    found = shop.results.many([listened_key(r.key) for r in spoken.values()])
    read = assembled.read
    heard = []
    for i, result in spoken.items():
        data = found[listened_key(result.key)].data if listened_key(result.key) in found else None
        if data is not None:
            work = read.speech[i]
            measured = Measured(data["level"], data["clipped"], data["clicks"])
            count, seconds = len(assembled.line_words(i)), result.data["seconds"]
            missed = tuple(data["missed"])
            heard.append(Listened(i, work.voice, count, seconds, measured, missed))
    out = []
    for doubt in doubts(heard):
        work = read.speech[doubt.line]
        words = read.script.words[work.first : work.end]
        out.append(
            Doubtful(
                line=doubt.line,
                word=read.ids[work.first],
                speaker=work.speaker,
                text=work.text if work.pieces else words_text(words),
                why=doubt.why,
                missed=[words[m].bare for m in doubt.missed if m < len(words)],
                seed=work.seed,
                recorded=work.recorded,
            )
        )
    return ByEar(spoken=len(spoken), listened=len(heard), doubtful=out)
