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
    return told[-2:] == ["in", "the"] and bool(_SMALL_HOURS & set(told[-3:-2]))


DAYTIME = {"morning", "noon", "afternoon"}
RAINS = {
    "rained": "rain",
    "raining": "rain",
    "snowed": "snow",
    "snowing": "snow",
    "blizzard": "snow",
}
_ENDS = "stopped|ended|passed|lifted|ceased|died|cleared|gone|over|blown"
_CLEARS = re.compile(
    rf"\b(?:rain|snow|storm|fog|mist|wind|gale|clouds?)(?: (?:had|was|were|is|has))* (?:{_ENDS})\b"
    r"|\b(?:stopped|ceased) (?:raining|snowing|blowing)\b"
    r"|\bsky (?:was|is|grew|turned) (?:\w+ and )?(?:clear|blue|cloudless)\b"
    r"|\bsun (?:came out|broke through|shone)\b"
)


def clears(bare: Sequence[str]) -> str:
    """The words that say that bad weather is over; nothing where none do."""
    found = _CLEARS.search(" ".join(bare))
    return found.group() if found else ""


WEATHER_SAID = {"rain", "snow", "fog", "mist", "storm", "wind", "gale", *RAINS}
