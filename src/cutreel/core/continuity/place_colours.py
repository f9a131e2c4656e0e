"""The colours of a place: what its words say of walls and curtains, against what pictures of it show."""

import re
from collections.abc import Mapping, Sequence
from functools import lru_cache

from cutreel.core.colour import Lab, Light, colour_in

from .finding import Compared, Finding, ShownPicture, compared
from .lit import Lights, light_of
from .plain import plainly
from .wanted import Agreed

_PARTS = frozenset({"walls", "curtains"})
_SIDE_BY_SIDE = re.compile(r",|;| and | with ")


@lru_cache(maxsize=1024)
def place_colours(place: str) -> tuple[tuple[str, str], ...]:
    """What the words for a place say of its parts that have a colour: each as slot and wording ("walls", "ochre
    walls")."""
    phrases = (p.strip() for p in _SIDE_BY_SIDE.split(place))
    ends = ((phrase.rsplit(" ", 1)[-1].lower(), phrase) for phrase in phrases)
    return tuple((slot, said) for slot, said in ends if slot in _PARTS and colour_in(said))


def of_places(
    pictures: Sequence[ShownPicture],
    lights: Lights,
    told: Mapping[int, Light],
    look: str,
    true_colours: bool,
) -> list[Finding]:
    """How far walls and curtains are from the colours that they should have, in every picture in which they were
    measured. `told` is the light of pictures that somebody in them tells, by shot."""
    agreed = Agreed.of(
        ((p.place, said), slot, p.seen.place)
        for p in pictures
        if p.seen.place is not None
        for slot, said in place_colours(p.place)
        if plainly(said) in plainly(p.prompt)
    )
    out: list[Compared] = []
    for p in pictures:
        if p.seen.place is None:
            continue
        wants: dict[str, tuple[str, Lab, str]] = {}
        for slot, said in place_colours(p.place):
            wanted, by = agreed.wanted((p.place, said), None, p.references, look, true_colours)
            if wanted is not None:
                wants[slot] = (said, wanted, by)
        hour = told.get(p.shot) or lights.of(p.hour, p.place)
        light, sure = light_of(p.seen.place, {slot: w[1] for slot, w in wants.items()}, hour)
        colours = p.seen.place.in_light(light)
        for slot, (said, wanted, by) in wants.items():
            if slot in colours:
                out.append(Compared(p.shot, p.take, None, said, wanted, colours[slot], by, sure))
    return compared(out)
