"""The light that a figure or a place is seen in: what tells it, where nothing neutral is part of it."""

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

import numpy as np

from cutreel.core.colour import Lab, Light, ciede2000, light_between, middle_light, srgb_of

from .seen import SeenParts, SeenPicture

HOLDS = 2.5
"""With its colours this near (CIEDE2000, in the middle) to the wanted ones, no other light is
looked for."""
LEAST_TRAITS = 4
"""A light is told from a figure's own colours only where more are known than are needed for it."""


@dataclass(frozen=True)
class Lights:
    """The light of each hour, as the pictures with neutrals tell it: at each place, and wherever it be."""

    there: Mapping[tuple[str, str], Light]
    anywhere: Mapping[str, Light]

    @classmethod
    def told(cls, pictures: Iterable[tuple[str, str, SeenPicture]]) -> "Lights":
        """As told by pictures, each with its hour and place."""
        there: dict[tuple[str, str], list[Light]] = defaultdict(list)
        anywhere: dict[str, list[Light]] = defaultdict(list)
        for hour, place, seen in pictures:
            if seen.lit:
                there[hour, place].append(seen.light)
                anywhere[hour].append(seen.light)
        return cls(
            {at: middle_light(lights) for at, lights in there.items()},
            {hour: middle_light(lights) for hour, lights in anywhere.items()},
        )

    def of(self, hour: str, place: str) -> Light | None:
        """The light of an hour at a place; where no picture there tells it, that of the hour."""
        return self.there.get((hour, place)) or self.anywhere.get(hour)


def light_of(figure: SeenParts, wanted: dict[str, Lab], hour: Light | None) -> tuple[Light, bool]:
    """The light that a figure, or a place, is seen in, and whether it is told.

    By its own neutrals it is. Else it is whichever of these leaves most of the `wanted` colours as
    they should be: another figure's neutrals in the picture, the light of the film's other pictures
    of the `hour`, or what most of the figure's own colours say of it together; where there is none of these, what the
    picture looks like on the whole, or white light.
    """
    if figure.lit == "own" or not wanted:
        return figure.light, figure.lit != "guess"
    slots = [s for s in wanted if s in figure.shown]
    told = [*([figure.light] if figure.lit == "picture" else []), *([hour] if hour else [])]
    # Where nothing tells it: what the picture looks like on the whole, or no light at all, as in a look that has none.
    guessed = told or [figure.light, Light()]
    tried = [(_middle(figure, slots, wanted, light), light) for light in guessed]
    best = min(tried, key=lambda pair: pair[0])
    sure = bool(told)
    if best[0] > HOLDS and len(slots) >= LEAST_TRAITS:
        true = srgb_of(np.array([wanted[s] for s in slots]))
        fitted = light_between(true, [figure.shown[s] for s in slots])
        if fitted and (middle := _middle(figure, slots, wanted, fitted)) < min(best[0], HOLDS):
            best, sure = (middle, fitted), True
    return best[1], sure


def _middle(figure: SeenParts, slots: list[str], wanted: dict[str, Lab], light: Light) -> float:
    """The median difference of the figure's colours from the wanted ones, in a light."""
    if not slots:
        return 0.0
    colours = figure.in_light(light)
    apart = ciede2000(np.array([wanted[s] for s in slots]), np.array([colours[s] for s in slots]))
    return float(np.median(apart))
