"""Where it happens: the places of a film, and the words for them."""

import re
from collections import Counter
from collections.abc import Collection, Mapping, Sequence
from functools import lru_cache
from typing import NamedTuple

from cutreel.core.colour import Lab, colour_in, lab_of
from cutreel.core.manuscript import Manuscript, Scene, strip_marks
from cutreel.core.nouns import sort_of
from cutreel.core.reading import (
    AT_THE_OVEN,
    ENTERED,
    RIDDEN,
    STAIRS,
    TELLER,
    UPSTAIRS,
    WITHIN,
    Arrival,
    Parses,
    arrivals,
    narrated,
)

from .faces import INDOORS, place_face
from .model import Person, Place
from .parts import slot_of

# fmt: off
PLACE_NOUNS: dict[str, str] = {
    "jetty": "a plank jetty over water", "pier": "a plank pier over water",
    "harbour": "a harbour with boats", "harbor": "a harbour with boats",
    "landing": "a ferry landing by the water", "shore": "a shore", "beach": "a beach",
    "sea": "the open sea", **dict.fromkeys(("depths", "seabed", "seafloor"), "the deep sea"),
    "river": "a river", "lake": "a lake", "marsh": "a salt marsh",
    "island": "an island", "forest": "a forest", "wood": "a forest", "woods": "a forest",
    "meadow": "a meadow", "field": "a field", "fields": "a field", "garden": "a garden",
    "orchard": "an orchard", "farm": "a farm", "hill": "hills", "hills": "hills",
    "mountain": "mountains", "mountains": "mountains", "desert": "a desert",
    "lawn": "a garden", "tent": "a tent on a green", "marquee": "a tent on a green", "road": "a country road",
    "lane": "a country road", "highway": "a highway", "interstate": "a highway", "motorway": "a highway",
    "freeway": "a highway", "bank": "a bank with a counter",
    "trail": "a trail through open country", "village": "a village street", "street": "a town street",
    "town": "a town street", "square": "a town square", "market": "a market square",
    "city": "a city street", "bridge": "a bridge over a river", "kitchen": "a kitchen",
    "room": "a room", "home": "a room in a small house",
    "bedroom": "a bedroom", "house": "a house", "cottage": "a cottage",
    "hut": "a hut", "workshop": "a workshop", "library": "a library",
    "study": "a study with books", "school": "a schoolroom", "church": "a church",
    "tower": "a tower", "castle": "a castle", "palace": "a palace hall", "cave": "a cave",
    "attic": "an attic", "cellar": "a cellar", "shop": "a shop", "inn": "an inn",
    "lighthouse": "a lighthouse", "ship": "a ship's deck", "deck": "a ship's deck",
    "train": "a train compartment", "compartment": "a train compartment", "carriage": "a train compartment",
    "tram": "the inside of a tram", "bus": "the inside of a bus", "plane": "the cabin of an aeroplane",
    "aeroplane": "the cabin of an aeroplane", "airplane": "the cabin of an aeroplane",
    "car": "the inside of a car", "taxi": "the inside of a car", "van": "the inside of a van",
    "truck": "the cab of a truck", "lorry": "the cab of a truck", "cab": "the cab of a truck",
    "coach": "the inside of a coach", "hospital": "a hospital ward", "ward": "a hospital ward",
    "museum": "a museum hall with pictures", "corridor": "a corridor", "pass": "a mountain pass",
    "ministry": "an office with desks", "lift": "the inside of a lift", "elevator": "the inside of a lift",
    "crossing": "open water between two shores", "shed": "a shed", "observatory": "an observatory",
    "hall": "a hall", "ice": "pack ice", "roof": "a rooftop", "yard": "a yard", "gate": "a gate",
    "platform": "a railway platform", "dining car": "a train compartment", "sleeping car": "a train compartment",
    "sky": "the sky above the clouds", "runway": "an airfield", "tarmac": "an airfield",
    "restaurant car": "a train compartment", "railway car": "a train compartment",
    "coffee house": "a café", "tea room": "a café", "public house": "an inn", "counting house": "an office with desks",
}
# fmt: on
SPACESHIP = "the inside of a spaceship"
_OF_SPACESHIPS = frozenset(
    "ship deck bridge bay hold cabin cockpit corridor hatch station airlock spaceship starship spacecraft "
    "capsule".split()
)
"""What names a place aboard where the story is told of space."""
_IN_SPACE = re.compile(
    r"\b(?:(spaceships?|starships?|spacecraft|astronauts?|cosmonauts?|airlock|spacesuits?)|"
    r"(?:in|to|into|through) (space)\b|"
    r"(planets?)|(orbit(?:ed|ing)?)|(asteroids?)|(galax(?:y|ies))|(pods?)|(light[- ]years?))\b",
    re.I,
)
_OFTEN_NO_PLACE = frozenset(
    "crossing gate wood study square landing hall train compartment carriage tram bus plane aeroplane airplane car "
    "taxi van truck lorry cab coach pass ward lift elevator ministry bank".split()
)


_TELLS = re.compile(r"\b(?:that|who|which)\b", re.IGNORECASE)
"""In a heading that tells something of what it names: "The Town That Bought a Whale" is a title, and no place."""


def scene_place(title: str, places: Sequence[Place], before: str) -> tuple[str, str]:
    for place in places:
        if place.name.lower() == title.lower():
            return place.description or place.name, "the scene's heading"
    nouns = [w for w in re.findall(r"[a-z]+", title.lower()) if w in PLACE_NOUNS]
    if nouns and not _TELLS.search(title):
        return PLACE_NOUNS[nouns[-1]], "the scene's heading"
    return (before if not title else ""), "nothing says otherwise"


_OF_MONEY = re.compile(
    r"\b(?:money|robbery|rob(?:bed|bing|ber|bers)?|counter|teller|vault|savings|account|cash|loan)\b",
    re.I,
)


_OF_WATER = re.compile(
    r"\b(?:ferr(?:y|ies)|boats?|ships?|harbou?rs?|jett(?:y|ies)|shores?|piers?|tides?)\b", re.I
)


@lru_cache(maxsize=64)
def no_places(text: str) -> frozenset[str]:
    """Nouns of place that are something else in a story: the bank of a river, the landing of a stair."""
    told = [_told_of(paragraph) for paragraph in text.split("\n\n")]
    of_money = sum(t.money for t in told) > 1
    of_water = any(t.water for t in told)
    of_trains = any(t.trains for t in told)
    unlike = (("bank", of_money), ("landing", of_water), ("platform", of_trains))
    return frozenset(noun for noun, fits in unlike if not fits)


_OF_TRAINS = re.compile(
    r"\b(?:trains?|railways?|rails?|railroad|station|carriages?|trams?|underground|subway|locomotive|conductor)\b",
    re.I,
)
_LARGE = re.compile(r"\b(?:plough|plow|truck|lorry|digger)s?\b", re.IGNORECASE)
_SMALL = re.compile(
    r"\b(?:car|headlights|windscreen|windshield|steering wheel|dashboard|jeep)s?\b", re.IGNORECASE
)


@lru_cache(maxsize=64)
def driven_in(text: str) -> str:
    """In what somebody is who drives, where it is not said there: what a story tells of that is driven; empty where it
    tells of nothing like that, since carts are driven too."""
    told = [_told_of(paragraph) for paragraph in text.split("\n\n")]
    noun = "truck" if any(t.large for t in told) else "car" if any(t.small for t in told) else ""
    return PLACE_NOUNS.get(noun, "")


class _ToldOf(NamedTuple):
    """How often a paragraph tells of money, and whether of water, of what is driven, of trains."""

    money: int
    water: bool
    large: bool
    small: bool
    trains: bool


@lru_cache(maxsize=16_384)
def _told_of(paragraph: str) -> _ToldOf:
    """Kept, since of a long text only a paragraph changes at a time."""
    return _ToldOf(
        len(_OF_MONEY.findall(paragraph)),
        *(p.search(paragraph) is not None for p in (_OF_WATER, _LARGE, _SMALL, _OF_TRAINS)),
    )


AEROPLANE = PLACE_NOUNS["plane"]
_OF_PLANES = frozenset("plane aeroplane airplane aircraft cabin cockpit aisle galley".split())
"""What names a place aboard where the story is told of a flight."""
ON_THE_GROUND = frozenset(
    "runway airport airfield terminal tarmac hangar hotel home house hospital street".split()
)
"""Where somebody is who has left a plane; all else is flown over."""
_IN_FLIGHT = re.compile(
    r"\b(?:(cockpit)|(co-?pilots?)|(flight (?:\d+|attendants?)|flown|in the air)|(runways?)|(wings?)|"
    r"(planes?|aeroplanes?|airplanes?|aircraft)|(stewardess(?:es)?)|(passengers))\b",
    re.I,
)
_AT_FIRST = 1_200
"""Characters in which a story that is told aboard says so."""


@lru_cache(maxsize=64)
def is_aboard_plane(text: str) -> bool:
    """Whether a story is told of a flight from its beginning on: three sorts of words say so, two of them at first."""
    kinds = {m.lastindex for m in _IN_FLIGHT.finditer(text)}
    first = {m.lastindex for m in _IN_FLIGHT.finditer(text[:_AT_FIRST])}
    return len(kinds) > 2 and len(first) > 1 and bool({1, 6} & kinds) and bool({1, 2, 3} & first)


def is_aboard_in_space(text: str) -> bool:
    """Whether a story is told of a ship that is no ship of the sea: two words or more say so."""
    kinds = {m.lastindex for m in _IN_SPACE.finditer(text)}
    return (
        len(kinds) > 1
        and re.search(r"\b(?:ship|spaceship|starship|spacecraft|station)\b", text) is not None
    )


_ONE_ALONE = frozenset("first last only next same".split())
"""What a place is that is "the" place: "the last dune"."""
OPEN_COUNTRY = "open country with low hills"


def somewhere(places: Sequence[Place]) -> str:
    """Where shots are of which nothing says where: at the place that the story speaks of most. Not left open, since a
    picture of nowhere is each time another place."""
    return next((p.description or p.name for p in places), OPEN_COUNTRY)


def place_called(phrase: str, noun: str) -> str:
    """A place that is in no list, by the words for it."""
    phrase = re.sub(r"^(?:(?:whole|entire|usual|same|own|favourite|favorite|only) )+", "", phrase)
    described = PLACE_NOUNS.get(phrase.lower()) or PLACE_NOUNS.get(noun)
    if described:
        iced = phrase.lower().startswith("frozen ")
        return described.replace("a ", "a frozen ", 1) if iced else described
    if phrase[:1].isupper():
        return phrase
    first = phrase.split(" ", 1)[0].lower()
    if first in _ONE_ALONE or (first.endswith("est") and " " in phrase):
        return f"the {phrase}"
    if phrase.endswith("s") and not noun.endswith("s"):
        return phrase  # valleys are several
    return f"{'an' if phrase[:1].lower() in 'aeiou' else 'a'} {phrase}"


def place_words(places: Sequence[Place]) -> dict[str, str]:
    """Every word that names a place, with the place that it names: the film's own before common
    nouns."""
    common = {w: name for w, name in PLACE_NOUNS.items() if w not in _OFTEN_NO_PLACE}
    own = {
        word: place.description or place.name for place in reversed(places) for word in place.words
    }
    return common | own


def text_place(bare: Sequence[str], named: Mapping[str, str]) -> tuple[str, str] | None:
    """The first place that words name, by `place_words`, and the word that says so."""
    return next(((named[word], f"“{word}”") for word in bare if word in named), None)


_WITH_ROOMS = frozenset(
    "museum hospital school library prison office station observatory gallery".split()
)


def has_rooms(place: str) -> bool:
    """Whether it is a house of many rooms, all of which look alike to us."""
    return bool(_WITH_ROOMS & set(re.findall(r"[a-z]+", place.lower())))


_INSIDE_OF = {"petrol station": "a shop", "gas station": "a shop", "farm": "a kitchen"}
"""Where one is who goes inside at a place that is seen from outside."""


def inside_of(place: str) -> str:
    """Where one is who goes inside at `place`; empty where that is not known."""
    return next((inside for told, inside in _INSIDE_OF.items() if told in place.lower()), "")


def is_indoors(place: str) -> bool:
    return bool(INDOORS & set(re.findall(r"[a-z]+", place.lower())))


def propose_places(
    script: Manuscript, parses: Parses | None = None, cast: Sequence[Person] = ()
) -> list[Place]:
    """Places from scene headings; then those that the text comes to, the most told of first, or, where nothing was
    parsed, those whose nouns it repeats. At most 16. Where one of the `cast` tells it, where others are is none."""
    told = any(TELLER in p.aliases for p in cast)
    worn = _worn_by(cast)
    places: list[Place] = []
    taken: set[str] = set()
    for scene in script.scenes:
        title = scene.title
        noun = _heading_noun(scene) if title and scene.end > scene.first else ""
        if noun and title.lower() not in {p.name.lower() for p in places}:
            called = re.sub(r"^(the|an?)\s+", "", title.lower())
            looks = _with_face(place_called(called, noun), noun, title, script.text, taken, worn)
            places.append(_place(places, title, noun, looks, "from the scene's heading"))
    if is_aboard_in_space(script.text):
        looks = _with_face(SPACESHIP, "spaceship", "the spaceship", script.text, taken, worn)
        aboard = _place(places, "the spaceship", "spaceship", looks, "the story is told of space")
        aboard.words = sorted(_OF_SPACESHIPS)
        places.append(aboard)
    elif is_aboard_plane(script.text):
        aboard = _place(places, "the plane", "plane", AEROPLANE, "the story is told of a flight")
        aboard.words = sorted(_OF_PLANES)
        places.append(aboard)
    named = {w for place in places for w in place.words}
    for noun, (phrase, why) in (
        _told(script, parses, told, {p.name.lower() for p in places})
        if parses
        else _repeated(script)
    ).items():
        if noun in named or len(places) >= MOST_PLACES:
            continue
        name = phrase if phrase[:1].isupper() else f"the {noun}"
        called = place_called(phrase, noun) + _grown_there(noun, script.text)
        looks = _with_face(called, noun, name, script.text, taken, worn)
        places.append(_place(places, name, noun, looks, why))
    return places


MOST_PLACES = 16
_CROPS = re.compile(r"\b(corn|maize|wheat|barley|rye|oats|sunflowers)\b")


def _grown_there(noun: str, text: str) -> str:
    """ " of corn", where a story with a field tells of corn more than once: it is the same field in every shot."""
    crops = Counter(_CROPS.findall(text)).most_common(1) if noun in ("field", "fields") else []
    return f" of {crops[0][0]}" if crops and crops[0][1] > 1 else ""


def _heading_noun(scene: Scene) -> str:
    """The noun of place in a heading: one that is known to be drawn; or, where the heading tells hour or weather, as
    headings of scripts do, any that names a place."""
    if _TELLS.search(scene.title):
        return ""
    words = re.findall(r"[a-z]+", scene.title.lower())
    known = [w for w in words if w in PLACE_NOUNS]
    if known or not (scene.time or scene.weather):
        return known[-1] if known else ""
    return next((w for w in reversed(words) if sort_of(w) == "place"), "")


def _place(places: Sequence[Place], name: str, noun: str, looks: str, why: str) -> Place:
    return Place(id=len(places) + 1, name=name, words=[noun], description=looks, why=why)


def _repeated(script: Manuscript) -> dict[str, tuple[str, str]]:
    """Nouns of place that a text repeats, the commonest first, each with how it is called and why it is a place."""
    counts = Counter(b for w in script.words if (b := strip_marks(w.text.lower())) in PLACE_NOUNS)
    for noun in no_places(script.text):
        del counts[noun]
    return {n: (n, f"“{n}” {c} times") for n, c in counts.most_common() if c > 1}


def _told(
    script: Manuscript, parses: Parses, by_teller: bool, headed: Collection[str]
) -> dict[str, tuple[str, str]]:
    """The same of places that the text comes to, those it stays at first."""
    counts: Counter[str] = Counter()
    phrases: dict[str, str] = {}
    lives, others = False, no_places(script.text)
    headings = {w.paragraph: script.scenes[w.scene].title.lower() for w in script.words}
    within = ""
    """Where it was last, where that is indoors: a window or an oven tells of no other place then."""
    for number, parsed, spoken in narrated(script, parses):
        if headings[number] in headed:
            continue  # a heading that names a place holds for its scene
        for arrival in arrivals(parsed, spoken, teller=0 if by_teller else None):
            lives = lives or (arrival.lives and arrival.noun != "home")
            here = not arrival.elsewhere and arrival.noun not in (RIDDEN, STAIRS, ENTERED)
            here = here and arrival.noun not in others
            if (arrival.phrase == WITHIN and within) or (
                arrival.phrase == AT_THE_OVEN and within in _WITH_OVENS
            ):
                continue
            if arrival.phrase == UPSTAIRS:
                continue
            if arrival.stays:
                within = arrival.noun if arrival.noun in INDOORS else ""
            if here and arrival.phrase not in ("bed", "woke"):
                counts[arrival.noun] += arrival.stays
                phrases.setdefault(arrival.noun, _called(arrival))
    if lives:
        del counts["home"]  # home is where they live
    return {
        n: (
            phrases[n],
            f"“{phrases[n]}”: " + (f"it happens there {c} times" if c > 1 else "seen there"),
        )
        for n, c in counts.most_common()
    }


_WITH_OVENS = frozenset({"kitchen", "bakery", "inn", "hut", "cottage"})


def _called(arrival: Arrival) -> str:
    return f"{arrival.phrase}, {PLACE_NOUNS['town']}" if arrival.town else arrival.phrase


def _worn_by(cast: Sequence[Person]) -> list[Lab]:
    """The colours of what people wear on top, and of coats that animals have."""
    tops = (
        trait.text
        for person in cast
        for trait in person.traits
        if slot_of(trait, person.is_animal) in ("top", "front", "body")
    )
    lab = (lab_of(rgb) for said in tops if (rgb := colour_in(said)))
    return [(float(v[0]), float(v[1]), float(v[2])) for v in lab]


def _with_face(
    description: str, noun: str, name: str, text: str, taken: set[str], worn: Sequence[Lab]
) -> str:
    return ", ".join(filter(None, (description, place_face(noun, name, text, taken, worn))))
