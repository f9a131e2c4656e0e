"""What the text leaves open of a place or an animal is proposed, so that every picture of it says the same: walls and
curtains, a coat. What is proposed depends on the name alone, and is nobody else's in the film while there is choice."""

import re
from collections.abc import Sequence

import numpy as np

from cutreel.core.colour import NAMED, Lab, ciede2000, lab_of
from cutreel.core.keys import seed_from
from cutreel.core.manuscript import SPECIES

# fmt: off
INDOORS = frozenset(
    "kitchen room home bedroom house cottage hut workshop library study school schoolroom attic cellar shop inn shed "
    "observatory hall parlour bakery office church palace museum hospital corridor prison train "
    "compartment carriage hotel lobby foyer restaurant café pub tavern flat apartment bathroom nursery "
    "classroom".split()
)
"""Places with walls, by their noun."""
_NO_FACE = frozenset({"cellar", "shed"})
"""Stone and boards: nothing is painted there."""
_CURTAINED = INDOORS - frozenset("church museum hospital corridor prison train compartment carriage".split())
_WALLS = ("ochre", "grey blue", "cream", "moss green", "brick red", "tan", "pale blue", "plum")
_CURTAINS = ("brick red", "navy", "mustard", "white", "moss green", "rust")
_COATS: dict[str, tuple[str, ...]] = {
    "cat": ("grey", "black", "rust", "white"), "dog": ("brown", "black", "cream", "grey"),
    "horse": ("brown", "grey", "black", "rust"), "mouse": ("grey", "brown", "white"),
    "rat": ("brown", "grey", "black"), "mole": ("black", "dark grey"), "rabbit": ("tan", "white", "grey"),
    "cow": ("brown", "black", "cream"), "goat": ("white", "grey", "brown"), "donkey": ("grey", "brown"),
    "bear": ("brown", "black"), "pig": ("pink", "black"), "wolf": ("grey", "black"),
    "hen": ("rust", "white", "black"), "duck": ("white", "brown"), "bird": ("grey blue", "brown", "rust"),
    "goose": ("white", "grey"),
}
_BREEDS = {
    "golden retriever": "gold", "retriever": "gold", "labrador": "cream", "dalmatian": "white", "red setter": "rust",
    "husky": "grey", "border collie": "black", "siamese": "cream", "persian": "white", "poodle": "white",
    "dachshund": "brown", "corgi": "tan", "greyhound": "grey",
}
"""Of which colour a breed is known to be."""
_FEATHERED = frozenset({"hen", "duck", "bird", "goose", "crow", "owl", "gull", "heron"})
# fmt: on


FEW = 3
"""Colours with which the walls of a film's rooms are told apart."""
CLEAR = 18.0
"""So far (CIEDE2000) a wall should be from what people wear, that they stand out before it."""


def place_face(noun: str, name: str, text: str, taken: set[str], worn: Sequence[Lab] = ()) -> str:
    """What stays the same of a place, beyond its noun: "ochre walls, navy curtains". Nothing out of doors. `worn` are
    the colours of the film's people, who are to stand out before its walls."""
    kind = noun.rpartition(" ")[2]  # of a dining room
    if kind not in INDOORS or kind in _NO_FACE:
        return ""
    seed = seed_from("place", name)
    told = _colour_before(noun, text)
    walls = told or free(_clear_of(worn) or _WALLS, seed, taken)
    if kind not in _CURTAINED:
        return f"{walls} walls"
    return f"{walls} walls, {free(_CURTAINS, seed // 11, taken)} curtains"


def coat(species: str, name: str, text: str, taken: set[str], told: str = "") -> str:
    """An animal's coat: of the colour that is `told` of it, or as the text says ("a black cat"), else as its kind may
    be. Empty where its kind says all."""
    kind = SPECIES.get(species, species)
    words = dict.fromkeys((species, kind, *(w for w, k in SPECIES.items() if k == kind)))
    told = told or next(filter(None, (_colour_before(w, text) for w in words)), "")
    if not told and kind in ("dog", "cat") and name:
        told = _of_breed(name, text)
    if not told and kind not in _COATS:
        return ""
    mine = {f"{kind} {c}" for c in _COATS.get(kind, ())}
    colour = told or free(sorted(mine), seed_from("coat", name), taken).removeprefix(f"{kind} ")
    return f"{colour} {'feathers' if kind in _FEATHERED else 'fur'}"


def _of_breed(name: str, text: str) -> str:
    """The colour of the breed that a text says of an animal: "Biscuit is a golden retriever"; else empty."""
    breed, called = "|".join(_BREEDS), re.escape(name)
    said = re.search(
        rf"\b{called},?(?: (?:is|was))?,? (?:an?|the|my|our|her|his) (?:[a-z]+ ){{0,2}}?({breed})\b"
        rf"|\b({breed}),? (?:called |named )?{called}\b",
        text,
    )
    return _BREEDS[said.group(1) or said.group(2)] if said else ""


def _clear_of(worn: Sequence[Lab]) -> tuple[str, ...]:
    """The walls that nobody's clothes are lost before; where there are few such, those farthest from all clothes as
    well, so that not every room has the same."""
    if not worn:
        return _WALLS
    clothes = np.array(worn)
    nearest = {w: float(ciede2000(lab_of(NAMED[w])[None], clothes).min()) for w in _WALLS}
    clear = tuple(w for w in _WALLS if nearest[w] >= CLEAR)
    farthest = sorted(_WALLS, key=lambda w: -nearest[w])[: len(_WALLS) // 2]
    return clear if len(clear) >= FEW else tuple(farthest)


def free(names: Sequence[str], turn: int, taken: set[str]) -> str:
    """One of some names by turn, the next where somebody else has it; all taken, as it comes."""
    turned = [names[(turn + i) % len(names)] for i in range(len(names))]
    found = next((name for name in turned if name not in taken), turned[0])
    taken.add(found)
    return found


def _colour_before(noun: str, text: str) -> str:
    """The colour that the text gives to what a noun names: "her grey donkey", "a white room"."""
    match = re.search(rf"\b({_ANY_COLOUR}) (?:\w+ )?{re.escape(noun)}\b", text, re.IGNORECASE)
    return match.group(1).lower() if match else ""


_ANY_COLOUR = "|".join(sorted(map(re.escape, NAMED), key=len, reverse=True))
