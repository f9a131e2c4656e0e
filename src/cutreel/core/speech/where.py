"""In which room a line is heard: as the words beside it tell, else as the place does."""

import re
from functools import lru_cache
from typing import NamedTuple

from cutreel.core.manuscript import Line, Manuscript
from cutreel.core.timeline import Room

from .direction import beside

_HALLS = frozenset(
    "church cathedral chapel hall cave cavern tunnel crypt vault museum station abbey temple palace cistern "
    "warehouse hangar".split()
)
"""Places whose sound everybody knows; in all others a voice is dry, so that words are close."""
_TOLD: tuple[tuple[str, Room], ...] = (
    (r"\bthought (?:he|she|it|I|[A-Z]\w+)|^\W*(?:[\w’']+ ){1,3}thought\b", "thought"),
    (r"\b(?:on|over|into|down|through) the (?:tele)?phone|\b(?:tele)?phone line|\breceiver\b", "telephone"),
    (r"\b(?:through|behind) the (?:wall|door)\b|from the next room", "through a wall"),
)  # fmt: skip


class Heard(NamedTuple):
    """The room that a line is heard in, and why."""

    room: Room
    why: str


DRY = Heard("dry", "")


def room_in_words(script: Manuscript, line: Line) -> Heard | None:
    """The room that the words beside a line tell; None where they tell none. Whoever tells the story is in none."""
    if line.speaker is None:
        return DRY
    return next(filter(None, map(_told, beside(script, line))), None)


@lru_cache(maxsize=8192)
def _told(text: str) -> Heard | None:
    for pattern, room in _TOLD:
        if re.search(pattern, text):
            return Heard(room, f"“{text}”")
    return None


def room_of_place(place: str) -> Heard:
    """The room that a place is, by its words."""
    hall = next((w for w in place.lower().split() if w in _HALLS), None)
    return Heard("hall", f"the place: {hall}") if hall else DRY
