"""Words that are to sound otherwise than they are written: names, and rare words, each as it is said."""

import re
from collections.abc import Sequence

from pydantic import BaseModel, Field, field_validator

_EDGES = re.compile(r"^(\W*)(.*?)((?:[’']s)?\W*)$", re.S)


class Saying(BaseModel):
    """A word as it is written, and how it sounds, spelled as one would read it: "Saltmere", "saltmeer". Sound-alikes of
    several parts are one word with hyphens."""

    word: str = Field(min_length=1, max_length=60, pattern=r"^\S+$")
    sounds: str = Field(min_length=1, max_length=80)

    @field_validator("sounds")
    @classmethod
    def _one_word(cls, sounds: str) -> str:
        return "-".join(sounds.split())


def said_as(text: str, lexicon: Sequence[Saying]) -> str:
    """`text` with its words as they are to sound; marks around them, and “’s” behind them, stay. There are as many
    words as before."""
    if not lexicon:
        return text
    known = {s.word.lower(): s.sounds for s in lexicon}
    return " ".join(_said(word, known) for word in text.split(" "))


def _said(word: str, known: dict[str, str]) -> str:
    found = _EDGES.match(word)
    if found is None:
        return word
    before, inner, behind = found.groups()
    return f"{before}{known[inner.lower()]}{behind}" if inner.lower() in known else word
