"""Which colour a trait should have: what the maker set; what was measured in a circled reference in this look; the
median of the film's pictures whose prompts said the trait and whose light is told, from three on; what its words mean,
where the look shows colours as they are; the median of all that said it."""

from collections import defaultdict
from collections.abc import Hashable, Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from cutreel.core.colour import Lab, colour_in, lab_of

from .model import Reference
from .seen import SeenParts

FROM_PICTURES = 3
"""So many pictures must agree on a colour before others are held against it."""

Whose = tuple[Hashable, str]
"""A trait: whose it is, and its wording."""


@dataclass(frozen=True)
class Agreed:
    """What the film's pictures agree on: the median colour of each trait in those whose light is told, and in all."""

    sure: dict[Whose, Lab]
    every: dict[Whose, Lab]

    @classmethod
    def of(cls, said: Iterable[tuple[Whose, str, SeenParts]]) -> "Agreed":
        """Of traits that prompts said, each with its slot and the parts that its picture shows."""
        sure: dict[Whose, list[Lab]] = defaultdict(list)
        every: dict[Whose, list[Lab]] = defaultdict(list)
        for whose, slot, parts in said:
            if slot in parts.shown:
                every[whose].append(parts.colours[slot])
                if parts.lit != "guess":
                    sure[whose].append(parts.colours[slot])
        return cls(_middles(sure), _middles(every))

    def wanted(
        self,
        whose: Whose,
        set_to: str | None,
        references: Sequence[Reference],
        look: str,
        true_colours: bool,
    ) -> tuple[Lab | None, str]:
        """The colour a trait should have, and why; None where nothing says. `set_to` is what the maker set, as
        "#rrggbb"; `true_colours`: the look shows colours about as their names say."""
        text = whose[1]
        if set_to:
            return _triple(lab_of([int(set_to[i : i + 2], 16) for i in (1, 3, 5)])), "as you set it"
        for reference in references:
            if reference.look == look and text in reference.colours:
                return reference.colours[text], f"as in {reference.title or 'the reference'}"
        if whose in self.sure:
            return self.sure[whose], "as in the film's other pictures"
        named = colour_in(text)
        if named and true_colours:
            return _triple(lab_of(named)), "as the words say"
        if whose in self.every:
            return self.every[whose], "as in the film's other pictures"
        return None, ""


def _middles(found: dict[Whose, list[Lab]]) -> dict[Whose, Lab]:
    return {
        whose: _triple(np.median(np.array(colours), axis=0), None)
        for whose, colours in found.items()
        if len(colours) >= FROM_PICTURES
    }


def _triple(lab: np.ndarray, digits: int | None = 1) -> Lab:
    lightness, a, b = (float(v) if digits is None else round(float(v), digits) for v in lab)
    return (lightness, a, b)
