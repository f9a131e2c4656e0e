"""How each shot of a film is graded and what is done to its picture: planned, and as the maker wants it."""

from bisect import bisect_right
from collections import Counter
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from cutreel.core.continuity import look_named
from cutreel.core.effects import EFFECT_KINDS, Finish, plan_effects
from cutreel.core.effects.planned import PlannedFinish, ShotTold
from cutreel.core.kept import Kept
from cutreel.core.sound import Spot
from cutreel.core.timeline import FrameRate, Span, Timing

from .casting import scene_choices
from .document import SceneChoice
from .reading import ReadFilm, ReadShot


class FilmFinish(NamedTuple):
    """A shot's finish, and what of it was planned, each as (what, why)."""

    finish: Finish
    whys: tuple[tuple[str, str], ...]


def finishes_of(
    read: ReadFilm,
    spans: Sequence[Span],
    spots: Sequence[Spot],
    timing: Timing,
    rate: FrameRate,
    memory: Kept,
) -> list[FilmFinish]:
    """The finish of every shot: as the maker set it for the shot, for its scene, else as planned over what
    the film has."""
    film, settings = read.document, read.document.settings
    scenes = scene_choices(film, read.script, read.ids)
    medium = look_named(settings.look, film.looks).medium
    own = [(s.shot.own.grade, s.shot.own.effects, s.shot.own.plate) for s in read.shots]
    whole = (settings.effects, settings.film_effects, settings.no_effects, settings.grade, medium)

    def finished() -> list[FilmFinish]:
        told = _told(read, spans, spots, timing, rate)
        return _finished(read, scenes, plan_effects(told, settings.effects, medium))

    around = [shot.around for shot in read.shots]
    words = [(shot.first, shot.facts.year) for shot in read.shots]
    told = (own, whole, scenes, around, words, spans, rate)
    return memory.of("finishes", finished, told, (spots, timing))


def _finished(
    read: ReadFilm, scenes: Mapping[int, SceneChoice], planned: Sequence[PlannedFinish]
) -> list[FilmFinish]:
    settings = read.document.settings
    whole = {e.kind: e for e in settings.film_effects}
    out: list[FilmFinish] = []
    alike: dict[int, FilmFinish] = {}
    for shot, plan in zip(read.shots, planned, strict=True):
        own, scene = shot.shot.own, scenes.get(shot.scene)
        untouched = scene is None and all(
            set_ is None for set_ in (own.grade, own.effects, own.plate)
        )
        if untouched and id(plan) in alike:
            out.append(alike[id(plan)])
            continue
        kept = {e.kind: e for e in plan.effects if e.kind not in settings.no_effects}
        whys = tuple(w for w in plan.whys if w.what not in settings.no_effects)
        grade = own.grade or (scene.own.grade if scene else None)
        effects = own.effects if own.effects is not None else scene.own.effects if scene else None
        if effects is not None:
            whys = tuple(w for w in whys if w.what not in EFFECT_KINDS)
        if grade is not None:
            whys = tuple(w for w in whys if w.what in EFFECT_KINDS)
        found = tuple({**whole, **kept}.values()) if effects is None else tuple(effects)
        if shot.shot.own.plate is not None and grade is None:
            # A plate is of no hour and no mood; what every picture of the film has, it has.
            plain = tuple(whole.values()) if effects is None else found
            out.append(FilmFinish(Finish(grade=settings.grade, effects=plain), ()))
            continue
        finish = (
            Finish(grade=settings.grade, mood=plan.grade, effects=found)
            if grade is None
            else Finish(grade=grade, effects=found)
        )
        out.append(FilmFinish(finish, tuple((w.what, w.why) for w in whys)))
        if untouched:
            alike[id(plan)] = out[-1]
    return out


def _told(
    read: ReadFilm, spans: Sequence[Span], spots: Sequence[Spot], timing: Timing, rate: FrameRate
) -> list[ShotTold]:
    years = Counter(shot.facts.year for shot in read.shots)
    usual = years.most_common(1)[0][0] if years else ""
    heard: dict[int, list[tuple[str, float]]] = {}
    firsts = [shot.first for shot in read.shots]
    for spot in spots:
        n = _shot_at(read.shots, firsts, spot.word)
        if n is not None:
            begins = float(timing.words[read.shots[n].first][0])
            heard.setdefault(n, []).append((spot.prompt, round(spot.start - begins, 2)))
    return [
        ShotTold(
            rate.seconds(span.start),
            shot.facts.remembered,
            shot.facts.year if shot.facts.year != usual else "",
            shot.facts.mood,
            tuple(heard.get(n, ())),
        )
        for n, (shot, span) in enumerate(zip(read.shots, spans, strict=True))
    ]


def _shot_at(shots: Sequence[ReadShot], firsts: Sequence[int], word: int) -> int | None:
    """The index of the shot that says a word."""
    n = bisect_right(firsts, word) - 1
    while n >= 0 and not shots[n].first <= word < shots[n].end:
        n -= 1
    return n if n >= 0 else None
