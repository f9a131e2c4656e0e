"""What of a wish is about how much: amounts, levels, pace, tension."""

from collections.abc import Callable, Sequence
from typing import Any, get_args

from ..commands import CutAgain, CutRamp, SetLane, SetScene, SetTension
from ..document import MOST_POINTS, LaneChoice, LevelPoint, Settings, TensionPoint
from .wish import Part, Proposal, count_of, next_of

QUICKER, SLOWER = 0.75, 1.35
"""By how many times as long a shot is that is to be quicker or slower."""
RAMP = 1.6
"""How many times as long as the mean shots are where a ramp begins, and as short where it ends."""
STEP_DB = 3.0
"""Decibels by which a lane is louder or softer."""
FADED = 24
"""Frames in which a level comes and goes."""
TENSE, CALM = 0.9, 0.2

Reader = Callable[[Part], list[Proposal]]


def amount(setting: str, what: str) -> Reader:
    """Reads a wish for more or less of what has an amount in the film's settings."""
    amounts: tuple[Any, ...] = get_args(Settings.model_fields[setting].annotation)

    def read(part: Part) -> list[Proposal]:
        now = getattr(part.settings, setting)
        then = next_of(amounts, now, part.sign)
        if not part.sign or then == now or part.shots is not None or not part.is_degree:
            return []
        return part.settled({setting: then}, f"{what}: {then} instead of {now}")

    return read


def level(setting: str, what: str) -> Reader:
    """Reads a wish for a louder or softer lane."""

    def read(part: Part) -> list[Proposal]:
        if not part.is_degree:
            return []
        if part.shots is not None:
            return _over(part, what) if setting == "music_level" else []
        if part.sign == -2:
            return part.settled({"music": "none"}, "no music") if setting == "music_level" else []
        now = getattr(part.settings, setting)
        then = min(12.0, max(-24.0, now + STEP_DB * part.sign))
        if then == now:
            return []
        way = "louder" if then > now else "softer"
        return part.settled({setting: then}, f"{what} {way} by {abs(then - now):.0f} dB")

    return read


def _over(part: Part, what: str) -> list[Proposal]:
    """Music louder, softer or silent over a part of the film: by its level line, or a rest."""
    if part.sign == -2:
        return part.shot_by_shot({"music": "rest"}, "no music")
    if not part.sign or not part.shots:
        return []
    read = part.film.read
    known = next(
        (c for c in part.film.document.lanes if c.lane == "music"), LaneChoice(lane="music")
    )
    points = list(known.points)
    for run in _runs(part.shots):
        first, last = read.shots[run[0]], read.shots[run[-1]]
        words = (read.ids[first.first], read.ids[max(first.first, last.end - 1)])
        gain = STEP_DB * 2 * part.sign
        points += [
            LevelPoint(word=words[0], later=-FADED, gain=0),
            LevelPoint(word=words[0], gain=gain),
            LevelPoint(word=words[1], gain=gain),
            LevelPoint(word=words[1], later=FADED, gain=0),
        ]
    lane = known.model_copy(update={"points": points[:MOST_POINTS]})
    way = "louder" if part.sign > 0 else "softer"
    says = f"{what} {way} by {STEP_DB * 2:.0f} dB over {count_of(part.ids)} ({part.where})"
    return [Proposal(SetLane(lane=lane), says, f"“{part.words}”")]


def _runs(shots: Sequence[int]) -> list[list[int]]:
    """Shots in stretches that stand together."""
    out: list[list[int]] = []
    for i in shots:
        if out and i == out[-1][-1] + 1:
            out[-1].append(i)
        else:
            out.append([i])
    return out


def pace(part: Part) -> list[Proposal]:
    """How long shots are: in the whole film, or in the scenes that a part of it has."""
    quick = part.says("quicker|faster|quick|fast|snappier|tighter|shorter")
    if part.says("gradually|increasingly"):
        return _ramp(part, quick)
    slow = part.says("slower|slow|longer|gentler")
    if quick == slow:
        return []
    by, usual, why = QUICKER if quick else SLOWER, part.settings.pace, f"“{part.words}”"
    if part.shots is None:
        then = round(min(600.0, max(1.0, usual * by)), 1)
        says = f"shots of about {then:g} s instead of {usual:g} s"
        return [Proposal(CutAgain(seconds=then), says, why)]
    film = part.film
    own = {c.first: c.pace for c in film.document.scenes if c.pace}
    out: list[Proposal] = []
    for n in dict.fromkeys(film.read.shots[i].scene for i in part.shots):
        first = film.read.ids[film.read.script.scenes[n].first]
        now = own.get(first) or usual
        then = round(min(600.0, max(1.0, now * by)), 1)
        says = f"scene {n + 1}: shots of about {then:g} s instead of {now:g} s ({part.where})"
        out.append(Proposal(SetScene(word=first, pace=then), says, why))
    if out:
        out.append(
            Proposal(CutAgain(seconds=usual), "cut again by that; marks set by hand stay", why)
        )
    return out


def _ramp(part: Part, quick: bool) -> list[Proposal]:
    """Shots that get shorter and shorter, or longer and longer, over a part of the film."""
    read, spans = part.film.read, part.film.spans
    there = range(len(read.shots)) if part.shots is None else part.shots
    out: list[Proposal] = []
    for run in _runs([i for i in there if read.shots[i].end > read.shots[i].first]):
        mean = part.film.rate.seconds(spans[run[-1]].end - spans[run[0]].start) / len(run)
        far = (mean * RAMP, mean / RAMP) if quick else (mean / RAMP, mean * RAMP)
        first, last = (round(min(600.0, max(1.0, s)), 1) for s in far)
        shots = [read.shots[i].shot.id for i in run]
        where = f" ({part.where})" if part.where else ""
        says = f"shots from {first:g} s to {last:g} s long over {count_of(shots)}{where}"
        out.append(Proposal(CutRamp(shots=shots, first=first, last=last), says, f"“{part.words}”"))
    return out


def tension(part: Part) -> list[Proposal]:
    """More dramatic, or calmer: how tense the music is over a part of the film."""
    shots = part.film.read.shots
    there = range(len(shots)) if part.shots is None else part.shots
    words = [part.film.read.ids[shots[i].first] for i in there if shots[i].end > shots[i].first]
    if not words:
        return []
    calm = part.says("calmer|gentler|quieter|less") or part.sign < 0
    drawn = [p for p in part.film.document.tension if p.word not in words]
    points = [*drawn, *(TensionPoint(word=w, level=CALM if calm else TENSE) for w in words)]
    where = f" ({part.where})" if part.where else ""
    says = f"music {'calmer' if calm else 'more tense'} over {count_of(words)}{where}"
    return [Proposal(SetTension(points=points), says, f"“{part.words}”")]
