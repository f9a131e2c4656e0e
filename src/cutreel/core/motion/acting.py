"""A figure that acts: what it does when, and from that how it is at any moment, sampled for a moment alone.

Drawings are held on twos, twelve a second, as in drawn animation, whatever the film's frame rate.
"""

import math
import random
from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise

from pydantic import BaseModel, Field

from cutreel.protocol import Bone, JointedFigure, Mouth

from .actions import ACTIONS, STILL, Action, Key
from .aim import arm_toward
from .bones import Matrix, Whole, drawn_angles, placed, pose_angles

DRAWINGS = 12
"""Drawings a second."""
FADE = 0.25
"""Seconds in which what goes to and fro begins and ends."""
BLINK = 2 / DRAWINGS
BLINKS = (2.4, 5.2)
"""Seconds between two blinks: people blink about fifteen times a minute (common practice)."""
BREATH = 0.27
"""Breaths a second, at rest."""


class Act(BaseModel):
    """An action from `start` for `seconds`, counted from the beginning of its shot; `travel` is how much of its way the
    figure goes, where it goes anywhere; the hand comes `to` a place, in pixels of the picture, where there is one."""

    action: str
    start: float = Field(ge=-60, le=3600)
    seconds: float = Field(gt=0, le=600)
    travel: float = 1.0
    to: tuple[float, float] | None = None


class Acting(BaseModel):
    """What a figure does in a shot, in order; the shapes of its mouth as (seconds, shape), each until the next; `seed`
    says when it blinks."""

    acts: list[Act] = []
    mouth: list[tuple[float, Mouth]] = []
    seed: int = 0


class Moment(BaseModel):
    """How a figure is at a moment: where each bone's pieces go, which eyes and which mouth it has."""

    bones: dict[Bone, Matrix]
    eyes: str = "open"
    mouth: Mouth = "rest"

    def shows(self, variant: str) -> bool:
        """Whether a piece of a variant is seen."""
        return variant in ("", f"eyes {self.eyes}", f"mouth {self.mouth}")


def held(seconds: float) -> float:
    """The moment of the drawing that is seen at a moment."""
    return math.floor(seconds * DRAWINGS + 1e-6) / DRAWINGS


def moment_of(figure: JointedFigure, acting: Acting, seconds: float) -> Moment:
    """How a figure is at `seconds` of its shot."""
    t = held(seconds)
    drawn = drawn_angles(figure)
    turns: dict[Bone, float] = {}
    wholes: list[Whole] = []
    shut, gone = False, 0.0
    for i, act in enumerate(acting.acts):
        action = ACTIONS.get(act.action, STILL)
        following = acting.acts[i + 1].start if i + 1 < len(acting.acts) else math.inf
        share = (t - act.start) / act.seconds
        if t >= following:
            # What comes next begins from as drawn: hand over within a quarter of a second.
            gone += _gone(action, act, i)
            if t > following + FADE:
                continue
            weight = 1 - (t - following) / FADE
        elif i and t < act.start:
            continue
        else:
            weight = min(1.0, (t - act.start) / FADE) if i else 1.0
        key = _key_at(action.keys, min(1.0, max(0.0, share)))
        # Who would have to reach behind themselves leaves the arm as it is.
        aim = (arm_toward(figure, act.to) or {}) if act.to else None
        for bone, by in _turned(action, key, drawn, aim).items():
            turns[bone] = turns.get(bone, 0.0) + by * weight
        whole = _swung(action, act, t, key, turns, weight)
        # Where somebody went stays where they are; who goes on later goes on from there.
        began = act.travel * action.keys[0].ahead if i else 0.0
        wholes.append(replace(whole, ahead=0.0 if t >= following else whole.ahead - began))
        shut = shut or (action.eyes == "shut" and 0 <= share <= 1)
    wholes.append(Whole(ahead=gone))
    _breathe(turns, wholes, acting.seed, t, figure.kind)
    return Moment(
        bones=placed(figure, turns, _together(wholes)),
        eyes="shut" if shut or _blinks(acting.seed, t) else "open",
        mouth=mouth_at(acting.mouth, t),
    )


def mouth_at(mouth: Sequence[tuple[float, Mouth]], seconds: float) -> Mouth:
    """The shape of a mouth at a moment: of what it came to last."""
    shape: Mouth = "rest"
    for at, becomes in mouth:
        if at > seconds + 1e-6:
            break
        shape = becomes
    return shape


def _gone(action: Action, act: Act, number: int) -> float:
    """How far on somebody is after an action, the first of a shot counted from where they were drawn."""
    begins = action.keys[0].ahead if number else 0.0
    return act.travel * (action.keys[-1].ahead - begins)


def _key_at(keys: Sequence[Key], share: float) -> Key:
    """Between two keys, eased at both (a cosine)."""
    for one, other in pairwise(keys):
        if share <= other.at:
            t = (share - one.at) / max(1e-9, other.at - one.at)
            k = (1 - math.cos(math.pi * min(1.0, max(0.0, t)))) / 2
            values = {
                name: getattr(one, name) + (getattr(other, name) - getattr(one, name)) * k
                for name in ("pose", "nod", "bow", "ahead", "up", "lean", "wide", "tall")
            }
            return Key(share, **values)
    return keys[-1]


def _turned(
    action: Action, key: Key, drawn: dict[Bone, float], aim: dict[Bone, float] | None
) -> dict[Bone, float]:
    """How far bones are turned from as drawn, by where between rest and its pose an action is; what has an `aim` comes
    to that instead."""
    out: dict[Bone, float] = {"head": key.nod, "torso": key.bow}
    if action.pose and aim != {}:
        rest, peak = pose_angles("stand"), {**pose_angles(action.pose), **(aim or {})}
        for bone in action.bones:
            if bone in drawn:
                by = rest[bone] + (peak[bone] - rest[bone]) * key.pose - drawn[bone]
                if not action.exact and bone not in (aim or {}):
                    # As it was drawn at the end of its way: no limb that was drawn well is bent to
                    # a pose by the book.
                    by += min(drawn[bone] - rest[bone], drawn[bone] - peak[bone], key=abs)
                out[bone] = out.get(bone, 0.0) + by
    return out


def _swung(
    action: Action, act: Act, t: float, key: Key, turns: dict[Bone, float], weight: float
) -> Whole:
    """The whole figure by a key and what goes to and fro; bones that do are turned in `turns`."""
    values = {
        "ahead": key.ahead * act.travel,
        "up": key.up,
        "lean": key.lean,
        "wide": key.wide,
        "tall": key.tall,
    }
    since, left = t - act.start, act.start + act.seconds - t
    strength = weight * min(1.0, max(0.0, since / FADE)) * min(1.0, max(0.0, left / FADE))
    for swing in action.swings:
        turn = math.sin(2 * math.pi * (swing.hertz * since + swing.begins))
        by = swing.by * strength * (max(0.0, turn) if swing.lift else turn)
        if swing.part in values:
            values[swing.part] += by
        else:
            bone: Bone = swing.part  # type: ignore[assignment]
            turns[bone] = turns.get(bone, 0.0) + by
    if weight < 1:
        values = {n: v * weight + (1 - weight) * (n in ("wide", "tall")) for n, v in values.items()}
    return Whole(**values)


def _together(wholes: Sequence[Whole]) -> Whole:
    wide = tall = 1.0
    for whole in wholes:
        wide, tall = wide * whole.wide, tall * whole.tall
    return Whole(
        sum(w.ahead for w in wholes),
        sum(w.up for w in wholes),
        sum(w.lean for w in wholes),
        wide,
        tall,
    )


def _breathe(turns: dict[Bone, float], wholes: list[Whole], seed: int, t: float, kind: str) -> None:
    """Nobody who lives stands quite still."""
    breath = math.sin(2 * math.pi * (BREATH * t + seed % 97 / 97))
    if kind == "animal":
        wholes.append(Whole(tall=1 + 0.008 * breath, lean=0.25 * breath))
        return
    turns["torso"] = turns.get("torso", 0.0) + 0.55 * breath
    late = math.sin(2 * math.pi * (BREATH * t + seed % 97 / 97 - 0.12))
    turns["head"] = turns.get("head", 0.0) - 0.7 * late
    arms: tuple[Bone, ...] = ("near_arm", "far_arm")
    for arm in arms:
        turns[arm] = turns.get(arm, 0.0) + 0.9 * late


def _blinks(seed: int, t: float) -> bool:
    """Whether the lids are down at a moment."""
    rng = random.Random(seed)
    at = rng.uniform(0.6, BLINKS[1])
    while at < t + 1e-6:
        if t < at + BLINK:
            return True
        at += rng.uniform(*BLINKS)
    return False
