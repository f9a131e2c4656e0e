"""Nouns without a drawing of their own are drawn as the nearest that has one (`tools/kin.py`), and words in any form are
looked up by their base."""

import gzip
from collections.abc import Collection, Iterator
from functools import cache
from importlib.resources import files

_IRREGULAR = {
    "knives": "knife", "loaves": "loaf", "leaves": "leaf", "shelves": "shelf", "wolves": "wolf", "mice": "mouse", "geese": "goose",
    "children": "child", "men": "man", "women": "woman", "feet": "foot", "teeth": "tooth", "oxen": "ox", "scarves": "scarf", "calves": "calf",
}


PERSON = "person"
"""Stands in the list for nouns that are people."""


@cache
def _kin() -> dict[str, str]:
    packed = files(__package__).joinpath("kin.txt.gz").read_bytes()
    found: dict[str, str] = {}
    for line in gzip.decompress(packed).decode().splitlines():
        drawing, *words = line.split()
        found.update(dict.fromkeys(words, drawing))
    return found


def kin_of(word: str) -> str | None:
    """The word whose drawing stands for this one; None where nothing is near."""
    return next((_kin()[base] for base in bases(word) if base in _kin()), None)


def is_person(word: str) -> bool:
    """Whether a word, in any form, says what somebody is: "cleaners"."""
    return any(_kin().get(base) == PERSON for base in bases(word))


def bases(word: str) -> Iterator[str]:
    """The word and what it may be a form of: one of many, or a verb in the present."""
    yield word
    if word in _IRREGULAR:
        yield _IRREGULAR[word]
    if word.endswith("ies") and len(word) > 4:
        yield word[:-3] + "y"
    if word.endswith("es") and len(word) > 4:
        yield word[:-2]
    if word.endswith("s") and not word.endswith("ss") and len(word) > 3:
        yield word[:-1]


def known(word: str, among: Collection[str]) -> str | None:
    """The form of a word that is among some; None where none is."""
    return next((base for base in bases(word) if base in among), None)
