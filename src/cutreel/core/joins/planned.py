"""Which join stands between two shots, planned over the whole film: within a scene a cut, where place or hour change
something softer, and never a different toy at every cut."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal, NamedTuple

from cutreel.core.breakdown import FilmKind
from cutreel.core.timeline import JoinHow, Pattern

JoinAmount = Literal["plain", "low", "middle", "high"]
"""Plain: every join is the film's dissolve."""
Turn = Literal["picture", "within", "place", "hour", "scene", "memory", "chapter"]
"""What changes at a join: nothing but the time of a picture, nothing else, place, hour, scene, whether it is
remembered, chapter (a scene with a heading, at another place or hour)."""
LONG, DIP, FLOOD, WHIP = 1.6, 0.9, 0.8, 0.3
"""How many times as long as the film's dissolve a long one is; seconds of others."""
SLEEP = 2.0
"""How many times as long dissolves are in a film to fall asleep with, which has nothing else."""
APART = 20.0
"""Seconds between two joins that are seen as joins: nearer ones are plain."""
_PATTERN_OF: tuple[tuple[str, Pattern], ...] = (
    ("paper", "torn paper"),
    ("ink", "brush"),
    ("shadow", "iris"),
    ("silhouette", "iris"),
    ("chalk", "scribble"),
    ("pencil", "scribble"),
    ("clay", "drops"),
    ("print", "diagonal"),
    ("stick", "blinds"),
)
"""The one pattern that a film has at high amount, by the medium of its look."""


class PlannedJoin(NamedTuple):
    """A join, why it is, and what turns there."""

    how: JoinHow
    why: str
    turn: Turn


@dataclass(frozen=True)
class Around:
    """What is known of a shot at a join: its scene, whether that has a heading, place, hour (with season and year),
    whether it is remembered, its mood, and when it begins in seconds; whose picture it shows."""

    scene: int
    headed: bool
    place: str
    hour: str
    remembered: bool
    mood: str
    start: float
    picture: int


def plan_joins(
    shots: Sequence[Around], amount: JoinAmount, dissolve: float, kind: FilmKind, medium: str
) -> list[PlannedJoin]:
    """The join before every shot but the first."""
    out: list[PlannedJoin] = []
    seen = -APART
    plain = JoinHow(kind="dissolve" if dissolve else "cut", seconds=dissolve)
    for before, shot in pairwise(shots):
        turn = _turn(before, shot)
        if amount == "plain":
            out.append(PlannedJoin(plain, "the film’s own", turn))
        elif kind == "sleep":
            slow = JoinHow(seconds=min(4.0, max(0.8, dissolve * SLEEP)), ease="gentle")
            out.append(PlannedJoin(slow, "nothing wakes who falls asleep", turn))
        else:
            join = _planned(turn, shot, amount, dissolve, medium)
            special = join.how.kind not in ("cut", "dissolve")
            if special and shot.start - seen < APART:
                join = PlannedJoin(
                    JoinHow(seconds=max(0.3, dissolve), ease="gentle"),
                    f"{join.why}, soon again",
                    turn,
                )
                special = False
            seen = shot.start if special else seen
            out.append(join)
    return out


def _turn(before: Around, shot: Around) -> Turn:
    if before.picture == shot.picture:
        return "picture"
    if before.remembered != shot.remembered:
        return "memory"
    place, hour = before.place != shot.place, before.hour != shot.hour
    if before.scene != shot.scene:
        return "chapter" if shot.headed and (place or hour) else "scene"
    return "hour" if hour else "place" if place else "within"


def _planned(
    turn: Turn, shot: Around, amount: JoinAmount, dissolve: float, medium: str
) -> PlannedJoin:
    """By what turns; amounts are about how much is seen of it."""
    soft = max(0.3, dissolve)
    long = JoinHow(seconds=soft * LONG, ease="gentle")
    low, high = amount == "low", amount == "high"
    cut = JoinHow(kind="cut", seconds=0)
    if turn == "place" and high and shot.mood == "tense":
        return PlannedJoin(JoinHow(kind="whip", seconds=WHIP), "it is tense, and elsewhere", turn)
    hows: dict[Turn, tuple[JoinHow, str]] = {
        "picture": (cut, "the same picture goes on"),
        "within": (cut, "the scene goes on"),
        "place": (JoinHow(seconds=soft, ease="gentle"), "another place"),
        "hour": (long, "time goes by"),
        "scene": (_patterned(medium) if high else long, "another scene"),
        "memory": (
            long if low else JoinHow(kind="flood", seconds=FLOOD, ease="gentle"),
            "it is remembered from here" if shot.remembered else "back from what was remembered",
        ),
        "chapter": (
            long if low else JoinHow(kind="dip", seconds=DIP, ease="gentle"),
            "a chapter begins",
        ),
    }
    how, why = hows[turn]
    return PlannedJoin(how, why, turn)


def _patterned(medium: str) -> JoinHow:
    pattern = next((p for word, p in _PATTERN_OF if word in medium.lower()), "clouds")
    return JoinHow(kind="pattern", pattern=pattern, seconds=FLOOD, ease="gentle")
