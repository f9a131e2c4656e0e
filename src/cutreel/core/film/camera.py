"""The camera over the whole film: each shot's move with its reason, and never three alike in a row."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import TYPE_CHECKING

from cutreel.core.continuity import FRAMINGS, ShotFacts
from cutreel.core.motion import Move

if TYPE_CHECKING:
    from .reading import ReadShot

MOST_ALIKE = 2
"""Shots in a row that may move alike: a third is noticed (common practice: vary the moves)."""
_JOURNEY = re.compile(
    r"\b(?:walk|row|sail|ride|drive|march|travel|run|wander|cross|follow|fly|hurr|climb)(?:s|es|ies|ing)?\b"
)
_SHOCK = re.compile(
    r"^(?:suddenly|then|at once|but)\b.*\b(?:crash|scream|shout|broke|burst|fell|gone|shot|struck)"
)
_ALONE = re.compile(r"\b(?:alone|left|gone|away|nobody|empty|goodbye|farewell)\b")


@dataclass
class CameraMemory:
    """What was planned of each shot last, so that one that moves as before stays the same."""

    known: dict[int, tuple[object, Move, str, "ReadShot"]] = field(default_factory=dict)
    wishes: dict[int, tuple[object, object, list[tuple[Move, str]]]] = field(default_factory=dict)


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


_BY_IDEA: dict[str | None, tuple[tuple[Move, ...], tuple[Move, ...]]] = {
    "face": (("push",), ("push",)),
    "thing": (("push",), ("push",)),
    "sign": (("push", "still"), ("push",)),
    "place": (("pan right", "pan left", "pull"), ("pull", "push")),
    "deed": (("push", "pan right", "pull"), ("push", "pull", "pan right")),
}
"""Moves by the sort of idea, without and with people in it."""


def move_for(facts: ShotFacts, turn: int) -> Move:
    """The move of a shot when the maker sets none: a push; wide views pan now and then, so that
    pushes do not tire.

    `turn` is the shot's own number, so that a new shot changes the move of no other. Where a picture
    idea was chosen, the move follows from it: toward a face or a thing, along a place, and by turns with what is done.
    """
    if facts.idea in _BY_IDEA:
        moves = _BY_IDEA[facts.idea][bool(facts.people)]
        return moves[turn % len(moves)]
    if facts.framing in FRAMINGS[:2] and not facts.people and turn % 3 == 2:
        return "pan right" if turn % 2 else "pan left"
    return "pull" if turn % 5 == 4 else "push"


def with_camera(shots: Sequence["ReadShot"], memory: CameraMemory) -> list["ReadShot"]:
    """The shots of a film with their moves planned together. What the maker set stays; a shot that stands still on
    purpose is left alone."""
    out: list[ReadShot] = []
    wished: dict[int, tuple[object, object, list[tuple[Move, str]]]] = {}
    nothing = (None, None, list[tuple[Move, str]]())
    row: Move | None = None
    length = 0
    for shot, following in zip(shots, [*shots[1:], None], strict=True):
        number, token = shot.shot.id, shot.token
        after = following.token if following is not None else None
        asked, asked_after, wishes = memory.wishes.get(number, nothing)
        if asked is not token or asked_after is not after:
            wishes = _wishes(shot, following)
        wished[number] = (token, after, wishes)
        move, why = wishes[0]
        if length >= MOST_ALIKE and move == row:
            move, why = next((w for w in wishes if w[0] != row), wishes[0])
        row, length = move, length + 1 if move == row else 1
        known_token, known_move, known_why, known = memory.known.get(number, (None, "", "", shot))
        if known_token is token and known_move == move and known_why == why:
            if known.first != shot.first or known.end != shot.end or known.scene != shot.scene:
                known = known.standing(shot.first, shot.end, shot.scene)
                memory.known[number] = (token, move, why, known)
            out.append(known)
            continue
        planned = replace(shot, move=move, why_move=why, token=object())
        memory.known[shot.shot.id] = (shot.token, move, why, planned)
        out.append(planned)
    memory.wishes = wished
    return out


def _wishes(shot: "ReadShot", following: "ReadShot | None") -> list[tuple[Move, str]]:
    """The moves that suit a shot, the best first, each with its reason; one alone where it is settled."""
    own = shot.shot.own
    if own.move is not None:
        return [(own.move, "set by hand")]
    if move_told(own.motion) is not None:
        return [(shot.move, "your motion prompt")]
    if shot.move == "still":
        return [("still", "it is to be read")]
    if following is not None and _SHOCK.search(following.text.lower()):
        return [("still", "stillness before a shock")]
    return [*_motivated(shot), (shot.move, _BY_MOVE[shot.move]), *_OTHERS]


_BY_MOVE: dict[Move, str] = {
    "push": "toward what happens",
    "pull": "back, for a change",
    "pan left": "along the place",
    "pan right": "along the place",
    "tilt up": "along the place",
    "tilt down": "along the place",
    "still": "it is to be read",
}
_OTHERS: tuple[tuple[Move, str], ...] = (
    ("pull", "back, after two alike"),
    ("push", "nearer, after two alike"),
)


def _motivated(shot: "ReadShot") -> list[tuple[Move, str]]:
    facts = shot.facts
    if shot.picture_of != shot.shot.id:
        return []  # it shows another's picture, and moves otherwise than that one
    if facts.speaks in facts.people and len(facts.people) == 1:
        return [("push", "toward who speaks"), ("pull", "back from who speaks")]
    if facts.people and facts.framing in ("wide", "extreme wide") and _JOURNEY.search(facts.action):
        away: Move = (
            "pan left"
            if facts.looks == "left" or (not facts.looks and shot.shot.id % 2)
            else "pan right"
        )
        return [(away, "along the way")]
    if len(facts.people) == 1 and facts.mood == "sad" and _ALONE.search(shot.text.lower()):
        return [("pull", "somebody is left alone")]
    return []
