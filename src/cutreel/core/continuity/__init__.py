"""The same people, places and look in every picture: what holds, who is in which shot, and the prompts that say so."""

from .cast import propose_cast, propose_places
from .drift import WordDrift, drift_in_words
from .facts import ShotFacts, facts_of_shots, place_words, text_place
from .looks import LOOKS, Look, look_named
from .model import FRAMINGS, MOODS, Outfit, Overrides, Person, Place, Trait
from .outfits import dressed
from .prompt import Origin, Part, Prompt, compose_negative, compose_picture, fit

# fmt: off
__all__ = [
    "FRAMINGS", "LOOKS", "MOODS", "Look", "Origin", "Outfit", "Overrides", "Part", "Person", "Place", "Prompt",
    "ShotFacts", "Trait", "WordDrift", "compose_negative", "compose_picture", "dressed", "drift_in_words",
    "facts_of_shots", "fit", "look_named", "place_words", "propose_cast", "propose_places", "text_place",
]
# fmt: on
