"""Screen direction: people of a scene keep their sides of the picture, so that partners look at one another from shot
to shot and the line between them is not crossed (the 180 degree rule of film editing)."""

from collections.abc import Sequence
from typing import Literal

Looks = Literal["left", "right", ""]


def joined_sides(sides: Sequence[int], people: Sequence[int]) -> tuple[int, ...]:
    """The people of a scene by when they came into it: the first stands left, the second right, and so on in turn."""
    return tuple(dict.fromkeys((*sides, *people)))


def in_order(people: Sequence[int], sides: Sequence[int]) -> tuple[int, ...]:
    """People from left to right."""
    at = {person: i for i, person in enumerate(sides)}
    return tuple(sorted(people, key=lambda p: (at.get(p, 0) % 2, at.get(p, 0))))


def looks_of(people: Sequence[int], sides: Sequence[int]) -> Looks:
    """Where somebody who is alone in the picture looks: to where their partner stands. Empty where there is none."""
    if len(people) != 1 or people[0] not in sides:
        return ""
    mine = sides.index(people[0]) % 2
    partners = [p for p in sides if p != people[0] and sides.index(p) % 2 != mine]
    if not partners:
        return ""
    return "left" if mine else "right"
