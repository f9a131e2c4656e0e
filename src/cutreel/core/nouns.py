"""What a noun names: somebody, an animal, a place, a thing to hold. From WordNet 3.0, by `tools/nouns.py`."""

import gzip
from functools import cache, lru_cache
from importlib.resources import files
from typing import Literal, get_args

Sort = Literal[
    "person",
    "people",
    "animal",
    "plant",
    "place",
    "thing",
    "garment",
    "body",
    "food",
    "weather",
    "time",
]
SORTS: tuple[Sort, ...] = get_args(Sort)
TOUCHED: frozenset[Sort] = frozenset({"thing", "food", "plant"})
"""What can be held, given, put down, and looked at by itself."""
_SOMEBODY = ("woman", "man", "keeper", "maker", "master", "mistress", "monger", "wright", "smith")


@cache
def _nouns() -> dict[str, Sort]:
    packed = files(__package__).joinpath("nouns.txt.gz").read_bytes()
    found: dict[str, Sort] = {}
    for line in gzip.decompress(packed).decode().splitlines():
        sort, *words = line.split()
        for known in SORTS:
            if known == sort:
                found.update(dict.fromkeys(words, known))
    return found


def sort_of(noun: str) -> Sort | None:
    """The sort of what a noun names, by its lemma in lower case; None for what cannot be seen.

    A word that is not in the list is judged by its last part ("lighthouse-keeper", "ferrywoman")."""
    nouns = _nouns()
    if noun in nouns:
        return nouns[noun]
    if "-" in noun:
        return sort_of(noun.rsplit("-", 1)[1])
    return "person" if noun.endswith(_SOMEBODY) else _by_parts(noun)


_TOLD_BY_LAST: frozenset[Sort] = frozenset({"person", "animal", "plant", "food", "garment"})
"""Of these a word made of two is what its last part is: a breadcrumb. Daylight and a deadline are no things."""
LEAST_PART = 3


@lru_cache(maxsize=8192)
def _by_parts(noun: str) -> Sort | None:
    nouns = _nouns()
    for at in range(LEAST_PART, len(noun) - LEAST_PART):
        last = nouns.get(noun[at:].replace("children", "child"))
        if last in _TOLD_BY_LAST and noun[:at] in nouns:
            return last
    return None
