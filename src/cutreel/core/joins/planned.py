"""Which join stands between two shots, planned over the whole film: within a scene a cut, where place or hour change
something softer, and never a different toy at every cut."""

from collections.abc import Collection, Mapping, Sequence
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


class Around(NamedTuple):
    """What is known of a shot at a join: its scene, place, hour (with season and year), whether it is remembered, its
    mood; whose picture it shows."""

    scene: int
    place: str
    hour: str
    remembered: bool
    mood: str
    picture: int


def plan_joins(
    shots: Sequence[Around],
    starts: Sequence[float],
    headed: Collection[int],
    amount: JoinAmount,
    dissolve: float,
    kind: FilmKind,
    medium: str,
) -> list[PlannedJoin]:
    """The join before every shot but the first, of shots that begin at seconds `starts`; scenes `headed` have a
    heading."""
    out: list[PlannedJoin] = []
    seen = -APART
    plain = JoinHow(kind="dissolve" if dissolve else "cut", seconds=dissolve)
    slow = JoinHow(seconds=min(4.0, max(0.8, dissolve * SLEEP)), ease="gentle")
    soft = JoinHow(seconds=max(0.3, dissolve), ease="gentle")
    hows = _hows(amount, soft, medium)
    for (before, shot), start in zip(pairwise(shots), starts[1:], strict=True):
        turn = _turn(before, shot, shot.scene in headed)
        if amount == "plain":
            out.append(PlannedJoin(plain, "the film’s own", turn))
        elif kind == "sleep":
            out.append(PlannedJoin(slow, "nothing wakes who falls asleep", turn))
        else:
            join = _planned(turn, shot, amount, hows)
            special = join.how.kind not in ("cut", "dissolve")
            if special and start - seen < APART:
                join = PlannedJoin(soft, f"{join.why}, soon again", turn)
                special = False
            seen = start if special else seen
            out.append(join)
    return out


def _turn(before: Around, shot: Around, headed: bool) -> Turn:
    if before.picture == shot.picture:
        return "picture"
    if before.remembered != shot.remembered:
        return "memory"
    place, hour = before.place != shot.place, before.hour != shot.hour
    if before.scene != shot.scene:
        return "chapter" if headed and (place or hour) else "scene"
    return "hour" if hour else "place" if place else "within"


_WHIP = JoinHow(kind="whip", seconds=WHIP)


def _hows(amount: JoinAmount, soft: JoinHow, medium: str) -> Mapping[Turn, tuple[JoinHow, str]]:
    """The join for each turn, and why; amounts are about how much is seen of it."""
    long = JoinHow(seconds=soft.seconds * LONG, ease="gentle")
    low, high = amount == "low", amount == "high"
    cut = JoinHow(kind="cut", seconds=0)
    return {
        "picture": (cut, "the same picture goes on"),
        "within": (cut, "the scene goes on"),
        "place": (soft, "another place"),
        "hour": (long, "time goes by"),
        "scene": (_patterned(medium) if high else long, "another scene"),
        "memory": (
            long if low else JoinHow(kind="flood", seconds=FLOOD, ease="gentle"),
            "back from what was remembered",
        ),
        "chapter": (
            long if low else JoinHow(kind="dip", seconds=DIP, ease="gentle"),
            "a chapter begins",
        ),
    }


def _planned(
    turn: Turn, shot: Around, amount: JoinAmount, hows: Mapping[Turn, tuple[JoinHow, str]]
) -> PlannedJoin:
    if turn == "place" and amount == "high" and shot.mood == "tense":
        return PlannedJoin(_WHIP, "it is tense, and elsewhere", turn)
    how, why = hows[turn]
    if turn == "memory" and shot.remembered:
        why = "it is remembered from here"
    return PlannedJoin(how, why, turn)


def _patterned(medium: str) -> JoinHow:
    pattern = next((p for word, p in _PATTERN_OF if word in medium.lower()), "clouds")
    return JoinHow(kind="pattern", pattern=pattern, seconds=FLOOD, ease="gentle")
