"""Colours: names that prompts use, and arithmetic on (red, green, blue) in 0 … 255."""

import math

RGB = tuple[float, float, float]

NAMED: dict[str, RGB] = {
    "red": (190, 52, 42), "crimson": (160, 32, 48), "scarlet": (206, 54, 36), "brick red": (158, 66, 48),
    "rust": (172, 88, 48), "orange": (218, 124, 48), "mustard": (204, 154, 44), "yellow": (228, 182, 52),
    "ochre": (196, 146, 66), "gold": (212, 168, 70), "cream": (240, 226, 196), "white": (242, 238, 228),
    "green": (84, 128, 74), "moss green": (104, 116, 62), "moss": (104, 116, 62), "olive": (116, 112, 62),
    "teal": (44, 118, 118), "turquoise": (64, 150, 150), "blue": (62, 98, 152), "navy": (40, 56, 92),
    "grey blue": (104, 126, 148), "pale blue": (150, 180, 200), "purple": (112, 76, 128), "plum": (114, 66, 98),
    "violet": (126, 98, 158), "pink": (214, 142, 146), "brown": (112, 78, 52), "dark brown": (74, 52, 38),
    "chestnut": (124, 72, 44), "tan": (186, 152, 112), "grey": (132, 132, 130), "gray": (132, 132, 130),
    "dark grey": (84, 86, 88), "silver": (188, 190, 190), "black": (42, 40, 42),
}


def mix(a: RGB, b: RGB, share: float) -> RGB:
    """`a` with `share` of `b` in it."""
    return (a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, a[2] + (b[2] - a[2]) * share)


def lighter(colour: RGB, share: float) -> RGB:
    return mix(colour, (255, 250, 238), share)


def darker(colour: RGB, share: float) -> RGB:
    return mix(colour, (24, 20, 30), share)


def grey_of(colour: RGB) -> float:
    """Relative lightness, 0 … 255."""
    return 0.3 * colour[0] + 0.59 * colour[1] + 0.11 * colour[2]


def paler(colour: RGB, share: float) -> RGB:
    """`colour` with `share` of its colourfulness taken away."""
    grey = grey_of(colour)
    return mix(colour, (grey, grey, grey), share)


def alike(a: RGB, b: RGB) -> bool:
    """Whether two colours are the same but for how light they are."""
    one, other = ([c - grey_of(colour) for c in colour] for colour in (a, b))
    far, further = sorted((math.hypot(*one), math.hypot(*other)))
    if far < GREY:
        return further < GREY
    return sum(x * y for x, y in zip(one, other, strict=True)) > SAME_HUE * far * further


GREY = 16.0
"""As far (in RGB) from a grey of the same lightness nothing is coloured."""
SAME_HUE = 0.94
"""The cosine between two colours' distances from grey, from which they are of one hue: a fifth of a right angle."""


def css(colour: RGB) -> str:
    return "#" + "".join(f"{max(0, min(255, round(c))):02x}" for c in colour)
