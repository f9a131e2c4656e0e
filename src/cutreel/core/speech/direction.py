"""How a line is to be said, as the words beside it tell: "Run," she whispered; in a low voice; angrily.

Only what changes a voice is taken: "said", "asked" and "replied" are no direction.
"""

import re
from functools import lru_cache
from typing import NamedTuple

from cutreel.core.manuscript import Line, Manuscript

# fmt: off
_SAID = {
    form: form for form in (
        "whispered", "murmured", "muttered", "mumbled", "shouted", "yelled", "cried", "called", "screamed", "shrieked",
        "roared", "bellowed", "sobbed", "sighed", "laughed", "growled", "snapped", "hissed", "stammered", "breathed",
        "croaked", "rasped", "wept", "giggled", "groaned", "snarled",
    )
} | {
    "whispers": "whispered", "murmurs": "murmured", "mutters": "muttered", "shouts": "shouted", "yells": "yelled",
    "cries": "cried", "calls": "called", "screams": "screamed", "roars": "roared", "sobs": "sobbed", "sighs": "sighed",
    "laughs": "laughed", "growls": "growled", "snaps": "snapped", "hisses": "hissed", "breathes": "breathed",
}
_PLAIN = frozenset(
    "said says say asked asks answered answers replied replies told tells went added adds began repeated agreed "
    "explained whispering".split()
)
_NO_MANNER = frozenset(
    "only really nearly hardly early family suddenly finally actually probably exactly simply already daily likely "
    "lovely lonely ugly holy silly july italy reply supply apply fly belly jelly lily immediately presently directly "
    "shortly recently usually certainly surely merely partly mostly lately".split()
)
# fmt: on
_VOICE = re.compile(
    r"\bin (?:an? |his |her |its )?((?:very |rather )?(?:[a-z]+, )?[a-z]+(?: [a-z]+)?) (?:voice|tone|whisper)\b"
    r"|\bwith (?:a |an )?(sob|laugh|sigh|shudder|smile)\b|\b(under (?:his|her) breath)\b"
)
NEAR = 8
"""Words beside a line in which a manner may stand: further on something else is told."""


class Told(NamedTuple):
    """A direction, and the words of the text that tell it."""

    text: str
    why: str


def direction_told(script: Manuscript, line: Line) -> Told | None:
    """How a line is to be said, by the narration right behind it or right before it in the same paragraph; None where
    nothing tells, as of all narration."""
    if line.speaker is None:
        return None
    after, before = beside(script, line)
    return _read(after) or _read(before)


def beside(script: Manuscript, line: Line) -> tuple[str, str]:
    """The narration right behind a line, and right before it, as far as it can tell how the line is said."""
    return _words_beside(script, line.end, 1), _words_beside(script, line.first - 1, -1)


def _words_beside(script: Manuscript, at: int, step: int) -> str:
    words = script.words
    if not 0 <= at < len(words):
        return ""
    home = words[at - step].paragraph
    found: list[str] = []
    while 0 <= at < len(words) and len(found) < NEAR:
        word = words[at]
        if word.paragraph != home or script.lines[word.line].speaker is not None:
            break
        if step < 0 and found and word.text.endswith((".", "!", "?", "”", '"')):
            break  # the sentence before tells something else
        found.append(word.text)
        if step > 0 and word.text.endswith((".", "!", "?", ";")):
            break
        at += step
    return " ".join(found if step > 0 else found[::-1])


@lru_cache(maxsize=8192)
def _read(text: str) -> Told | None:
    low = re.sub(r"[^\w’' -]", " ", text.lower())
    words = low.split()
    verb = next((w for w in words if w in _SAID or w in _PLAIN), None)
    if verb is None:
        return None  # what is done beside it says nothing of the voice
    at = words.index(verb)
    how = [_SAID[verb]] if verb in _SAID else []
    how += [
        w
        for w in words[max(0, at - 1) : at + 5]
        if len(w) > 4 and w.endswith("ly") and w not in _NO_MANNER
    ]
    voice = _VOICE.search(text.lower())
    if voice:
        how.append(next(g for g in voice.groups() if g))
    return Told(", ".join(dict.fromkeys(how)), text.strip()) if how else None


QUIET = re.compile(
    r"\b(?:whisper|murmur|mutter|mumbl|under (?:his|her) breath|soft|quiet|hush|breath(?!less))"
)
LOUD = re.compile(r"\b(?:shout|yell|scream|shriek|roar|bellow|loud|cried|call)")
SOFTER, LOUDER = -4.0, 2.5
"""Decibels by which what is whispered or shouted stays apart from what is said, once every line is brought to one
level: enough to be felt, too little to be lost under music or to startle."""


def level_told(direction: str) -> float:
    """By how many decibels a line that is so said is softer or louder than others in a mix."""
    low = direction.lower()
    if QUIET.search(low):
        return SOFTER / 2 if "almost" in low else SOFTER
    return LOUDER if LOUD.search(low) else 0.0


def joined(*parts: str) -> str:
    """Directions of a speaker and of a line as one; what is empty is left out."""
    return ", ".join(p.strip().rstrip(".,") for p in parts if p.strip())
