"""Names of colours as scripts use them, with the values that we take them to mean."""

import re

import numpy as np
from numpy.typing import ArrayLike

from .difference import ciede2000
from .lab import lab_of

# fmt: off
NAMED: dict[str, tuple[int, int, int]] = {
    "red": (190, 52, 42), "crimson": (160, 32, 48), "scarlet": (206, 54, 36), "brick red": (158,
    66, 48),
    "rust": (172, 88, 48), "orange": (218, 124, 48), "mustard": (204, 154, 44), "yellow": (228,
    182, 52),
    "ochre": (196, 146, 66), "gold": (212, 168, 70), "cream": (240, 226, 196), "white": (242, 238,
    228),
    "green": (84, 128, 74), "moss green": (104, 116, 62), "moss": (104, 116, 62), "olive": (116,
    112, 62),
    "teal": (44, 118, 118), "turquoise": (64, 150, 150), "blue": (62, 98, 152), "navy": (40, 56,
    92),
    "grey blue": (104, 126, 148), "pale blue": (150, 180, 200), "purple": (112, 76, 128),
    "plum": (114, 66, 98),
    "violet": (126, 98, 158), "pink": (214, 142, 146), "brown": (112, 78, 52), "dark brown": (74,
    52, 38),
    "chestnut": (124, 72, 44), "tan": (186, 152, 112), "grey": (132, 132, 130), "gray": (132, 132,
    130),
    "dark grey": (84, 86, 88), "silver": (188, 190, 190), "black": (42, 40, 42),
}
"""sRGB, 0 … 255."""
_SKIN: dict[str, tuple[int, int, int]] = {
    "pale": (240, 208, 182), "fair": (234, 194, 162), "tanned": (206, 156, 116), "olive": (190,
    146, 108),
    "brown": (150, 104, 74), "dark": (108, 74, 54),
}
# fmt: on
RED_HAIR = (178, 84, 44)
"""Nobody's red hair is as red as a red coat."""
_LONGEST_FIRST = sorted(NAMED, key=len, reverse=True)


def colour_in(words: str) -> tuple[int, int, int] | None:
    """The colour that a trait's words name, as sRGB; of skin, what that word means of skin. None:
    they name none."""
    low = words.lower()
    if re.search(r"\bskin\b", low):
        return next((_SKIN[w] for w in re.findall(r"[a-z]+", low) if w in _SKIN), None)
    if re.search(r"\bfair\b.*\bhair|\bhair.*\bfair\b", low):
        return NAMED["ochre"]
    if re.search(
        r"(?<!brick )\bred (?:\w+ )?(?:hair|beard|moustache|braids?|plaits?|curls)\b|\bred-haired\b",
        low,
    ):
        return RED_HAIR
    return next((NAMED[name] for name in _LONGEST_FIRST if re.search(rf"\b{name}\b", low)), None)


def name_of(lab: ArrayLike) -> str:
    """The nearest name for a colour."""
    names = list(NAMED)
    return names[int(np.argmin(ciede2000(lab_of(list(NAMED.values())), np.asarray(lab, float))))]
