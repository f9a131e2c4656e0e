"""Drift in words: which traits of who is in a picture the prompt that it was made from did not say."""

import re
from collections.abc import Sequence
from dataclasses import dataclass

from .model import Person, Trait


@dataclass(frozen=True, slots=True)
class WordDrift:
    """The traits of a person that a prompt did not carry."""

    person: int
    missing: tuple[str, ...]


def drift_in_words(people: Sequence[Person], prompt: str) -> list[WordDrift]:
    """For everybody in a picture who has traits missing from `prompt`: those traits, in their long wording."""
    said = _plain(prompt)
    out = []
    for person in people:
        missing = tuple(t.text for t in person.traits if t.text and not _says(said, t))
        if missing:
            out.append(WordDrift(person.id, missing))
    return out


def _says(said: str, trait: Trait) -> bool:
    return any(_plain(wording) in said for wording in (trait.text, trait.short) if wording)


def _plain(text: str) -> str:
    """Small letters and single spaces, framed by spaces so that whole words are compared."""
    return " " + " ".join(re.sub(r"[^\w\s'-]", " ", text.lower()).split()) + " "
