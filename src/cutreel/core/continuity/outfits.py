"""What somebody wears when: outfits hold for scenes, for shots, or from a word on, and take the place of the traits
they speak of."""

from collections.abc import Mapping, Sequence

from .model import Outfit, Person, Trait

NOWHERE: Mapping[int, int] = {}
COLOURS = ("teal", "brick red", "mustard", "moss green", "navy", "plum", "rust", "grey blue")
"""Colours of garments that a text leaves open."""


def dressed(
    person: Person, scene: int, shot: int = 0, end: int = 0, places: Mapping[int, int] = NOWHERE
) -> Person:
    """A person as dressed in the scene whose first word has the number `scene`, in the shot numbered `shot`, whose
    words are in front of index `end`; `places` are the indices of words by their numbers.

    What holds from a word on comes first, in the order of the text; an outfit of the scene goes before that, and one of
    the shot before both. Traits of an outfit stand in place of those about the same things; the others stay.
    """
    worn = since(person, end, places)
    of_shot = (o for o in person.outfits if shot in o.shots)
    chosen = next(of_shot, None) or next((o for o in person.outfits if scene in o.scenes), None)
    worn += [chosen] if chosen is not None else []
    if not worn:
        return person
    traits = person.traits
    for outfit in worn:
        traits = _over(traits, outfit.traits)
    return person.model_copy(update={"traits": traits})


def since(person: Person, end: int, places: Mapping[int, int]) -> list[Outfit]:
    """The outfits that hold from a word on that stands before index `end`, the earliest first."""
    held = [
        (places[o.since], o) for o in person.outfits if o.since is not None and o.since in places
    ]
    return [o for at, o in sorted(held, key=lambda h: h[0]) if at < end]


def _over(traits: Sequence[Trait], outfit: Sequence[Trait]) -> list[Trait]:
    """The traits with those of an outfit in place of what they speak of, where these stood; one without words only
    takes away."""
    left = {about: [t for t in outfit if _about(t) == about] for about in map(_about, outfit)}
    out = [
        n
        for t in traits
        for n in (left.pop(_about(t), []) if _about(t) in _abouts(outfit) else [t])
    ]
    out += [t for new in left.values() for t in new]
    return [t for t in out if t.text.strip()]


def _about(trait: Trait) -> str:
    return trait.about.strip().lower()


def _abouts(traits: Sequence[Trait]) -> set[str]:
    return set(map(_about, traits))
