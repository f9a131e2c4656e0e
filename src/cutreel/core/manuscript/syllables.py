"""How many syllables a word has: from the CMU Pronouncing Dictionary, by rule where it is
silent."""

import re
from functools import lru_cache

from .pronunciations import pronunciations

_GROUP = re.compile(r"[aeiouy]+")
_DIGIT_SYLLABLES = {"0": 2, "1": 1, "2": 1, "3": 1, "4": 1, "5": 1, "6": 1, "7": 2, "8": 1, "9": 1}


@lru_cache(maxsize=65536)
def syllables(word: str) -> int:
    """Syllables of one word, at least 1. Digits count as they are read out, roughly (years in
    pairs, else by place)."""
    bare = re.sub(r"[^a-z0-9'-]", "", word.lower().replace("’", "'"))
    if "-" in bare.strip("-"):
        return sum(syllables(part) for part in bare.strip("-").split("-") if part) or 1
    bare = bare.strip("'-")
    if bare.isdigit():
        return _number(bare)
    found = pronunciations().get(bare)
    if found is None and bare.endswith("'s"):
        found = pronunciations().get(bare[:-2])
        if found:
            return _phones(found[0]) + (
                1 if found[0][-1] in {"S", "Z", "SH", "CH", "JH", "ZH"} else 0
            )
    if found:
        return _phones(found[0])
    return _by_rule(bare.removesuffix("'s"))


def _phones(phones: list[str]) -> int:
    return max(1, sum(1 for phone in phones if phone[-1].isdigit()))


def _number(digits: str) -> int:
    if len(digits) == 4 and digits[0] in "12":
        return _pair(digits[:2]) + (2 if digits[2:] == "00" else _pair(digits[2:]))
    if len(digits) <= 2:
        return _pair(digits)
    if len(digits) == 3:
        return (
            _DIGIT_SYLLABLES[digits[0]] + 2 + (_pair(digits[1:]) + 1 if digits[1:] != "00" else 0)
        )
    return sum(_DIGIT_SYLLABLES[d] for d in digits) + 2 * ((len(digits) - 1) // 3)


def _pair(digits: str) -> int:
    value = int(digits)
    if value < 10:
        return _DIGIT_SYLLABLES[str(value)]
    if value < 20:
        return {10: 1, 11: 3, 12: 1, 17: 3}.get(value, 2)
    tens = 3 if value // 10 == 7 else 2
    return tens + (_DIGIT_SYLLABLES[str(value % 10)] if value % 10 else 0)


def _by_rule(word: str) -> int:
    groups = _GROUP.findall(word)
    count = len(groups)
    if word.endswith("e") and not word.endswith(("le", "ee", "ie", "ye")) and count > 1:
        count -= 1
    if word.endswith("ed") and count > 1 and not word.endswith(("ted", "ded")):
        count -= 1
    if (
        word.endswith("es")
        and count > 1
        and not word.endswith(("ses", "zes", "xes", "ches", "shes", "ges", "ces"))
    ):
        count -= 1
    count += len(re.findall(r"ia(?!l\b)|io(?!u|n)|eo|uo|ying", word))
    return max(1, count)
