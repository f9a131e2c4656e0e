"""The hour, the weather and the season that words say."""

import re
from collections.abc import Sequence
from typing import cast, get_args

from .model import Season, TimeOfDay, Weather


def time_called(word: str) -> TimeOfDay:
    return cast(TimeOfDay, word) if word in get_args(TimeOfDay) else "day"


def weather_called(word: str) -> Weather:
    return cast(Weather, word) if word in get_args(Weather) else "clear"


def season_called(word: str) -> Season:
    return cast(Season, word) if word in get_args(Season) else ""


_SMALL_HOURS = {"one", "two", "three", "four", "1", "2", "3", "4"}


def in_small_hours(before: Sequence[str]) -> bool:
    """ "At three in the morning": it is night."""
    told = [w for w in before if w not in ("o'clock", "o’clock")]
    if told[-2:] != ["in", "the"] or len(told) < 3:
        return False
    clock = _CLOCK.fullmatch(told[-3])
    return told[-3] in _SMALL_HOURS or (clock is not None and int(clock[1]) < _DAWN)


_CLOCK = re.compile(r"(\d{1,2})(?:[:.](\d\d))?([ap]\.?m)?")
_DAWN = 5
"""The hour at which it dawns."""


def hour_of_clock(word: str, behind: str) -> TimeOfDay | None:
    """ "7:30 p.m.", "at 6 a.m.", "19:45": the time of day that a clock says; None for other figures. `word` and the one
    behind it are without marks at their ends."""
    found = _CLOCK.fullmatch(word)
    half = behind.replace(".", "") if behind.replace(".", "") in ("am", "pm") else ""
    half = half or ((found and found[3]) or "").replace(".", "")
    if found is None or not (half or (found[2] and ":" in word)):
        return None
    hour = int(found[1])
    if hour > 24 or int(found[2] or 0) > 59:
        return None
    if half:
        hour = hour % 12 + (12 if half == "pm" else 0)
    elif hour < 13:
        return None  # "at 7:30": nobody knows of which half
    return _OF_HOUR[hour % 24]


_IN_WORDS = {
    word: number
    for number, word in enumerate(
        "one two three four five six seven eight nine ten eleven twelve".split(), 1
    )
}
_EVENING = 8


def hour_in_words(bare: Sequence[str], i: int, now: TimeOfDay) -> TimeOfDay | None:
    """ "At one o'clock", "ten past twelve", once it is evening: the time of day that is meant; None for other words,
    and by day, where nobody knows of which half of it they are."""
    hour = _IN_WORDS.get(bare[i])
    behind = bare[i + 1] if i + 1 < len(bare) else ""
    told = behind in ("o'clock", "o’clock") or (i > 0 and bare[i - 1] in ("past", "to"))
    if hour is None or not told or now not in ("dusk", "night"):
        return None
    return time_called("night") if hour >= _EVENING or hour < _DAWN else None


_HOURS = (
    "night night night night night dawn dawn "
    "day day day day day day day day day day day dusk dusk dusk night night night"
)
_OF_HOUR = tuple(time_called(name) for name in _HOURS.split())
"""The time of day of each hour, half a year from the shortest day: dawn from five on, dusk from six in the evening."""
_SUN = (
    (
        re.compile(
            r"\bsun (?:c[ao]mes? up|rises|rose|(?:was|is) (?:rising|coming up)|ha[sd] risen|climb(?:s|ed) over)\b"
            r"|\bsky (?:was |is |ha[sd] )?(?:turn(?:s|ed|ing)|went|goes|gone|grew|grows|growing) "
            r"(?:grey|gray|pale|light)\b,? (?:and )?(?:then )?(?:pink|gold|red|rose)\b"
            r"|\bit (?:was|is|grew|grows|got|gets)(?: getting| growing)? light\b"
        ),
        time_called("dawn"),
    ),
    (
        re.compile(
            r"\bsun (?:went down|goes down|sets?|(?:was|is) (?:setting|going down)|sank|sinks|ha[sd] set)\b"
        ),
        time_called("dusk"),
    ),
)


def hour_of_sun(bare: Sequence[str]) -> TimeOfDay | None:
    """The time of day that the sun says: "when the sun came up"; None where it says none."""
    text = " ".join(bare)
    return next((time for says, time in _SUN if says.search(text)), None)


_DARK = re.compile(
    r"\bit (?:was|is|ha[sd] grown|grew|grows|got|gets|ha[sd] got|(?:was|is) getting|became|becomes) "
    r"(?:already |quite |very |almost |nearly )?dark\b"
    r"|\b(?:after|long after) dark\b"
)
_AT_NIGHT = re.compile(
    r"\b(?:work|works|worked|working) nights\b|\bnight shift\b"
    r"|\b(?:in|into|through|from) the dark(?:ness)?\b(?! of\b| \w+ of\b)|\b(?:in|by) the moonlight\b"
)


def is_dark(bare: Sequence[str]) -> str:
    """The words that say that it is dark by now; nothing where none do."""
    found = _DARK.search(" ".join(bare))
    return found.group() if found else ""


_SLEEPS = re.compile(r"\basleep\b|\b(?:go|goes|went|gone|put|puts) to bed\b")
_WAKES = frozenset({"morning", "dawn", "daybreak", "sunrise"})
_LATE = re.compile(
    r"\blast (?:bus|train|tram|ferry|boat|coach|metro)\b(?: \w+){1,6} at (?:half past )?(?:nine|ten|eleven)\b"
)
_SEEN_OUT = re.compile(r"\b(?:dark|black) windows?\b(?! of\b)")


def begins_at_night(bare: Sequence[str], then: str) -> str:
    """The words that say of a story's beginning that it is night, where the first word of an hour, `then`, comes after
    them: a window that is dark from within, the last bus at eleven, sleep before a morning; nothing where none do."""
    text = " ".join(bare)
    found = (
        _SEEN_OUT.search(text)
        or _LATE.search(text)
        or (_SLEEPS.search(text) if then in _WAKES else None)
    )
    return found.group() if found else ""


def is_at_night(bare: Sequence[str]) -> str:
    """Words that are said of a night, where nothing else says the hour: "he pointed into the dark"."""
    found = _AT_NIGHT.search(" ".join(bare))
    return found.group() if found else ""


DAYTIME = {"morning", "noon", "afternoon"}
RAINS = {
    **dict.fromkeys(("rained", "rains", "raining"), "rain"),
    **dict.fromkeys(("snowed", "snows", "snowing"), "snow"),
    "blizzard": "snow",
}
_ENDS = "stop(?:s|ped)|end(?:s|ed)|pass(?:es|ed)|lift(?:s|ed)|cease[sd]|die[sd]|clear(?:s|ed)|gone|over|blown"
_CLEARS = re.compile(
    rf"\b(?:rain|snow|storm|fog|mist|wind|gale|clouds?)(?: (?:had|was|were|is|has))* (?:{_ENDS})\b"
    r"|\b(?:stop(?:s|ped)|cease[sd]) (?:raining|snowing|blowing)\b"
    r"|\bsky (?:was|is|grew|grows|turned|turns) (?:\w+ and )?(?:clear|blue|cloudless)\b"
    r"|\bsun(?:light)? (?:c[ao]mes? (?:out|in)|(?:breaks|broke) through|shines|shone|streams|streamed|pours|poured)\b"
)


_LIES = re.compile(
    r"\b(?:in|through|on|across|over|under|from|of|by|with|deep|white) (?:the |a |fresh |new |deep |soft |white |wet |"
    r"dirty |old )*snow\b(?! (?:fell|falls|falling|came|comes|began|begins|blew|storm))"
    r"|\bsnow (?:lay|lies|lying|was|is|had lain|cover(?:ed|s)|crunche[ds]|glitter(?:ed|s)|creak(?:ed|s)|on)\b"
)


def snow_lies(bare: Sequence[str]) -> bool:
    """Whether the snow that is told of lies where it fell: "she walked through the deep snow"."""
    return _LIES.search(" ".join(bare)) is not None


def melts(words: str) -> bool:
    """Whether words tell of snow that melts."""
    return _MELTS.search(words) is not None


_MELTS = re.compile(
    r"\bsnow (?:had |has |was |is )?(?:melt|thaw|go)(?:s|ed|ing|ne)\b|\bthaw(?:ed|s)?\b"
)


def clears(bare: Sequence[str]) -> str:
    """The words that say that bad weather is over; nothing where none do."""
    text = " ".join(bare)
    found = _CLEARS.search(text) or _MELTS.search(text)
    return found.group() if found else ""


WEATHER_SAID = {"rain", "snow", "fog", "mist", "storm", "wind", "gale", *RAINS}
