"""Names and rare words of a film, and how each is likely to be said: those that are in no dictionary first."""

import re
from collections import Counter
from dataclasses import dataclass

from cutreel.core.manuscript import NO_ROLE
from cutreel.core.speech import in_dictionary, is_guessed, respelled, sounding

from .casting import language_spoken
from .reading import ReadFilm

MOST_NAMES = 200
_BESIDE = frozenset(
    "the a an of and old young big little mr mrs miss ms dr sir lady aunt uncle captain at in on".split()
)
"""What stands in names and is none."""
_WHOLE = re.compile(r"^[^\W\d_]+(?:[-’'][^\W\d_]+)*$")


@dataclass(frozen=True)
class NameSaid:
    """A word of the film: how often it stands, where first (its index), whether it is in no dictionary, what the film's
    lexicon says of it, and how it is likely said (respelled) where that says nothing."""

    word: str
    count: int
    first: int
    unknown: bool
    sounds: str
    phonemes: str
    said: str


def names_said(read: ReadFilm) -> list[NameSaid]:
    """Words that are in no dictionary, names of people and places, and what the lexicon has; most frequent first. Of a
    language other than English no dictionary is at hand."""
    film = read.document
    english = language_spoken(film) == "en"
    lexicon = {s.word.lower(): s for s in film.lexicon}
    called = [p.name for p in film.cast] + [a for p in film.cast for a in p.aliases]
    named = {
        w
        for name in [*called, *(p.name for p in film.places)]
        for w in map(_bare, re.split(r"[\s-]+", name))
        if w[:1].isupper() and w.lower() not in NO_ROLE | _BESIDE
    }
    first: dict[str, int] = {}
    counted: Counter[str] = Counter()
    for i, word in enumerate(read.script.words):
        bare = _bare(word.text)
        if _WHOLE.match(bare) and len(bare) > 1:
            counted[bare] += 1
            first.setdefault(bare, i)
    out = []
    for name, count in counted.items():
        saying = lexicon.get(name.lower())
        # Of a name that is made of known parts nobody knows whether it is said so: "Tre-garrow", "Treg-arrow".
        unknown = english and (
            is_guessed(name) or (name in named and not in_dictionary(name.lower()))
        )
        if not (unknown or saying or name in named):
            continue
        sounds, phonemes = (saying.sounds, saying.phonemes) if saying else ("", "")
        said = respelled([p.lower() for p in sounding(name)]) if english else ""
        out.append(NameSaid(name, count, first[name], unknown, sounds, phonemes, said))
    out.sort(key=lambda n: (not n.unknown, n.word[:1].islower(), -n.count, n.first))
    return out[:MOST_NAMES]


def _bare(word: str) -> str:
    return re.sub(r"[’']s$", "", word.strip("“”\"'‘’.,;:!?…—–-()[]*_"))
