"""Which part of a figure a trait speaks of, so that it can be looked for in a picture."""

import re
from functools import lru_cache

from .model import Person, Trait

# fmt: off
_SLOT_WORDS: tuple[tuple[str, set[str]], ...] = (
    ("skin", {"skin", "complexion"}),
    ("hair", {"hair", "haired", "braid", "braids", "plait", "bun", "ponytail", "curls", "bob",
    "wig"}),
    ("neck", {"scarf", "neckerchief", "shawl-collar"}),
    ("hat", {"cap", "hat", "hood", "headscarf", "bonnet", "tricorne", "beret", "crown", "helmet"}),
    ("front", {"apron"}),
    ("top", {
        "coat", "overcoat", "oilskin", "raincoat", "cloak", "cape", "dress", "gown", "robe",
        "jacket", "suit", "jumper", "sweater", "jersey", "shirt", "tunic", "waistcoat", "cardigan",
        "uniform", "shawl", "blouse", "dungarees", "overalls", "nightgown", "smock",
        "anorak", "parka", "hoodie", "tracksuit", "pullover", "blazer", "kimono", "sari", "poncho", "mackintosh",
        "nightshirt", "nightdress", "pyjamas", "pajamas", "bathrobe",
    }),
    ("legs", {"trousers", "breeches", "leggings"}), ("feet", {"boots", "shoes"}), ("body", {"fur",
    "feathers", "coat", "plumage", "hide"}),
)
# fmt: on


def slot_of(trait: Trait, animal: bool = False) -> str | None:
    """The part of a figure that a trait speaks of, as services report parts. None: of no part, or
    of several."""
    return _slot(f"{trait.text} {trait.about}".lower(), animal)


def coat_of(animal: Person) -> str:
    """The colour of an animal's coat, as its traits say it: "white"; empty for whoever has none."""
    said = (t.text for t in animal.traits if animal.is_animal)
    coats = (re.fullmatch(r"([a-z -]+) (?:fur|feathers|coat|plumage|hide)", text) for text in said)
    return next((coat[1] for coat in coats if coat), "")


@lru_cache(4096)
def _slot(said: str, animal: bool) -> str | None:
    words = set(re.findall(r"[a-z-]+", said))
    if animal:
        return (
            "body"
            if words & {"kind", "fur", "feathers", "coat", "plumage", "hide", "colour"}
            else None
        )
    return next((slot for slot, known in _SLOT_WORDS if known & words), None)
