"""Leaps in time that a text tells: "a hundred and fifty-three years later", "today"."""

import re

from cutreel.core.manuscript import numbers_in

_LATER = re.compile(
    r"(?P<many>[\w ,-]{1,60}?) years? (?:later|afterwards?|after that|had (?:passed|gone by))\b",
    re.IGNORECASE,
)
_NOW = re.compile(
    r"^[“\"\s]*(?:today|nowadays|these days|in our (?:own )?days?|at present)\b", re.IGNORECASE
)
_FEWEST, _LAST = 1000, 2099


def leap(text: str, year: str) -> str | None:
    """The year that it is behind a text's leap in time, where it was `year` (empty: not known); "" for our own, and for
    one that cannot be told; None where there is no leap."""
    if year and _NOW.match(text):
        return ""
    found = _LATER.search(text)
    if found is None:
        return None
    count = _count(found["many"])
    if count is None or not year.isdigit():
        return ""
    then = int(year) + count
    return str(then) if _FEWEST <= then <= _LAST else ""


def years_later(text: str) -> int:
    """How many years a text leaps on; 0 where it does not, or does not say how many."""
    found = _LATER.search(text)
    return (_count(found["many"]) or 0) if found else 0


def _count(many: str) -> int | None:
    many = many.strip().lower()
    numbers = numbers_in(many)
    if numbers:
        return round(numbers[-1].value)
    return 1 if many.split()[-1:] in (["a"], ["one"]) else None
