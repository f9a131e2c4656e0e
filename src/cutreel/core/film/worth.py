"""Where a clip is worth its price: the shots that gain most from being set in motion by a service, and why.

Common practice: what is bought is spent on the opening, on deeds, on faces that speak, and where the story turns; the
rest moves in the renderer.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass

from .reading import ReadShot

OPENING = ((1, 2.5), (4, 1.6))
"""Shots up to a number, and what standing there counts: a viewer decides in the first half minute."""
DEED, TWO, JOURNEY, SPEAKS, TURNS = 1.2, 0.5, 0.6, 0.9, 0.8
"""What a deed counts, two people in it, a way that is gone, a face that speaks, a turn of the story."""
QUIET = {"sign": -1.5, "thing": -0.4, "place": -0.3}
"""What counts against a shot: a page to be read gains nothing by moving."""
_JOURNEY = re.compile(
    r"\b(?:run|walk|row|ride|sail|climb|fly|flee|chase|jump|dance|fight|fall)", re.I
)
_TURN = re.compile(
    r"\b(?:suddenly|at once|but then|at last|never again|for the first time)\b", re.I
)


@dataclass(frozen=True)
class Worth:
    """How much a shot gains by a clip, and why; `shot` is its number."""

    shot: int
    score: float
    why: str


def worth_of(shots: Sequence[ReadShot]) -> list[Worth]:
    """All shots with a picture of their own, those that gain most first; of two that gain alike the earlier one."""
    out = []
    for i, shot in enumerate(shots):
        if shot.picture_of != shot.shot.id or not shot.text:
            continue
        before = shots[i - 1].facts.mood if i else shot.facts.mood
        reasons = _reasons(i, shot, before)
        score = sum((value for value, _ in reasons), 0.0)
        best = max(reasons, key=lambda r: r[0], default=(0.0, "little moves in it"))
        out.append(Worth(shot.shot.id, round(score, 2), best[1]))
    return sorted(out, key=lambda w: -w.score)


def _reasons(i: int, shot: ReadShot, mood_before: str) -> list[tuple[float, str]]:
    facts = shot.facts
    out: list[tuple[float, str]] = []
    opening = next((value for most, value in OPENING if i < most), 0.0)
    if opening:
        out.append((opening, "the opening"))
    if facts.idea == "deed" and facts.people:
        out.append((DEED, "something is done"))
        if len(facts.people) > 1:
            out.append((TWO, "two do it"))
    if _JOURNEY.search(facts.action):
        out.append((JOURNEY, "a way is gone"))
    if facts.speaks in facts.people and facts.framing in ("medium", "close", "extreme close"):
        out.append((SPEAKS, "a face that speaks"))
    if _TURN.search(shot.text) or facts.mood != mood_before:
        out.append((TURNS, "the story turns"))
    against = QUIET.get(facts.idea or "", 0.0)
    return [*out, (against, "little moves in it")] if against else out
