"""The numbers that a text says, in figures or in words."""

import re
from typing import NamedTuple

_SMALL = {
    w: n
    for n, w in enumerate(
        "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen "
        "seventeen eighteen nineteen".split()
    )
}
_TENS = {
    w: 10 * n
    for n, w in enumerate("_ _ twenty thirty forty fifty sixty seventy eighty ninety".split())
    if n > 1
}
_LARGE = {"thousand": 1_000, "million": 1_000_000, "billion": 1_000_000_000}
_WORD = "(?:" + "|".join([*_SMALL, *_TENS, *_LARGE, "hundred"]) + ")"
_SAID = re.compile(
    r"(?<![\w.,])(?P<sign>[-−])?(?P<digits>\d{1,3}(?:[,\u00a0\u202f]\d{3})+|\d+)(?P<rest>\.\d+)?"
    r"(?P<large> (?:thousand|million|billion))?(?P<unit> ?%)?(?!\w)"
    rf"|\b(?P<words>{_WORD}(?:(?:-| and | ){_WORD})*)\b",
    re.IGNORECASE,
)
_YEAR = range(1000, 2100)


class Said(NamedTuple):
    """A number in a text: from and up to which character, its value, whether it is said in hundredths, and whether it
    is a year."""

    start: int
    end: int
    value: float
    percent: bool
    year: bool


def numbers_in(text: str) -> list[Said]:
    """All numbers of a text, in their order."""
    out = []
    for m in _SAID.finditer(text):
        if m["words"]:
            value = _worth(m["words"].lower())
            if value is not None:
                out.append(Said(m.start(), m.end(), value, False, False))
            continue
        digits = m["digits"]
        value = float(re.sub(r"\D", "", digits) + (m["rest"] or ""))
        value *= _LARGE[m["large"].strip().lower()] if m["large"] else 1
        bare = (
            digits.isdigit()
            and len(digits) == 4
            and not m["rest"]
            and not m["large"]
            and not m["unit"]
        )
        is_year = bare and value in _YEAR and not _counted(text[m.end() :])
        out.append(
            Said(m.start(), m.end(), -value if m["sign"] else value, bool(m["unit"]), is_year)
        )
    return out


def _counted(after: str) -> bool:
    """Whether what follows is counted by a number that looks like a year: "1200 barges"."""
    m = re.match(r" ([a-z]+s)\b", after)
    return m is not None and m[1] not in (
        "was",
        "is",
        "has",
        "as",
        "this",
        "its",
        "his",
        "sees",
        "brings",
    )


def _worth(words: str) -> float | None:
    """What a number in words comes to: "two hundred and four". A small one alone says nothing that is drawn."""
    whole = part = 0
    seen = False
    for word in re.split(r"[- ]", words):
        if word in _SMALL:
            part += _SMALL[word]
        elif word in _TENS:
            part += _TENS[word]
        elif word == "hundred":
            part = max(1, part) * 100
        elif word in _LARGE:
            whole += max(1, part) * _LARGE[word]
            part = 0
        else:
            continue
        seen = True
    return float(whole + part) if seen else None
