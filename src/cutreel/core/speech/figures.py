"""Figures, dates, money, units and short forms as a person reads them aloud, by what stands beside them.

What may be read in several ways is given in all of them, the likeliest first. After the reading of numbers in The
Chicago Manual of Style (chapter 9) and the entries of Merriam-Webster's dictionary.
"""

import re
from collections.abc import Callable
from typing import NamedTuple

from cutreel.core.manuscript import pronoun_of_given

from .numbers import number, ordinal, year

_MARKS = re.compile(r"^([\"'“‘«(\[—–]*)(.*?)([\"'”’»)\].,;:!?…—–]*)$", re.S)
_CLINGS = re.compile(r"\s([&+=@×])$")
_SIGNS = {"&": "and", "+": "plus", "=": "equals", "@": "at", "×": "times"}
"""Signs that stand alone, and belong to the word before."""
_MONTHS = tuple(
    "January February March April May June July August September October November December".split()
)
_MONTH = {
    **{m.lower(): m for m in _MONTHS},
    **{m[:3].lower(): m for m in _MONTHS if m != "May"},
    "sept": "September",
}
_UNITS = {
    "km": "kilometre", "m": "metre", "cm": "centimetre", "mm": "millimetre", "kg": "kilogram", "g": "gram",
    "mph": "mile an hour", "km/h": "kilometre an hour", "ft": "foot", "lb": "pound", "lbs": "pound", "oz": "ounce",
    "ml": "millilitre", "hr": "hour", "hrs": "hour", "min": "minute", "mins": "minute", "sec": "second",
    "secs": "second",
    "yd": "yard", "yds": "yard", "mi": "mile", "kw": "kilowatt", "mb": "megabyte", "gb": "gigabyte", "hz": "hertz",
    "°c": "degree Celsius", "°f": "degree Fahrenheit", "°": "degree", "%": "percent",
}  # fmt: skip
_MANY = {"foot": "feet", "hertz": "hertz", "percent": "percent"}
_MONEY = {
    "£": ("pound", "pence"),
    "$": ("dollar", "cents"),
    "€": ("euro", "cents"),
    "¥": ("yen", ""),
}
_LARGE = frozenset(("hundred", "thousand", "million", "billion", "trillion", "m", "bn", "k"))
_SHORT = {
    "prof": "Professor", "capt": "Captain", "col": "Colonel", "lt": "Lieutenant", "sgt": "Sergeant",
    "gen": "General", "rev": "Reverend", "hon": "Honourable", "jr": "Junior", "sr": "Senior", "vs": "versus",
    "etc": "et cetera", "e.g": "for example", "i.e": "that is", "mt": "Mount", "ave": "Avenue", "rd": "Road",
    "blvd": "Boulevard", "approx": "approximately", "dept": "department", "vol": "volume", "govt": "government",
    "cf": "compare", "viz": "namely", "c": "about", "ca": "about", "bros": "Brothers", "ltd": "Limited",
    "inc": "Incorporated", "co": "Company", "messrs": "Messieurs", "ft": "Fort", "gov": "Governor", "sen": "Senator",
}  # fmt: skip
_ROMAN = re.compile(r"^(?=[IVXLC]{2,}$|[VX]$)(?:XC|XL|L?X{0,3})(?:IX|IV|V?I{0,3})$")
_NUMBERED = frozenset(
    "chapter part act scene volume book war appendix canto phase type class mark".split()
)
_BEFORE_YEAR = frozenset(
    "in by since until till from of early late mid around about before after to and between through spring summer "
    "autumn winter year ad circa again during".split()
)
_NOT_MANY = frozenset("was is has his hers its this as us yes always perhaps".split())
_UNEVEN = frozenset(
    "people men women children sheep feet soldiers deer fish oxen mice geese".split()
)
_BY_DIGITS = frozenset("room flight bus platform route number extension".split())
_PARTS = {"½": "a half", "¼": "a quarter", "¾": "three quarters", "⅓": "a third", "⅔": "two thirds"}


class Beside(NamedTuple):
    """The words before and behind, as they are written."""

    before: str = ""
    after: str = ""


def readings(word: str, beside: Beside = Beside()) -> tuple[str, ...]:
    """How a word that is not written as it sounds may be read, the likeliest first, marks around it left out; empty for
    all others."""
    found = _MARKS.match(_CLINGS.sub("", word))
    if found is None:
        return ()
    _, core, tail = found.groups()
    near = Beside(_bare(beside.before), _bare(beside.after))
    if any(c.isdigit() for c in core) or set(core) & set("½¼¾⅓⅔%£$€°"):
        for reads in _READERS:
            out = reads(core, near, beside)
            if out:
                return tuple(dict.fromkeys(out))
        return ()
    return _letters(core, tail, near, beside)


def read_out(word: str, beside: Beside = Beside()) -> str:
    """A word as it is read aloud, with the marks around it."""
    return read_as(word, readings(word, beside)[:1])


def read_as(word: str, spoken: tuple[str, ...]) -> str:
    """A word with `spoken` (at most one) in place of what stands between its marks. The full stop of a short form goes,
    where no sentence ends with it."""
    sign = _CLINGS.search(word)
    found = _MARKS.match(_CLINGS.sub("", word))
    if sign:
        behind = _SIGNS.get(sign[1], sign[1])
        return f"{read_as(_CLINGS.sub('', word), spoken)} {behind}"
    if not spoken or found is None:
        return word
    head, core, tail = found.groups()
    short = tail.startswith(".") and (core.lower() in _SHORT or core.lower() in _DOUBTFUL)
    return f"{head}{spoken[0]}{tail[1:] if short else tail}"


def _bare(word: str) -> str:
    return word.strip("\"'“‘«([—–”’»)].,;:!?…").lower()


def _whole(text: str) -> int:
    return int(text.replace(",", ""))


def _digits(text: str) -> str:
    return " ".join("oh" if d == "0" else number(int(d)) for d in text if d.isdigit())


def _many(noun: str, value: float) -> str:
    if value == 1:
        return noun
    first, _, rest = noun.partition(" ")
    plural = _MANY.get(first) or f"{first}s"
    return f"{plural} {rest}" if rest else plural


def _value(text: str) -> tuple[str, float] | None:
    """A number as it is written, in words and as it is: "1,500", "3.5", "3½"."""
    minus = text[:1] in "-−" and len(text) > 1
    body = text[1:] if minus else text
    part = _PARTS.get(body[-1:], "")
    if part:
        if not body[:-1].isdigit():
            return None if body[:-1] else (part.removeprefix("a "), 0.5)
        return f"{number(int(body[:-1]))} and {part}", int(body[:-1]) + 0.5
    if not re.fullmatch(r"\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d{1,15}(?:\.\d+)?|\.\d+", body):
        return None
    whole, _, decimals = body.replace(",", "").partition(".")
    spoken = number(int(whole or 0))
    if decimals:
        spoken += " point " + _digits(decimals).replace("oh", "oh" if len(decimals) > 1 else "zero")
    return ("minus " if minus else "") + spoken, float(body.replace(",", ""))


def _year(core: str, near: Beside, beside: Beside) -> list[str]:
    if not re.fullmatch(r"1[0-9]\d\d|20\d\d", core):
        return []
    value = int(core)
    as_year, as_number = year(value), number(value)
    many = (
        near.after in _UNITS
        or near.after in _LARGE
        or near.after in _UNEVEN
        or (
            near.after.endswith("s")
            and near.after not in _NOT_MANY
            and not near.after.endswith("ss")
            and beside.after[:1].islower()
            and near.before not in _MONTH
        )
    )
    if many and near.before not in ("in", "by", "since", "until"):
        return [as_number, as_year]
    return [as_year, as_number, _digits(core)]


def _span(core: str, near: Beside, beside: Beside) -> list[str]:
    """From one number to another, years above all."""
    found = re.fullmatch(r"(\d{1,4})[-–](\d{1,4})", core)
    if not found:
        return []
    one, other = found.groups()
    if len(one) == 4 and len(other) in (2, 4):
        last = year(int(other)) if len(other) == 4 else _two(other)
        return [f"{year(int(one))} to {last}"]
    if len(one) == 3 and len(other) == 4:
        return [f"{_digits(one)} {_digits(other)}"]
    return [
        f"{number(int(one))} to {number(int(other))}",
        f"{number(int(one))} {number(int(other))}",
    ]


def _two(digits: str) -> str:
    return f"oh-{number(int(digits))}" if digits[0] == "0" else number(int(digits))


def _decade(core: str, near: Beside, beside: Beside) -> list[str]:
    found = re.fullmatch(r"(\d\d)?(\d)0[’']?s", core)
    if not found:
        return []
    century, ten = found.groups()
    if ten == "0":
        tens = "hundreds" if century not in (None, "20") else "two thousands"
        return [f"{number(int(century))} {tens}" if century not in (None, "20") else tens]
    tens = number(int(ten) * 10).removesuffix("y") + "ies"
    if ten == "1":
        tens = "tens"
    return [f"{number(int(century))} {tens}" if century else tens]


def _time(core: str, near: Beside, beside: Beside) -> list[str]:
    found = re.fullmatch(r"(\d{1,2})(?:[:.](\d\d))?\s?(am|pm|a\.m|p\.m)?", core, re.I)
    if not found:
        return []
    hour, minute, half = found.groups()
    behind = re.fullmatch(r"(?:a\.m|p\.m|am|pm|o[’']clock)", near.after)
    if int(hour) > 24 or (minute and int(minute) > 59):
        return []
    if not (half or (minute and (":" in core or behind))):
        return []
    spoken = number(int(hour))
    if minute and minute != "00":
        spoken += f" {_two(minute)}".replace("oh-", "oh ")
    elif minute and not half and not behind:
        spoken += " o’clock" if int(hour) <= 12 else " hundred"
    if half:
        spoken += f" {half[0].upper()} M"
    return [spoken]


def _money(core: str, near: Beside, beside: Beside) -> list[str]:
    found = re.fullmatch(r"([£$€¥])([\d,]+)(?:\.(\d{1,2}))?(m|bn|k)?", core)
    if not found:
        return []
    sign, whole, small, large = found.groups()
    value, (coin, cents) = _whole(whole), _MONEY[sign]
    if large or near.after in _LARGE:
        amount = number(value) + (f" point {_digits(small)}" if small else "")
        much = {"m": "million", "bn": "billion", "k": "thousand"}.get(large or "", "")
        return [f"{amount} {much} {_many(coin, 2)}" if much else amount]
    spoken = f"{number(value)} {_many(coin, value)}"
    if small and int(small):
        small = small.ljust(2, "0")
        return [f"{spoken} {number(int(small))}", f"{spoken} and {number(int(small))} {cents}"]
    return [spoken]


def _date(core: str, near: Beside, beside: Beside) -> list[str]:
    found = re.fullmatch(r"(\d{4})-(\d\d)-(\d\d)", core)
    if found:
        y, m, d = (int(v) for v in found.groups())
        return [_dated(d, m, y)] if 1 <= m <= 12 and 1 <= d <= 31 else []
    found = re.fullmatch(r"(\d{1,2})[/.](\d{1,2})[/.](\d{4})", core)
    if found:
        a, b, y = (int(v) for v in found.groups())
        return [_dated(d, m, y) for d, m in ((a, b), (b, a)) if 1 <= m <= 12 and 1 <= d <= 31]
    found = re.fullmatch(r"(\d{1,2})(?:st|nd|rd|th)?", core)
    if not found or not 1 <= int(found[1]) <= 31:
        return []
    day = ordinal(int(found[1]))
    if near.before in _MONTH and (beside.before[:1].isupper() or near.before != "may"):
        return [day, number(int(found[1]))]
    if near.after in _MONTH and beside.after[:1].isupper():
        return [f"{day} of" if near.before == "the" else f"the {day} of", day]
    return []


def _dated(day: int, month: int, y: int) -> str:
    return f"the {ordinal(day)} of {_MONTHS[month - 1]} {year(y)}"


def _measured(core: str, near: Beside, beside: Beside) -> list[str]:
    """A number with its unit, or in front of it."""
    found = re.fullmatch(r"([-−]?[\d,.]*[\d½¼¾⅓⅔])\s?([a-zA-Z/%°]+)", core)
    if not found or found[2].lower() not in _UNITS:
        return []
    value = _value(found[1])
    return [f"{value[0]} {_many(_UNITS[found[2].lower()], value[1])}"] if value else []


def _joined(core: str, near: Beside, beside: Beside) -> list[str]:
    """ "12-year-old", "1st", "1/2", "#7", "4x4", "B12"."""
    found = re.fullmatch(r"(\d+)(?:st|nd|rd|th)", core)
    if found:
        return [ordinal(int(found[1]))]
    found = re.fullmatch(r"(\d{1,4})-([A-Za-z].*)", core)
    if found:
        return [f"{number(int(found[1]))}-{found[2]}"]
    found = re.fullmatch(r"(\d{1,2})/(\d{1,2})", core)
    if found:
        return _fraction(int(found[1]), int(found[2]))
    found = re.fullmatch(r"#(\d+)", core)
    if found:
        return [f"number {number(int(found[1]))}"]
    found = re.fullmatch(r"([A-Za-z]{1,3})-?(\d{1,4})", core)
    if found:
        return [f"{' '.join(found[1].upper())} {number(int(found[2]))}"]
    return []


def _fraction(a: int, b: int) -> list[str]:
    if b in (2, 4):
        part = {2: "half", 4: "quarter"}[b]
    elif 3 <= b <= 20:
        part = ordinal(b)
    else:
        return [f"{number(a)} over {number(b)}"]
    return [
        f"{'a' if a == 1 else number(a)} {part if a == 1 else ('halves' if b == 2 else part + 's')}"
    ]


def _plain(core: str, near: Beside, beside: Beside) -> list[str]:
    if re.fullmatch(r"0\d+", core):
        return [_digits(core)]
    if re.fullmatch(r"\d{3}", core) and near.before in _BY_DIGITS:
        return [_digits(core), number(int(core))]
    value = _value(core)
    return [value[0]] if value else []


_READERS: tuple[Callable[[str, Beside, Beside], list[str]], ...] = (
    _year, _span, _decade, _money, _date, _time, _measured, _joined, _plain,
)  # fmt: skip
_DOUBTFUL = frozenset(("st", "dr", "no", "p", "pp"))


def _letters(core: str, tail: str, near: Beside, beside: Beside) -> tuple[str, ...]:
    """Roman figures behind what they count, units behind a number, and short forms."""
    low = core.lower()
    if _ROMAN.match(core):
        value = _roman(core)
        if near.before in _NUMBERED:
            return number(value), ordinal(value)
        if beside.before.isalpha() and pronoun_of_given(near.before.capitalize()):
            return f"the {ordinal(value)}", number(value)  # Henry VIII
        if beside.before[:1].isupper() and len(core) > 1:
            return number(value), f"the {ordinal(value)}"  # Sector XI
        return ()
    if low in _LARGE and _sum_before(beside.before):
        return (f"{core} {_many(_MONEY[beside.before[0]][0], 2)}",)
    counted = _value(beside.before.strip("(“"))
    if low in _UNITS and counted is not None and low not in _NEVER:
        return (_many(_UNITS[low], counted[1]),)
    return _short(low, beside) if tail.startswith(".") else ()


def _short(low: str, beside: Beside) -> tuple[str, ...]:
    """A short form with its full stop."""
    named, counted = beside.after[:1].isupper(), beside.after[:1].isdigit()
    if low == "st":
        return ("Saint", "Street") if named and not _street(beside) else ("Street", "Saint")
    if low == "dr":
        road = beside.before[:1].isupper() and not named
        return ("Drive", "Doctor") if road else ("Doctor", "Drive")
    if low in _PAGES:
        return (_PAGES[low],) if counted else ()
    if low in _ONLY_BEFORE_NAMES and not named and not (low in ("c", "ca") and counted):
        return ()
    return (_SHORT[low],) if low in _SHORT else ()


_PAGES = {"no": "number", "p": "page", "pp": "pages"}
_ONLY_BEFORE_NAMES = frozenset(("ft", "c", "ca", "co", "gen", "col"))


def _sum_before(word: str) -> bool:
    return word[:1] in _MONEY and bool(_money(_bare(word).removesuffix("m"), Beside(), Beside()))


_NEVER = frozenset(("sec", "mi", "min", "g"))
"""Units that are words, or letters of a list, as well."""


def _street(beside: Beside) -> bool:
    """ "Baker St. Nobody …": a name before, and behind it a sentence begins or the street's town."""
    return beside.before[:1].isupper() and beside.before[-1:].isalpha() and _bare(beside.before) not in (
        "the", "at", "in", "on", "to", "old", "and", "near", "of",
    )  # fmt: skip


def _roman(text: str) -> int:
    values = [{"I": 1, "V": 5, "X": 10, "L": 50, "C": 100}[c] for c in text]
    return sum(-v if v < max(values[i:]) else v for i, v in enumerate(values))
