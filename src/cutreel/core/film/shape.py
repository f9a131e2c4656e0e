"""The shapes that a film's frames have."""

from typing import Literal

Aspect = Literal["16:9", "9:16", "4:5", "1:1"]


def proportion(aspect: str) -> float:
    """Width over height."""
    wide, high = aspect.split(":")
    return int(wide) / int(high)


def is_upright(aspect: str) -> bool:
    """Whether frames are higher than wide."""
    return proportion(aspect) < 1
