"""Plates that the words of a shot give a reason for: numbers, years, places, what somebody said or wrote."""

import re
from collections.abc import Collection, Iterator
from typing import NamedTuple

from cutreel.core.manuscript import Said, numbers_in

from .model import Plate, PlateRow, PlateSort
from .waters import river_named
from .world import place_named

LEAST_NUMBER = 10
"""Fewer can be painted."""
_PLACED = re.compile(
    r"\b(?:in|to|from|near|at|of|past|towards?|through|via|reached|left|for|and|between)\s+((?:[A-ZÀ-Þ][\w’'-]+)(?:\s+(?:[A-ZÀ-Þ][\w’'-]+|de|la|le|of|am|an|der|upon)){0,3})"
)
_RIVER = re.compile(
    r"\b(?:[Tt]he\s+(?:[Rr]iver\s+)?[A-ZÀ-Þ][\w’'-]+(?:\s+[A-ZÀ-Þ][\w’'-]+)?|"
    r"[Rr]iver\s+[A-ZÀ-Þ][\w’'-]+|[A-ZÀ-Þ][\w’'-]+\s+River\b)"
)
_QUOTED = re.compile(r"[“\"]([^”\"]{24,400})[”\"]")
_WROTE = re.compile(r"\b(?:wrote|writes|letter|diary|journal|note)\b", re.IGNORECASE)
_PRINTED = re.compile(r"\b(?:newspaper|papers|headline|gazette|reported|printed)\b", re.IGNORECASE)
_WHO = re.compile(
    r"[”\"],?\s+(?:said|wrote|recalled|remembered|asked|reported)?\s*(?:the [a-z]+ )?((?:[A-Z][\w’'-]+\s?){1,3})"
)
_LISTED = re.compile(
    r"\b((?:[\w’'-]+ ){0,2}[\w’'-]+), ((?:(?:[\w’'-]+ ){0,3}[\w’'-]+, )+)(?:and|or) ((?:[\w’'-]+ ){0,2}[\w’'-]+)"
)
_STOP = frozenset(
    "the a an of in on at and or was were is are had has that which who as by from to with for".split()
)


_OWN = frozenset(
    "its his her their my our your this that these those it they he she we you i".split()
)
_UNITS = frozenset(
    "metres meters kilometres kilometers miles feet yards fathoms inches tons tonnes kilograms pounds litres gallons "
    "acres hectares years days hours minutes weeks months degrees knots francs marks crowns dollars".split()
)


class Proposed(NamedTuple):
    """A plate, and the words that it is proposed for."""

    plate: Plate
    why: str


def propose(text: str, names: Collection[str] = (), around: str = "") -> list[Proposed]:
    """Plates for the words of a shot, the likeliest first; `names` are of people, and no places. A time line that is
    begun in them is taken from what is told `around` them too."""
    said = numbers_in(text)
    told = around if around and any(s.year for s in said) else text
    out = [
        *_years(told, numbers_in(told)),
        *_map(text, names),
        *_parts(text, said),
        *_quotation(text),
        *_number(text, said),
        *_list(text),
    ]
    return out[:4]


def _clause(text: str, at: int) -> str:
    """The part of a sentence around a character, without its year."""
    begin = max((text.rfind(c, 0, at) for c in ".;:!?,—\n"), default=-1) + 1
    ends = [i for c in ".;:!?,—\n" if (i := text.find(c, at)) >= 0]
    clause = text[begin : min(ends, default=len(text))]
    clause = re.sub(
        r"\b(?:(?:in|by|since|until|from)\s+)?(?:1\d{3}|20\d\d)\b", "", clause, flags=re.IGNORECASE
    )
    words = clause.split()
    while words and words[0].lower() in ("and", "but", "then", "so"):
        words = words[1:]
    return " ".join(words)[:76]


def _years(text: str, said: list[Said]) -> list[Proposed]:
    found = {s.value: s for s in said if s.year}
    if len(found) < 2:
        return []
    rows = []
    for value, s in sorted(found.items())[:8]:
        clause = _clause(text, s.start)
        if not clause:  # "In 1902, the pier was built": what happened stands behind the comma
            clause = _clause(text, min(len(text) - 1, s.end + 2))
        rows.append(PlateRow(label=clause[:1].upper() + clause[1:], value=value))
    years = ", ".join(f"{v:.0f}" for v in sorted(found))
    return [Proposed(Plate(sort="time line", rows=tuple(rows)), f"years: {years}")]


def _map(text: str, names: Collection[str]) -> list[Proposed]:
    known = frozenset(part.lower() for name in names for part in name.split())
    found: list[tuple[int, PlateRow]] = [*_rivers(text, known)]
    taken = {row.label for _, row in found}
    for m in _PLACED.finditer(text):
        words = m[1].split()
        while words:
            name = re.sub(r"[’']s$", "", " ".join(words))
            place = place_named(name) if words[0].lower() not in known else None
            if place is not None and name not in taken and f"{name} River" not in taken:
                north, east = round(place.north, 3), round(place.east, 3)
                found.append((m.start(1), PlateRow(label=name, north=north, east=east)))
                taken.add(name)
            if place is not None:
                break
            words = words[:-1]
    if not found:
        return []
    rows = tuple(row for _, row in sorted(found, key=lambda f: f[0]))[:8]
    many = sum(r.north is not None for r in rows) > 1
    plate = Plate(sort="map", rows=rows, route=many)
    return [Proposed(plate, f"places: {', '.join(r.label for r in rows)}")]


def _rivers(text: str, known: frozenset[str]) -> Iterator[tuple[int, PlateRow]]:
    """Rivers that are named, each once: where, and as a row of a map."""
    told = set()
    for m in _RIVER.finditer(text):
        river = river_named(re.sub(r"[’']s\b", "", m[0]))
        if river and river.name not in told and known.isdisjoint(m[0].lower().split()):
            told.add(river.name)
            bare = river_named(river.name)
            yield m.start(), PlateRow(label=river.name if bare else f"{river.name} River")


def _parts(text: str, said: list[Said]) -> list[Proposed]:
    percents = [s for s in said if s.percent]
    if len(percents) < 2:
        return []
    rows = tuple(PlateRow(label=_counted(text, s) or "part", value=s.value) for s in percents[:6])
    whole = sum(r.value or 0 for r in rows)
    sort: PlateSort = "shares" if 98 <= whole <= 102 else "bars"
    return [Proposed(Plate(sort=sort, rows=rows, unit="%"), "parts in a hundred")]


def _number(text: str, said: list[Said]) -> list[Proposed]:
    found = [s for s in said if not s.year and (abs(s.value) >= LEAST_NUMBER or s.percent)]
    if not found:
        return []
    most = max(found, key=lambda s: abs(s.value))
    label, unit = _counted(text, most), "%" if most.percent else ""
    first, _, rest = label.partition(" ")
    if first.lower() in _UNITS and not unit:
        unit, label = first, rest.removeprefix("of ")
    row = PlateRow(label=label, value=most.value)
    plate = Plate(sort="number", rows=(row,), unit=unit)
    return [Proposed(plate, f"“{text[most.start : most.end].strip()}”")]


def _counted(text: str, said: Said) -> str:
    """What a number counts: the words behind it, up to what is no part of its name."""
    out: list[str] = []
    for word in re.findall(r"[^\s]+", text[said.end :])[:7]:
        bare = word.strip('.,;:!?”“"')
        small = bare.lower()
        if not bare or (out and small in _STOP - {"of", "the"}) or small in _OWN or len(out) == 4:
            break
        # Before its name may stand what joins it to the number: "55 % was for rails".
        if out or small not in _STOP:
            out.append(bare)
        if bare != word:
            break
    while out and out[-1].lower() in _STOP:
        out.pop()
    return " ".join(out)


def _quotation(text: str) -> list[Proposed]:
    m = _QUOTED.search(text)
    if m is None or len(m[1].split()) < 5:
        return []
    around = text[: m.start()] + text[m.end() :]
    who = _WHO.search(text, m.end() - 1)
    by = who[1].strip() if who else ""
    sort: PlateSort = (
        "cutting" if _PRINTED.search(around) else "letter" if _WROTE.search(around) else "quotation"
    )
    words = m[1].strip().rstrip(",")
    return [Proposed(Plate(sort=sort, words=words, by=by), "what is quoted")]


def _list(text: str) -> list[Proposed]:
    m = _LISTED.search(text)
    if m is None:
        return []
    parts = [m[1], *m[2].split(","), m[3]]
    rows = []
    for n, part in enumerate(parts):
        # What stands before the first of a list is not of the list.
        words = part.split()[-1:] if n == 0 else part.split()
        while words and words[0].lower() in _STOP | {
            "his",
            "her",
            "their",
            "its",
            "some",
            "any",
            "no",
        }:
            words = words[1:]
        if words:
            rows.append(" ".join(words[-3:]))
    done = sum(r.split()[0].endswith(("ed", "ing")) for r in rows)
    if len(rows) < 3 or done > 1:
        return []
    shown = tuple(PlateRow(label=r[:1].upper() + r[1:]) for r in rows[:8])
    return [Proposed(Plate(sort="list", rows=shown), f"a list: {', '.join(rows)}")]
