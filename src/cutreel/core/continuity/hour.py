"""The hour, the weather and the season that words say."""

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
WEATHER_SAID = {"rain", "snow", "fog", "mist", "storm", "wind", "gale", *RAINS}
