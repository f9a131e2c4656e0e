"""Where a story begins that does not say where: fishermen, nets and gulls are at a harbour."""

import re

_TOLD_BY: dict[str, str] = {
    "a harbour with boats": "fisherm[ae]n|fishing|nets?|gulls?|harbou?r|tides?|boats?|quay|jetty|lighthouse|sea",
    "the deep sea": (
        "jellyfish|octopus(?:es)?|squids?|plankton|corals?|reefs?|sharks?|lanternfish|seaweed|anglerfish|divers?|"
        "submarines?|shrimps?|copepods?|seahorses?|starfish"
    ),
    "a farm": "cows?|barn|hens?|tractor|harvest|wheat|corn|sheep|pigs?|farmers?|haystacks?",
    "a village street": (
        "villagers?|village|neighbou?rs?|cottages?|doorway|weavers?|millers?|blacksmiths?|loom|geese|goats?"
    ),
    "a garden": (
        "garden|(?:fig|apple|pear|cherry|plum|lemon|olive) trees?|figs?|apples?|hedges?|fence|lawn|wall|roses?|"
        "branches|tree"
    ),
    "a forest": "trees|deer|wol(?:f|ves)|hunters?|pines|woodcutters?|moss|branches|undergrowth",
    "a town street": "shops?|pavements?|traffic|taxis?|lamp-?posts?|kerb|cobbles|passers-by|trams?|shop windows?",
    "a kitchen, cream walls, rust curtains": (
        "soup|stew|pots?|pans?|stove|oven|cupboards?|saucepans?|kettle|sink|dishes|recipes?|plates?|dough|flour|potato(?:es)?"
    ),
    "a room, cream walls, rust curtains": (
        "tables?|chairs?|curtains?|sofa|armchairs?|stove|kettle|cupboards?|drawers?|fireplace|carpets?|wallpaper|ceiling"
    ),
    "an office with desks, pale blue walls": (
        "desks?|computers?|keyboards?|meetings?|colleagues?|boss|e-?mails?|spreadsheets?|printer|cubicle"
    ),
    "a desert": "sands?|dunes?|camels?|oasis|nomads?|caravan",
}
"""The words by which a place is told of that nobody names; one with walls has the same in every shot."""
ENOUGH = 3
"""Different words that tell of a place."""
_WORDS = {place: re.compile(rf"\b({words})\b", re.IGNORECASE) for place, words in _TOLD_BY.items()}


def hinted_place(text: str, enough: int = ENOUGH) -> str:
    """The place that most words of a text tell of, by what is there; empty where fewer than `enough` do, or two places
    are told of by as many."""
    told = {place: len({m[1].lower() for m in w.finditer(text)}) for place, w in _WORDS.items()}
    first, second, *_ = sorted(told.items(), key=lambda t: -t[1])
    return first[0] if first[1] >= enough and first[1] > second[1] else ""
