"""Where in a film a part of a wish is for: its beginning, its end, night scenes, memories, a mood, a scene."""

import re
from collections.abc import Iterable

from ..assembled import Assembled

PART = 0.25
"""The share of a film that is its beginning, or its end."""
_HOURS = re.compile(
    r"\b(?:in |at |for |during )?(?:the |all )?(night|day|dusk|dawn)(?:s|time)?(?: scenes| shots)?\b"
)
_MOODS = re.compile(
    r"\b(?:in |for )?(?:the |all )?(tense|sad|warm|eerie|playful|hopeful|calm|grand|uneasy|wondering) "
    r"(?:scenes|shots|parts)\b"
)
_MEMORIES = re.compile(r"\b(?:in |for )?(?:the |all )?(?:memories|flashbacks|remembered scenes)\b")
_SCENE = re.compile(r"\b(?:in |for )?scene (\d+)\b")
_STRETCHES = (
    (re.compile(r"\b(?:in |at |for )?the (?:beginning|start|opening)\b"), 0.0, PART),
    (re.compile(r"\b(?:in |at |towards? |for )?the (?:end|ending|finale)\b"), 1 - PART, 1.0),
    (re.compile(r"\b(?:in |at |for )?the middle\b"), PART, 1 - PART),
)


def where_of(words: str, film: Assembled) -> tuple[tuple[int, ...] | None, str, str]:
    """The shots that words are for (by their indices; None: all), how that was said, and what else they say."""
    shots = film.read.shots
    for pattern, begin, end in _STRETCHES:
        if m := pattern.search(words):
            return _found(_within(film, begin, end), words, m)
    if m := _SCENE.search(words):
        return _found((i for i, s in enumerate(shots) if s.scene == int(m[1]) - 1), words, m)
    if m := _MEMORIES.search(words):
        return _found((i for i, s in enumerate(shots) if s.facts.remembered), words, m)
    if m := _MOODS.search(words):
        return _found((i for i, s in enumerate(shots) if s.facts.mood == m[1]), words, m)
    if m := _HOURS.search(words):
        return _found((i for i, s in enumerate(shots) if s.facts.time == m[1]), words, m)
    return None, "", words


def _found(there: Iterable[int], words: str, m: re.Match[str]) -> tuple[tuple[int, ...], str, str]:
    rest = " ".join(f"{words[: m.start()]} {words[m.end() :]}".split())
    return tuple(there), m.group().strip(), rest


def _within(film: Assembled, begin: float, end: float) -> list[int]:
    """The shots whose middle lies in a part of the film."""
    whole = max(1, film.frames)
    return [i for i, s in enumerate(film.spans) if begin <= (s.start + s.end) / 2 / whole <= end]
