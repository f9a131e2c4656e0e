"""The light that a figure is seen in: what tells it, where the figure itself has nothing
neutral."""

import numpy as np

from cutreel.core.colour import Lab, Light, ciede2000, light_between, srgb_of

from .seen import SeenFigure

HOLDS = 2.5
"""With its colours this near (CIEDE2000, in the middle) to the wanted ones, no other light is
looked for."""
LEAST_TRAITS = 4
"""A light is told from a figure's own colours only where more are known than are needed for it."""


def colours_in_light(
    figure: SeenFigure, wanted: dict[str, Lab], hour: Light | None
) -> tuple[dict[str, Lab], bool]:
    """A figure's colours by slot in white light, and whether its light is told.

    By its own neutrals it is. Else it is whichever of these leaves most of the `wanted` colours as
    they should be: another figure's neutrals in the picture, the light of the film's other pictures
    of the `hour`, or what most of the figure's own colours say of it together.
    """
    if figure.lit == "own" or not wanted:
        return figure.colours, figure.lit != "guess"
    slots = [s for s in wanted if s in figure.shown]
    told = [*([figure.light] if figure.lit == "picture" else []), *([hour] if hour else [])]
    tried = [(_middle(figure, slots, wanted, light), light) for light in told or [figure.light]]
    best = min(tried, key=lambda pair: pair[0])
    sure = bool(told)
    if best[0] > HOLDS and len(slots) >= LEAST_TRAITS:
        true = srgb_of(np.array([wanted[s] for s in slots]))
        fitted = light_between(true, [figure.shown[s] for s in slots])
        if fitted and (middle := _middle(figure, slots, wanted, fitted)) < min(best[0], HOLDS):
            best, sure = (middle, fitted), True
    return figure.in_light(best[1]), sure


def _middle(figure: SeenFigure, slots: list[str], wanted: dict[str, Lab], light: Light) -> float:
    """The median difference of the figure's colours from the wanted ones, in a light."""
    if not slots:
        return 0.0
    colours = figure.in_light(light)
    apart = ciede2000(np.array([wanted[s] for s in slots]), np.array([colours[s] for s in slots]))
    return float(np.median(apart))
