"""Lines to be spoken: by whom, how, with which words as they sound, in requests that a voice takes; or recorded."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from itertools import pairwise

from cutreel.core.keys import key
from cutreel.core.manuscript import Line, Manuscript, Word, words_text
from cutreel.core.sound import Cleaning
from cutreel.core.speech import (
    Heard,
    WordMark,
    as_ssml,
    marked_text,
    over_told,
    room_in_words,
    said,
    said_as,
)
from cutreel.core.translation import Piece, passages_of, pieces_of

from .casting import Direction, directions_of, language_spoken, voice_of, voices_for
from .document import FilmDocument, Recording, Settings
from .offered import USUAL_TEXT, Offered
from .said import as_words, words_of_pieces

SPEECH_VERSION = 2
ANY_LENGTH = 10**9


@dataclass(frozen=True)
class LineWork:
    """A line to be spoken, cut to the voice's cap: words `first` up to `end`, in one request each. `length` is how long
    its voice takes, where 1 is an even reader; `direction` how it is said, `seed` which taking of it is used. It begins
    `over` the end of the line before by so many seconds. What was spoken before the text's own direction was known, by
    the key `plain`, is heard until it is spoken anew. The manuscript's line begins at the word `line_first`; it is
    `heard` in a room that its words tell; `recorded`: it is the maker's own voice. Where words are marked, `ssml` is
    what is sent. Where something is translated, `pieces` are what is said for which words, at `pace` times the usual
    speed."""

    first: int
    end: int
    text: str
    voice: str
    speaker: str | None
    key: str
    length: float = 1.0
    direction: str = ""
    seed: int = 0
    plain: str = ""
    line_first: int = 0
    heard: Heard | None = None
    recorded: bool = False
    ssml: str = ""
    over: float = 0.0
    pace: float = 1.0
    pieces: tuple[Piece, ...] = ()

    @property
    def sent(self) -> str:
        """What is sent to the voice: the text, or as it is marked."""
        return self.ssml or self.text


Asked = tuple[str, str, str, int, float]
"""What is asked of a voice: the words, the voice, the direction, the seed, the pace."""


class SpokenMemory:
    """What was read of a film's lines last, so that the same is not read again."""

    def __init__(self) -> None:
        self.keys: dict[Asked, str] = {}
        self.texts: dict[str, str] = {}
        self.known: dict[str, str] = {}
        self.english = True
        self.lines: tuple[tuple[object, ...], tuple[LineWork, ...]] | None = None


def lines_spoken(
    film: FilmDocument,
    script: Manuscript,
    offered: Offered,
    pauses: frozenset[int],
    memory: SpokenMemory,
) -> tuple[LineWork, ...]:
    cleaning, language = cleaning_of(film.settings), language_spoken(film)
    english = language == "en"
    depends = (
        script.text, film.cast, film.settings.narrator, film.settings.manner,
        language, film.voices, film.lines, film.lexicon,
        film.read_aloud, film.word_marks, film.scenes, cleaning, offered, pauses, film.translation,
    )  # fmt: skip
    if memory.lines is not None and memory.lines[0] == depends:
        return memory.lines[1]
    casting: dict[str | None, str] = {}
    voices = voices_for(film, offered.voices)
    length = {v.name: v.length for v in voices}
    places = film.word_places
    recordings = {
        places[o.word]: o.recording for o in film.lines if o.recording and o.word in places
    }
    voice_named = cache(offered.voice)
    any_directed = any(v.directed for v in voices) or offered.directed
    directions = directions_of(film, script, film.word_ids) if any_directed else {}
    keys: dict[Asked, str] = {}
    texts: dict[str, str] = {}
    known = {s.word.lower(): s.sounds for s in film.lexicon}
    marks = {places[m.word]: m for m in film.word_marks if m.word in places}
    own = {places[r.word]: r.sounds for r in film.read_aloud if r.word in places}
    overs = _overs(film, script)
    translated = _translated(film, script, pauses)
    before = memory.texts if memory.known == known and memory.english == english else {}

    def key_of(asked: Asked) -> str:
        keys[asked] = memory.keys.get(asked) or line_key(*asked)
        return keys[asked]

    out: list[LineWork] = []
    for line in script.lines:
        if line.speaker not in casting:
            casting[line.speaker] = voice_of(line.speaker, film, voices)
        voice = casting[line.speaker]
        takes = voice_named(voice)
        how = directions.get(line.first) if takes.directed else None
        heard = room_in_words(script, line)
        for first, end, recorded, pieces in _stretches(
            script, line, takes.text_cap or USUAL_TEXT, pauses, recordings, translated
        ):
            words: Sequence[Word] = (
                as_words(words_of_pieces(script.words, pieces))
                if pieces
                else script.words[first:end]
            )
            written = words_text(words)
            here = {i - first: own[i] for i in range(first, end) if i in own and not pieces}
            text = ("" if here else before.get(written, "")) or said_as(words, known, here, english)
            if not here:
                texts[written] = text
            ssml = ""
            if takes.ssml and not pieces and not marks.keys().isdisjoint(range(first, end)):
                spoken = said(words, known, here, english)
                ssml = as_ssml(marked_text(words, spoken, _within(marks, first, end)), language)
            pace = pieces[0].pace if pieces and not recorded else 1.0
            asked = (ssml or text, voice, how.text if how else "", how.seed if how else 0, pace)
            if recorded:
                name, plain = _recorded_keys(written, recorded.media, cleaning)
            else:
                unmarked = (text, *asked[1:]) if ssml else None
                was = unmarked or (None if pieces else _before(written, text, voice, how))
                name, plain = key_of(asked), key_of(was) if was else ""
            out.append(
                LineWork(
                    first,
                    end,
                    text,
                    voice,
                    line.speaker,
                    name,
                    length.get(voice, 1.0) / pace,
                    direction=asked[2],
                    seed=asked[3],
                    plain=plain,
                    line_first=line.first,
                    heard=heard,
                    recorded=recorded is not None,
                    ssml=ssml,
                    over=overs.get(first, 0.0),
                    pace=pace,
                    pieces=pieces,
                )
            )
    memory.keys, memory.texts, memory.known, memory.english = keys, texts, known, english
    memory.lines = (depends, tuple(out))
    return memory.lines[1]


def _recorded_keys(written: str, media: str, cleaning: Cleaning) -> tuple[str, str]:
    """The keys of a recording as it is to be heard, and as it is until it is cleaned (empty: it is not to be)."""
    plain = recorded_key(written, media) if cleaning.any else ""
    return recorded_key(written, media, cleaning), plain


def _within(marks: Mapping[int, WordMark], first: int, end: int) -> dict[int, WordMark]:
    """The marks of some words, by their places among them."""
    return {i - first: marks[i] for i in range(first, end) if i in marks}


def _overs(film: FilmDocument, script: Manuscript) -> dict[int, float]:
    """By how many seconds lines begin before those before them have ended, by their first words: as the maker set it,
    or as the text tells."""
    places = film.word_places
    own = {places[o.word]: o.over for o in film.lines if o.over is not None and o.word in places}
    told = {b.first: over_told(script, a, b) for a, b in pairwise(script.lines)}
    return {first: over for first, over in (told | own).items() if over}


def _before(written: str, text: str, voice: str, how: Direction | None) -> Asked | None:
    """What was asked for a line before its direction, or how its figures are read, was known; None where it is said as
    before."""
    told = how is not None and how.told and how.own is None
    if not told and text == written:
        return None
    direction = "" if how is None else how.standing if told else how.text
    return text if told else written, voice, direction, how.seed if how else 0, 1.0


def line_key(text: str, voice: str, direction: str = "", seed: int = 0, pace: float = 1.0) -> str:
    """The key of words that are spoken by a voice. What is said plainly is what it was before there were directions."""
    more: dict[str, str | int | float] = {"direction": direction} if direction else {}
    if seed:
        more["seed"] = seed
    if pace != 1.0:
        more["pace"] = pace
    return key("speech", SPEECH_VERSION, text=text, voice=voice, **more)


def recorded_key(text: str, media: str, cleaning: Cleaning = Cleaning()) -> str:
    """The key of words that the maker recorded, as they were recorded or cleaned."""
    more: dict[str, list[float] | float] = {}
    if any(cleaning[:4]):
        more["cleaned"] = list(cleaning[:4])
    if cleaning.breaths:
        more["breaths"] = cleaning.breaths
    return key("recording", 1, text=text, media=media, **more)


def cleaning_of(settings: Settings) -> Cleaning:
    """By how much a film's recordings are cleaned."""
    return Cleaning(
        settings.clean_noise,
        settings.clean_hum,
        settings.clean_plosives,
        settings.clean_level,
        settings.clean_breaths,
    )


def recordable(script: Manuscript, pauses: Collection[int]) -> list[tuple[int, int]]:
    """What a maker can record in one go, words `first` up to `end`: each line, cut where a hold pauses it. No cap of a
    voice holds for it."""
    return [
        part
        for line in script.lines
        for part in _requests(script, line.first, line.end, ANY_LENGTH, frozenset(pauses))
    ]


Stretch = tuple[int, int, Recording | None, tuple[Piece, ...]]
"""Words `first` up to `end` that are said in one go, whether they are recorded, and what is said for them."""


def _translated(
    film: FilmDocument, script: Manuscript, pauses: frozenset[int]
) -> Mapping[int, Piece]:
    """What is said for the words of a film in another language, by the first of them; empty where it is as written."""
    if film.translation is None:
        return {}
    known = {t.word: t for t in film.translation.passages if t.text.strip()}
    return {p.first: p for p in pieces_of(passages_of(script, film.word_ids), known, pauses)}


def _stretches(
    script: Manuscript,
    line: Line,
    cap: int,
    pauses: frozenset[int],
    recordings: Mapping[int, Recording],
    translated: Mapping[int, Piece],
) -> Iterator[Stretch]:
    """A line cut where a hold pauses it: each part whole where a recording says its words, else in requests under the
    cap."""
    for first, end in _requests(script, line.first, line.end, ANY_LENGTH, pauses):
        pieces = tuple(translated[i] for i in range(first, end) if i in translated)
        recorded = recordings.get(first)
        if recorded and recorded.text == _written(script, first, end, pieces):
            yield first, end, recorded, pieces
        elif pieces:
            for group in _under(cap, script, pieces):
                yield group[0].first, group[-1].end, None, group
        else:
            for one, other in _requests(script, first, end, cap):
                yield one, other, None, ()


def _written(script: Manuscript, first: int, end: int, pieces: Sequence[Piece]) -> str:
    if not pieces:
        return words_text(script.words[first:end])
    return words_text(as_words(words_of_pieces(script.words, pieces)))


def _under(cap: int, script: Manuscript, pieces: Sequence[Piece]) -> Iterator[tuple[Piece, ...]]:
    """Pieces one behind the other as far as they stay under a cap; one that is over it by itself, cut between words."""
    group: list[Piece] = []
    length = 0
    for piece in pieces:
        for part in _cut(piece, cap, script):
            size = len(words_text(as_words(words_of_pieces(script.words, [part])))) + 1
            if group and (length + size > cap or group[-1].pace != part.pace):
                yield tuple(group)
                group, length = [], 0
            group.append(part)
            length += size
    if group:
        yield tuple(group)


def _cut(piece: Piece, cap: int, script: Manuscript) -> list[Piece]:
    """A piece in as many parts as it needs to be under a cap, and has words for."""
    said = words_of_pieces(script.words, [piece])
    parts = -(-(sum(map(len, said)) + len(said)) // max(1, cap - 1))
    parts = min(parts, len(said), piece.end - piece.first)
    if parts < 2:
        return [piece]
    at = [round(len(said) * n / parts) for n in range(parts + 1)]
    of = [piece.first + round((piece.end - piece.first) * n / parts) for n in range(parts + 1)]
    return [
        Piece(of[n], of[n + 1], tuple(said[at[n] : at[n + 1]]), piece.pace) for n in range(parts)
    ]


def _requests(
    script: Manuscript, first: int, end: int, cap: int, pauses: frozenset[int] = frozenset()
) -> list[tuple[int, int]]:
    """Words cut where a hold pauses them, and at sentence ends, or between words where it must be, so that no request
    is over the cap."""
    words = script.words
    span = words[end - 1].end - words[first].start
    if span <= cap and pauses.isdisjoint(range(first + 1, end)):
        return [(first, end)]
    out: list[tuple[int, int]] = []
    while first < end:
        stop = _request_end(script, first, end, cap, pauses)
        out.append((first, stop))
        first = stop
    return out


def _request_end(
    script: Manuscript, first: int, line_end: int, cap: int, pauses: frozenset[int]
) -> int:
    """Where the request that begins with word `first` ends."""
    words = script.words
    length, last_good, end = 0, first, first
    while end < line_end:
        glued = end == first or words[end].start == words[end - 1].end
        length += len(words[end].text) + (0 if glued else 1)
        if length > cap:
            break
        end += 1
        if end == line_end or words[end].sentence != words[end - 1].sentence:
            last_good = end
        if end in pauses:
            return end
    return last_good if last_good > first else max(end, first + 1)
