"""What is read out of a film's document: shots with their words and facts, prompts, lines to speak,
and their keys.

All of it is a pure function of the document and of what services offer; nothing made is looked at
here.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import partial

from cutreel.core.continuity import (
    FRAMINGS,
    Look,
    Person,
    Place,
    Prompt,
    ShotFacts,
    age_of,
    compose_negative,
    compose_picture,
    dressed,
    facts_of_shots,
    look_named,
)
from cutreel.core.keys import key, seed_from
from cutreel.core.manuscript import Line, Manuscript, read, words_text
from cutreel.core.motion import Move

from .document import FilmDocument, Shot
from .offered import Offered, VoiceOffered

PICTURE_VERSION, SPEECH_VERSION = 1, 2


@dataclass(frozen=True)
class PictureReference:
    """A picture that goes with a prompt: its media file, how closely it is to be followed (0 …
    100), and of whom it is (empty: of the look, or of the place)."""

    media: str
    strength: int
    name: str = ""


@dataclass(frozen=True)
class ReadShot:
    """A shot with what it shows. Words `first` up to `end` are indices into the manuscript, the
    same for a shot without words; `picture_of` is the number of the shot whose picture it shows,
    mostly its own. `negative` is what its picture must not show, `sent_negative` the same where the
    offer understands it. `unpinned_key` is its `picture_key` as it would be without a seed set for
    the shot."""

    shot: Shot
    first: int
    end: int
    scene: int
    text: str
    facts: ShotFacts
    people: tuple[Person, ...]
    prompt: Prompt
    negative: str
    seed: int
    move: Move
    picture_key: str
    picture_of: int
    references: tuple[PictureReference, ...] = ()
    lighter: tuple[str, ...] = ()
    sent_negative: str = ""
    unpinned_key: str = ""
    size: tuple[int, int] = (1280, 720)


@dataclass(frozen=True)
class LineWork:
    """A line to be spoken, cut to the voice's cap: words `first` up to `end`, in one request each.
    `length` is how long its voice takes, where 1 is an even reader."""

    first: int
    end: int
    text: str
    voice: str
    speaker: str | None
    key: str
    length: float = 1.0


@dataclass(frozen=True)
class ReadFilm:
    """A film as read: the manuscript, the numbers of its words, its shots, and what has to be
    spoken."""

    document: FilmDocument
    offered: Offered
    script: Manuscript
    ids: tuple[int, ...]
    shots: tuple[ReadShot, ...]
    speech: tuple[LineWork, ...]

    @property
    def opens(self) -> list[int]:
        return [s.first for s in self.shots]

    @property
    def pauses(self) -> dict[int, float]:
        """Seconds of silence that holds put before a word, by its index (that behind the last: at
        the end)."""
        out: dict[int, float] = {}
        for shot in self.shots:
            if shot.shot.hold:
                out[shot.end] = out.get(shot.end, 0.0) + shot.shot.hold
        return out


def read_film(film: FilmDocument, offered: Offered) -> ReadFilm:
    """Read `film` for services that take and understand what is `offered`."""
    understands = offered.understands
    script = read(film.text)
    ids = film.word_ids
    at = {number: i for i, number in enumerate(ids)}
    opens = _opens(film, at, len(script.words))
    facts = facts_of_shots(
        script,
        opens,
        film.cast,
        film.places,
        [s.own for s in film.shots],
        {script.words[at[s.first]].scene: s.own for s in film.scenes if s.first in at},
        [s.id for s in film.shots],
    )
    look = look_named(film.settings.look, film.looks)
    cast = {p.id: p for p in film.cast}
    size = offered.picture_size(film.settings.aspect)
    negative = compose_negative(look, film.settings.negative)
    sent = negative if "negative" in understands else ""
    placed = {p.description or p.name: p for p in reversed(film.places)}
    for_scene = {s.first: s.own.prompt for s in film.scenes}
    shots: list[ReadShot] = []
    scene = 0
    for i, (shot, fact) in enumerate(zip(film.shots, facts, strict=True)):
        end = opens[i + 1] if i + 1 < len(opens) else len(script.words)
        scene = script.words[opens[i]].scene if end > opens[i] else scene
        begins = script.scenes[scene].first
        word = ids[begins] if begins < len(ids) else 0
        people = tuple(dressed(cast[p], word, shot.id) for p in fact.people if p in cast)
        move = shot.own.move or move_told(shot.own.motion) or move_for(fact, shot.id)
        prompt = compose_picture(
            fact,
            people,
            look,
            offered.prompt_cap,
            shot.own.prompt,
            place=placed.get(fact.place),
            scene_hand=for_scene.get(word),
            moves=move != "still",
        )
        seed = seed_of(film, shot, people)
        place = placed.get(fact.place)
        references = _references(look, people, place) if "references" in understands else ()
        lighter = _lighter(people, prompt) if "weights" in understands else ()
        key_at = partial(
            _picture_key, prompt.text, sent, list(size), film.settings.offer, references, lighter
        )
        shots.append(
            ReadShot(
                shot=shot,
                first=opens[i],
                end=end,
                scene=scene,
                text=words_text(script.words[opens[i] : end]),
                facts=fact,
                people=people,
                prompt=prompt,
                negative=negative,
                sent_negative=sent,
                seed=seed,
                move=move,
                picture_key=key_at(seed),
                unpinned_key=key_at(
                    seed if shot.own.seed is None else seed_of(film, shot, people, pinned=False)
                ),
                picture_of=shot.id,
                references=references,
                lighter=lighter,
                size=size,
            )
        )
    by_number = {s.shot.id: s for s in shots}
    shots = [
        _borrowed(s, by_number[s.shot.same_as]) if s.shot.same_as in by_number else s for s in shots
    ]
    read_so_far = ReadFilm(film, offered, script, tuple(ids), tuple(shots), ())
    pauses = frozenset(read_so_far.pauses)
    speech = _speech(film, script, offered.voices, offered.text_cap, pauses)
    return replace(read_so_far, speech=tuple(speech))


MOST_REFERENCES = 4


def _picture_key(
    prompt: str,
    negative: str,
    size: Sequence[int],
    offer: str,
    references: Sequence[PictureReference],
    lighter: Sequence[str],
    seed: int,
) -> str:
    """The key of what a shot asks for: a picture made from another one is stale."""
    return key(
        "picture",
        PICTURE_VERSION,
        prompt=prompt,
        negative=negative,
        seed=seed,
        size=size,
        offer=offer,
        **({"references": [[r.media, r.strength] for r in references]} if references else {}),
        **({"lighter": lighter} if lighter else {}),
    )


def _references(
    look: Look, people: Sequence[Person], place: Place | None
) -> tuple[PictureReference, ...]:
    """The pictures that go with a prompt: of who is in it, in this look; of the look itself; of the
    place."""
    of_people = [
        PictureReference(r.media, r.strength, p.name)
        for p in people
        for r in p.references[:1]
        if r.strength and r.look in ("", look.name)
    ]
    of_look = [
        PictureReference(r.media, min(r.strength, look.strength))
        for r in look.references
        if look.strength
    ]
    of_place = [
        PictureReference(r.media, r.strength)
        for r in (place.references if place else [])[:1]
        if r.strength
    ]
    return tuple([*of_people, *of_look[:1], *of_place][:MOST_REFERENCES])


def _lighter(people: Sequence[Person], prompt: Prompt) -> tuple[str, ...]:
    """The traits in a prompt that may go where room is short: they weigh less than the others in
    the picture too."""
    said = [t.text for p in people for t in p.traits if t.weight == "if room" and t.text]
    return tuple(dict.fromkeys(text for text in said if text in prompt.text))


def seed_of(film: FilmDocument, shot: Shot, people: Sequence[Person], pinned: bool = True) -> int:
    """The seed of a shot's picture: the one set for the shot, else that of the one person in it who
    has one of their own, else the film's, which every shot varies unless all are to have the same.
    `pinned` False leaves the first out."""
    if pinned and shot.own.seed is not None:
        return shot.own.seed
    alone = people[0].seed if len(people) == 1 else None
    if alone is not None:
        return alone
    return (
        film.settings.seed
        if film.settings.seeds == "one"
        else seed_from(film.settings.seed, shot.id)
    )


def _opens(film: FilmDocument, at: dict[int, int], words: int) -> list[int]:
    """The index of the word at which each shot opens; a shot without words opens where the next one
    does."""
    opens: list[int] = []
    following = words
    for shot in reversed(film.shots):
        following = following if shot.first is None else at[shot.first]
        opens.append(following)
    return opens[::-1]


def _borrowed(shot: ReadShot, lender: ReadShot) -> ReadShot:
    """A shot that shows another's picture: it asks for what that one asks for."""
    return replace(
        shot,
        prompt=lender.prompt,
        negative=lender.negative,
        sent_negative=lender.sent_negative,
        seed=lender.seed,
        picture_key=lender.picture_key,
        unpinned_key=lender.unpinned_key,
        picture_of=lender.shot.id,
        move=shot.shot.own.move or ("pull" if lender.move == "push" else "push"),
    )


_TOLD: tuple[tuple[str, Move], ...] = (
    (r"zoom(?:s|ing)? out|pull(?:s|ing)? (?:back|out)|dolly out", "pull"),
    (r"zoom|push|dolly|closer|move(?:s)? in", "push"),
    (r"pan(?:s|ning)? (?:to the )?left", "pan left"),
    (r"\bpan|track", "pan right"),
    (r"tilt(?:s|ing)? down", "tilt down"),
    (r"\btilt|rise", "tilt up"),
    (r"static|still|locked|no movement", "still"),
)


def move_told(motion: str | None) -> Move | None:
    """The camera path that a motion prompt of the maker's own asks for, where its words say one."""
    return (
        next((move for words, move in _TOLD if re.search(words, motion, re.I)), None)
        if motion
        else None
    )


def move_for(facts: ShotFacts, turn: int) -> Move:
    """The move of a shot when the maker sets none: a push; wide views pan now and then, so that
    pushes do not tire.

    `turn` is the shot's own number, so that a new shot changes the move of no other.
    """
    if facts.framing in FRAMINGS[:2] and not facts.people and turn % 3 == 2:
        return "pan right" if turn % 2 else "pan left"
    return "pull" if turn % 5 == 4 else "push"


def voice_of(speaker: str | None, film: FilmDocument, voices: Sequence[VoiceOffered]) -> str:
    """The voice of a speaker: as set, else the first that fits by pronoun and age and that nobody
    else has."""
    if speaker is None:
        return film.settings.narrator
    casting: dict[int, str] = {}
    taken = {film.settings.narrator} | {p.voice for p in film.cast if p.voice}
    named = {call.lower(): p for p in reversed(film.cast) for call in (p.name, *p.aliases)}
    for person in film.cast:
        if person.voice:
            casting[person.id] = person.voice
            continue
        age = age_of(person)
        fits = [
            v
            for v in voices
            if v.age == age and (person.pronoun is None or v.pronoun == person.pronoun)
        ]
        fits += [v for v in voices if person.pronoun is None or v.pronoun == person.pronoun]
        free = (
            [v.name for v in fits if v.name not in taken]
            or [v.name for v in fits]
            or [v.name for v in voices]
        )
        if free:
            casting[person.id] = free[0]
            taken.add(free[0])
    owner = named.get(speaker.lower())
    if owner and owner.id in casting:
        return casting[owner.id]
    others = [v.name for v in voices if v.name not in taken] or [v.name for v in voices]
    return others[seed_from("voice", speaker) % len(others)] if others else film.settings.narrator


def _speech(
    film: FilmDocument,
    script: Manuscript,
    voices: Sequence[VoiceOffered],
    cap: int,
    pauses: frozenset[int],
) -> list[LineWork]:
    casting: dict[str | None, str] = {}
    length = {v.name: v.length for v in voices}
    out: list[LineWork] = []
    for line in script.lines:
        if line.speaker not in casting:
            casting[line.speaker] = voice_of(line.speaker, film, voices)
        voice = casting[line.speaker]
        for first, end in _requests(script, line, cap, pauses):
            text = words_text(script.words[first:end])
            out.append(
                LineWork(
                    first,
                    end,
                    text,
                    voice,
                    line.speaker,
                    key("speech", SPEECH_VERSION, text=text, voice=voice),
                    length.get(voice, 1.0),
                )
            )
    return out


def _requests(
    script: Manuscript, line: Line, cap: int, pauses: frozenset[int] = frozenset()
) -> list[tuple[int, int]]:
    """A line cut where a hold pauses it, and at sentence ends, or between words where it must be,
    so that no request is over the cap."""
    out: list[tuple[int, int]] = []
    first = line.first
    while first < line.end:
        end, last_good = first, first
        while end < line.end and len(words_text(script.words[first : end + 1])) <= cap:
            end += 1
            if end == line.end or script.words[end].sentence != script.words[end - 1].sentence:
                last_good = end
            if end in pauses:
                last_good = end
                break
        stop = last_good if last_good > first else max(end, first + 1)
        out.append((first, stop))
        first = stop
    return out
