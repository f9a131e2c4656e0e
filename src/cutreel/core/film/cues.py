"""The cues of a film: what the text tells, what the maker placed, each as the maker wants it, and music with its
score."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace

import numpy as np

from cutreel.core.continuity import MadeBy, look_named
from cutreel.core.kept import Kept
from cutreel.core.sound import (
    SPOT_SECONDS,
    Course,
    Cue,
    Score,
    Spot,
    Stretch,
    ambience_cues,
    bent,
    instruments_for,
    music_cues,
    own_cues,
    score_for,
    spot_cues,
    told_tension,
)
from cutreel.core.timeline import Footage, FrameRate, Span, Timing

from .document import CueChoice, FilmDocument, OwnSound, PlacedCue
from .reading import ReadFilm

LEAST_THEMED = 12.0
"""Seconds of music in which a tune has room."""
SEEN_FOR, AT_FOR = 0.4, 0.6
"""Shares of a piece's time for which somebody is seen, or a place is, whose tune it has."""


def cues_of(
    read: ReadFilm,
    spots: Sequence[Spot],
    spans: Sequence[Span],
    rate: FrameRate,
    timing: Timing,
    course: Course,
    memory: Kept,
    clips: Sequence[Footage | None] = (),
) -> list[Cue]:
    """The cues that the text and the maker ask for, without those that the maker lifted, one by one or all alike, and
    what is heard of the `clips` of shots."""
    film = read.document
    lifted, alike = set(film.lifted_cues), set(film.lifted_sounds)
    numbers = [s.shot.id for s in read.shots]
    facts = [s.facts for s in read.shots]
    told = [(f.place, f.weather, f.time, f.mood) for f in facts]
    ambiences = memory.of(
        "ambiences", lambda: ambience_cues(facts, spans, rate, numbers), (told, spans, numbers)
    )
    scenes = [s.scene for s in read.shots]
    music = memory.of(
        "music",
        lambda: music_cues(film.settings.music, facts, spans, rate, numbers, scenes),
        (film.settings.music, told, spans, numbers, scenes),
    )
    opens = read.opens
    on_words = memory.of(
        "cues on words", lambda: spot_cues(spots, read.ids, opens), (opens, read.ids), (spots,)
    )
    proposed = [*(ambiences if film.settings.sounds != "off" else []), *on_words, *music]
    by_hand = [
        *own_cues([s.shot.own.sound for s in read.shots], spans, rate, numbers),
        *_placed(film, read.opens, spans, rate, timing),
        *_of_clips(read, clips, spans, rate),
    ]
    kept = [c for c in proposed if c.prompt not in alike] + by_hand
    chosen = {c.id: c for c in film.cue_choices}
    shaped = [
        _shaped(c, chosen[c.id], film, read.opens, spans, rate, timing) if c.id in chosen else c
        for c in kept
        if c.id not in lifted
    ]
    shaped = [_by_whom(c, read.shots[c.shot].made_by) for c in shaped]
    if all(c.kind != "music" or c.own for c in shaped):
        return shaped
    scores = _Scores(read, spans, rate, course)
    return [
        replace(c, score=scores.of(c, chosen.get(c.id))) if c.kind == "music" and not c.own else c
        for c in shaped
    ]


def _by_whom(cue: Cue, made_by: MadeBy) -> Cue:
    """A cue with the offer that was chosen where it begins."""
    by = made_by.get("music" if cue.kind == "music" else "sound")
    return replace(cue, by=by) if by and not cue.own else cue


def film_course(
    read: ReadFilm, spans: Sequence[Span], rate: FrameRate, timing: Timing, memory: Kept
) -> Course:
    """How tense a film is along its time: as its text tells, bent by the maker."""
    film = read.document
    moods = [s.facts.mood for s in read.shots]
    told = memory.of("tension", lambda: told_tension(moods, spans, rate), (moods, spans, rate))
    places = film.word_places if film.tension else {}
    by_hand = sorted(
        (round(float(timing.words[places[p.word], 0]) + p.later / float(rate.fraction), 4), p.level)
        for p in film.tension
        if p.word in places
    )
    return bent(told, tuple(by_hand))


def rests_in(read: ReadFilm, spans: Sequence[Span], rate: FrameRate) -> list[tuple[float, float]]:
    """The stretches in seconds in which the maker wants no music."""
    out: list[tuple[float, float]] = []
    for shot, span in zip(read.shots, spans, strict=True):
        if shot.shot.own.music == "rest":
            start, end = rate.seconds(span.start), rate.seconds(span.end)
            if out and abs(out[-1][1] - start) < 1e-6:
                out[-1] = (out[-1][0], end)
            else:
                out.append((start, end))
    return out


def met_by_music(read: ReadFilm) -> list[int]:
    """The shots, by index, whose cut a bar of the music is to meet."""
    out: list[int] = []
    for i, shot in enumerate(read.shots):
        own = shot.shot.own.music
        opens = i > 0 and shot.scene != read.shots[i - 1].scene and shot.end > shot.first
        if own == "hit" or (own is None and opens):
            out.append(i)
    return out


def theme_of(read: ReadFilm, spans: Sequence[Span], first: int, last: int) -> str:
    """Whose tune a piece under shots `first` to `last` has: who of the cast is seen most in it, else the place where it
    is; nobody's where neither fills it."""
    people: Counter[int] = Counter()
    places: Counter[str] = Counter()
    total = 0
    for i in range(first, last + 1):
        frames = spans[i].frames
        total += frames
        facts = read.shots[i].facts
        for person in facts.people:
            people[person] += frames
        if facts.place:
            places[facts.place] += frames
    for person, frames in people.most_common(1):
        if frames >= SEEN_FOR * total:
            return f"person {person}"
    for place, frames in places.most_common(1):
        known = next((p.id for p in read.document.places if p.name == place), None)
        if frames >= AT_FOR * total and known is not None:
            return f"place {known}"
    return ""


class _Scores:
    """The scores of a film's pieces of music."""

    def __init__(
        self, read: ReadFilm, spans: Sequence[Span], rate: FrameRate, course: Course
    ) -> None:
        self.read, self.spans, self.settings = read, spans, read.document.settings
        self.course = course if self.settings.music_course == "told" else ()
        self.rests = rests_in(read, spans, rate)
        self.hits = [rate.seconds(spans[i].start) for i in met_by_music(read)]
        leads = self.settings.instruments
        look = look_named(self.settings.look, read.document.looks)
        named = instruments_for(look.medium) if leads == "look" else (leads,)
        self.instruments = () if leads == "mood" else named

    def of(self, cue: Cue, choice: CueChoice | None) -> Score:
        """The score of a piece."""
        theme = choice.theme if choice is not None else None
        if theme is None:
            told = self.settings.themes == "told" and cue.end - cue.start >= LEAST_THEMED
            last = cue.shot if cue.last is None else cue.last
            theme = theme_of(self.read, self.spans, cue.shot, last) if told else ""
        return score_for(
            cue.start, cue.end, self.course, self.hits, self.rests, theme, self.instruments
        )


def _placed(
    film: FilmDocument, opens: Sequence[int], spans: Sequence[Span], rate: FrameRate, timing: Timing
) -> list[Cue]:
    """The sounds that the maker placed. One whose word is gone is not heard."""
    places = film.word_places if film.placed else {}
    return [
        _placed_one(film, p, places[p.word], opens, spans, rate, timing)
        for p in film.placed
        if p.word in places
    ]


def _placed_one(
    film: FilmDocument,
    placed: PlacedCue,
    word: int,
    opens: Sequence[int],
    spans: Sequence[Span],
    rate: FrameRate,
    timing: Timing,
) -> Cue:
    shot = _shot_at(opens, word)
    start, end, last = float(timing.words[word, 0]), 0.0, None
    if placed.kind == "ambience":
        start, end, last = rate.seconds(spans[shot].start), rate.seconds(spans[shot].end), shot
    own = _own(film, placed.own)
    return Cue(
        placed.key,
        placed.kind,
        own.name if own else placed.prompt,
        start,
        end or start + SPOT_SECONDS,
        shot,
        "placed by hand",
        last,
        own=own.media if own else "",
    )


CLIP_SOUND = "the clip’s own sound"


def _of_clips(
    read: ReadFilm, clips: Sequence[Footage | None], spans: Sequence[Span], rate: FrameRate
) -> list[Cue]:
    """What is heard of clips, of those that the maker wants to hear: as long as they play forward."""
    out: list[Cue] = []
    for i, clip in enumerate(clips):
        shot = read.shots[i].shot
        if clip is None or clip.sound is None or not shot.own.heard:
            continue
        whole = rate.seconds(spans[i].frames)
        fit = clip.fit(whole)
        first, later = max(0.0, fit.slid), max(0.0, -fit.slid)
        seconds = round(min((fit.clip - first) / fit.speed, whole - later), 3)
        start = rate.seconds(spans[i].start) + later
        stretch = Stretch(round(first, 3), seconds, fit.speed)
        told = (start, start + seconds, i, "the clip is heard")
        cue = Cue(f"clip-{shot.id}", "spot", CLIP_SOUND, *told, own=clip.sound, stretch=stretch)
        out.append(cue)
    return out


def _own(film: FilmDocument, number: int | None) -> OwnSound | None:
    """A sound of the maker's own."""
    return next((s for s in film.own_sounds if s.id == number), None) if number else None


def _shot_at(opens: Sequence[int], word: int) -> int:
    """The last shot that opens at or before a word."""
    return max(0, int(np.searchsorted(np.asarray(opens), word, side="right")) - 1)


def _shaped(
    cue: Cue,
    how: CueChoice,
    film: FilmDocument,
    opens: Sequence[int],
    spans: Sequence[Span],
    rate: FrameRate,
    timing: Timing,
) -> Cue:
    """A cue as the maker wants it. It stays within the film, and an ambience does not end before it begins."""
    own = _own(film, how.own)
    if own is not None:
        cue = replace(cue, own=own.media, stretch=None, prompt=own.name)
    elif how.prompt and cue.kind != "music":
        cue = replace(cue, prompt=how.prompt)
    word = film.word_places.get(how.word) if how.word is not None else None
    if word is not None and cue.last is None:
        begins = float(timing.words[word, 0])
        length = cue.end - cue.start
        cue = replace(cue, start=begins, end=begins + length, shot=_shot_at(opens, word))
    later, end = rate.seconds(how.later), rate.seconds(spans[-1].end)
    start = min(max(0.0, cue.start + later), end)
    if cue.last is not None:
        start = min(start, cue.end - rate.seconds(1))
    if cue.mood and how.mood and not cue.own:
        cue = replace(cue, mood=how.mood, prompt=f"{how.mood} music")
    length = how.seconds or cue.end - cue.start
    return replace(
        cue,
        start=start,
        end=cue.end if cue.last is not None else start + length,
        gain=how.gain,
        pan=how.pan,
        near=how.near,
        room=how.room,
        fade_in=how.fade_in,
        fade_out=how.fade_out,
        seed=how.seed,
        asked=(how.seconds or 0.0) if cue.kind != "music" else 0.0,
    )


def word_of(film: FilmDocument, cue: Cue, choice: CueChoice | None) -> int | None:
    """The number of the word that a cue stands on; None where it lies under shots or holds to a shot's beginning."""
    if cue.last is not None:
        return None
    if choice is not None and choice.word in film.word_places:
        return choice.word
    if cue.id.startswith("spot-"):
        return int(cue.id.removeprefix("spot-"))
    return next((p.word for p in film.placed if p.key == cue.id), None)


def makings_of(cue: Cue, choice: CueChoice | None) -> list[Cue]:
    """All makings of a cue's sound that are wanted, the one that is used among them."""
    if choice is None or choice.takes == 1 or cue.own:
        return [cue]
    return [replace(cue, seed=n) for n in sorted({*range(choice.takes), cue.seed})]


def theme_names(film: FilmDocument) -> Mapping[str, str]:
    """Everybody and every place that can have a tune, by its name as a theme."""
    return {
        **{f"person {p.id}": p.name for p in film.cast},
        **{f"place {p.id}": p.name for p in film.places},
    }
