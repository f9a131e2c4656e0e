"""Whether what stands on a plate is what the manuscript says."""

import re
from collections.abc import Sequence
from functools import lru_cache

from cutreel.core.manuscript import numbers_in

from .maps import where_of
from .model import WORDED, Plate
from .page import figure, year


def doubts(plate: Plate, text: str, whole: str = "") -> list[str]:
    """What of a plate is neither in the words that it is shown with nor in the `whole` manuscript: numbers that differ,
    what nobody said so."""
    if plate.sort in WORDED:
        return _of_words(plate.words, whole or text)
    said = [s.value for s in numbers_in(text)]
    told = _all_of(whole)
    out = []
    if plate.sort == "map":
        unknown = [r.label for r in plate.rows if where_of(r) is None]
        out += [f"where “{name}” is, is not known: say it in degrees" for name in unknown]
    for row in plate.rows:
        if row.value is None or row.value in told or row.value in said:
            continue
        shown = year(row.value) if plate.sort == "time line" else figure(row.value, plate.unit)
        near = _nearest(row.value, said)
        out.append(
            f"{shown} is not in the manuscript"
            + (f"; {figure(near)} is said here" if near is not None else "")
        )
    return out


@lru_cache(maxsize=8)
def _all_of(text: str) -> frozenset[float]:
    return frozenset(s.value for s in numbers_in(text))


def _nearest(value: float, said: Sequence[float]) -> float | None:
    """A number that may have been meant: within a tenth, or with the same figures at other places."""
    figures = sorted(re.sub(r"\D", "", figure(value)))
    for other in said:
        if (
            abs(value - other) <= 0.1 * abs(other)
            or sorted(re.sub(r"\D", "", figure(other))) == figures
        ):
            return other
    return None


def _of_words(words: str, text: str) -> list[str]:
    bare, whole = (" ".join(re.findall(r"\w+", t.lower())) for t in (words, text))
    return [] if not bare or bare in whole else ["these words are not in the manuscript"]
