"""The same people, places and look in every picture: what holds, who is in which shot, and the
prompts that say so."""

from cutreel.core.colour import Lab

from .cast import known_people, propose_cast
from .company import Age, CompanyCard, Member, MemberKind, age_of, search_company
from .drift import WordDrift, drift_in_pictures, drift_in_words
from .facts import ShotFacts
from .finding import MARKED, Finding, ShownPicture
from .looks import LOOKS, Colour, Look, look_from, look_named
from .makers import MadeBy, MadeKind, made_by
from .milder import Milder, milder, says
from .model import (
    FRAMINGS,
    MOODS,
    Angle,
    Mood,
    Outfit,
    Overrides,
    OwnAct,
    OwnAir,
    OwnRegion,
    Person,
    Place,
    Reference,
    Season,
    TimeOfDay,
    Trait,
    Weather,
)
from .outfits import dressed
from .parts import slot_of
from .people_colours import figures_of
from .place_colours import place_colours
from .places import is_indoors, place_words, propose_places, text_place
from .prompt import Origin, Part, Prompt, compose_negative, compose_picture, fit
from .ready import READY
from .seen import SeenFigure, SeenPicture, measure_picture
from .sheet import compose_model_sheet, compose_place_sheet
from .story_facts import SceneMemory, facts_of_shots
from .style import Style, style_between, style_of

# fmt: off
from .voices import OwnVoice
from .who import Appearance, SamePerson, Thing, appearances, may_be_one, things_named

__all__ = [
    "FRAMINGS",
    "LOOKS",
    "MARKED",
    "MOODS",
    "READY",
    "Age",
    "Angle",
    "Appearance",
    "Colour",
    "CompanyCard",
    "Finding",
    "Lab",
    "Look",
    "MadeBy",
    "MadeKind",
    "Member",
    "MemberKind",
    "Milder",
    "Mood",
    "Origin",
    "Outfit",
    "Overrides",
    "OwnAct",
    "OwnAir",
    "OwnRegion",
    "OwnVoice",
    "Part",
    "Person",
    "Place",
    "Prompt",
    "Reference",
    "SamePerson",
    "SceneMemory",
    "Season",
    "SeenFigure",
    "SeenPicture",
    "ShotFacts",
    "ShownPicture",
    "Style",
    "Thing",
    "TimeOfDay",
    "Trait",
    "Weather",
    "WordDrift",
    "age_of",
    "appearances",
    "compose_model_sheet",
    "compose_negative",
    "compose_picture",
    "compose_place_sheet",
    "dressed",
    "drift_in_pictures",
    "drift_in_words",
    "facts_of_shots",
    "figures_of",
    "fit",
    "is_indoors",
    "known_people",
    "look_from",
    "look_named",
    "made_by",
    "may_be_one",
    "measure_picture",
    "milder",
    "place_colours",
    "place_words",
    "propose_cast",
    "propose_places",
    "says",
    "search_company",
    "slot_of",
    "style_between",
    "style_of",
    "text_place",
    "things_named",
]
