"""Who speaks with which voice, and how each line is to be said."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from cutreel.core.continuity import Person, age_of
from cutreel.core.keys import seed_from
from cutreel.core.manuscript import Line, Manuscript
from cutreel.core.reading import language_of
from cutreel.core.speech import direction_told, farthest, joined

from .document import FilmDocument, OwnLine, SceneChoice, Settings
from .offered import VoiceOffered


def voices_for(film: FilmDocument, offered: Sequence[VoiceOffered]) -> list[VoiceOffered]:
    """The voices of a film: those that are offered, and those that were made for it."""
    own = [
        VoiceOffered(v.voice, v.pronoun, v.age, v.length, v.pitch, v.brightness, v.language)
        for v in film.voices
    ]
    return [*offered, *own]


def language_spoken(film: FilmDocument) -> str:
    """The language that a film is spoken in (BCP 47): as set, else that of its text."""
    return film.settings.language or language_of(film.text)


def narrator_of(film: FilmDocument, voices: Sequence[VoiceOffered]) -> str:
    """The narrator's voice: as set; while nobody set it, one that speaks the film's language."""
    set_ = film.settings.narrator
    language = language_spoken(film)
    if set_ != Settings.model_fields["narrator"].default or language == "en":
        return set_
    may = [v for v in voices if v.language == language]
    return next((v.name for v in may if v.age == "adult"), may[0].name if may else set_)


def voice_of(speaker: str | None, film: FilmDocument, voices: Sequence[VoiceOffered]) -> str:
    """The voice of a speaker: as set, else one that fits by pronoun and age, that nobody else has, and that is far
    enough from all that are taken."""
    narrator = narrator_of(film, voices)
    if speaker is None:
        return narrator
    language = language_spoken(film)
    voices = [v for v in voices if v.language == language] or list(voices)
    casting: dict[int, str] = {}
    by_name = {v.name: v for v in voices}
    taken = [narrator, *(p.voice for p in film.cast if p.voice)]
    named = {call.lower(): p for p in reversed(film.cast) for call in (p.name, *p.aliases)}
    for person in film.cast:
        casting[person.id] = person.voice or _proposed(person, voices, by_name, taken)
        taken.append(casting[person.id])
    owner = named.get(speaker.lower())
    if owner and casting[owner.id]:
        return casting[owner.id]
    others = [v.name for v in voices if v.name not in taken] or [v.name for v in voices]
    return others[seed_from("voice", speaker) % len(others)] if others else narrator


def _proposed(
    person: Person,
    voices: Sequence[VoiceOffered],
    by_name: Mapping[str, VoiceOffered],
    taken: Sequence[str],
) -> str:
    may = [v for v in voices if person.pronoun is None or v.pronoun == person.pronoun]
    age = age_of(person)
    fits = [v for v in may if v.age == age]
    free = [v for v in fits if v.name not in taken] or [v for v in may if v.name not in taken]
    free = free or fits or may or list(voices)
    if not free:
        return ""
    return farthest(free, [by_name[name] for name in taken if name in by_name]).name


@dataclass(frozen=True)
class Direction:
    """How a line is to be said: all of it as it is sent (`text`); what the text tells and why; what the maker set
    (None: as told); what holds for all lines of its scene and its speaker; which taking of it is used (`seed`)."""

    text: str
    told: str
    why: str
    own: str | None
    standing: str
    seed: int = 0


def scene_choices(
    film: FilmDocument, script: Manuscript, ids: Sequence[int]
) -> Mapping[int, SceneChoice]:
    """What the maker set for scenes, by their places."""
    chosen = {c.first: c for c in film.scenes}
    if not chosen:
        return {}
    return {
        n: chosen[ids[scene.first]]
        for n, scene in enumerate(script.scenes)
        if scene.first < scene.end and ids[scene.first] in chosen
    }


def directions_of(
    film: FilmDocument, script: Manuscript, ids: Sequence[int]
) -> Mapping[int, Direction]:
    """How each line is to be said, by the line's first word (its index). Lines that are said plainly are left out."""
    own = {line.word: line for line in film.lines}
    manners = {call.lower(): p.manner for p in film.cast for call in (p.name, *p.aliases)}
    scenes = scene_choices(film, script, ids)
    out = {}
    for line in script.lines:
        scene = scenes.get(script.words[line.first].scene)
        speaker = (
            film.settings.manner if line.speaker is None else manners.get(line.speaker.lower(), "")
        )
        standing = joined(scene.manner if scene else "", speaker)
        found = _direction(script, line, own.get(ids[line.first]), standing)
        if found is not None:
            out[line.first] = found
    return out


def _direction(
    script: Manuscript, line: Line, own: OwnLine | None, standing: str
) -> Direction | None:
    told = direction_told(script, line)
    said = told.text if told else ""
    wanted = said if own is None or own.direction is None else own.direction
    seed = own.seed if own else 0
    if not (standing or said or wanted or own):
        return None
    return Direction(
        joined(standing, wanted)[:300],
        said,
        told.why if told else "",
        own.direction if own else None,
        standing,
        seed,
    )
