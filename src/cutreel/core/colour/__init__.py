"""Colours as people see them: CIE L*a*b*, how far apart two are, their names, and the light they
are seen in."""

from .difference import ciede2000
from .lab import Lab, css_of, lab_of, srgb_of
from .light import Light, light_between, light_from, middle_light, shades_of_grey
from .names import NAMED, colour_in, name_of

# fmt: off
__all__ = [
    "NAMED", "Lab", "Light", "ciede2000", "colour_in", "css_of", "lab_of", "light_between",
    "light_from", "middle_light", "name_of", "shades_of_grey", "srgb_of",
]
# fmt: on
