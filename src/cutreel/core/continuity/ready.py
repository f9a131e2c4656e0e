"""The company that comes with Cut Reel: people, animals, places and the looks, all our own."""

from typing import Literal

from .company import CompanyCard, Member
from .looks import LOOKS
from .model import Person, Place, TimeOfDay, Trait, Weather


def _person(name: str, pronoun: Literal["she", "he"] | None, tags: str, **traits: str) -> Member:
    """A trait is written as its wording; "long / short" gives both, a leading ~ lets it go where
    room is short."""
    card = Person(
        id=0,
        name=name,
        pronoun=pronoun,
        traits=[_trait(about, said) for about, said in traits.items()],
        guess=False,
    )
    return Member(
        id=_id(name),
        card=CompanyCard(person=card),
        tags=tags,
        picture=f"/company/{_id(name)}.jpg",
        ours=True,
    )


def _animal(name: str, tags: str, kind: str, coat: str) -> Member:
    traits = [_trait("kind", kind), _trait("coat", coat)]
    card = Person(id=0, name=name, aliases=[kind], kind="animal", traits=traits, guess=False)
    return Member(
        id=_id(name),
        card=CompanyCard(person=card),
        tags=tags,
        picture=f"/company/{_id(name)}.jpg",
        ours=True,
    )


def _place(
    name: str,
    description: str,
    tags: str,
    weather: Weather | None = None,
    light: dict[TimeOfDay, str] | None = None,
) -> Member:
    card = Place(
        id=0,
        name=name,
        words=[name.lower().removeprefix("the ")],
        description=description,
        light=light or {},
        weather=weather,
        guess=False,
    )
    return Member(
        id=_id(name),
        card=CompanyCard(place=card),
        tags=tags,
        picture=f"/company/{_id(name)}.jpg",
        ours=True,
    )


def _trait(about: str, said: str) -> Trait:
    text, _, short = said.removeprefix("~").partition(" / ")
    return Trait(
        about=about, text=text, short=short, weight="if room" if said.startswith("~") else "must"
    )


def _id(name: str) -> str:
    return name.lower().replace(" ", "-").replace("'", "")


PEOPLE: tuple[Member, ...] = (
    _person(
        "Orla Finch",
        "she",
        "sea sailor harbour",
        kind="woman of forty / woman",
        hair="short red hair / red hair",
        skin="fair skin",
        clothes="navy coat",
        hat="~grey cap",
    ),
    _person(
        "Tomas Reed",
        "he",
        "sea fisherman grandfather",
        kind="old man",
        hair="white beard and cropped white hair / white beard",
        skin="tanned skin",
        clothes="green jumper",
        manner="~slow to answer",
    ),
    _person(
        "Wren Hollis",
        "she",
        "child curious heroine",
        kind="girl of nine / girl",
        hair="black braid",
        skin="brown skin",
        clothes="mustard dungarees",
        manner="~always asking",
    ),
    _person(
        "Jonah Pike",
        "he",
        "child errand orphan",
        kind="boy of eleven / boy",
        hair="shaggy fair hair / fair hair",
        skin="fair skin",
        clothes="rust jacket",
        face="~freckles",
    ),
    _person(
        "Ines Calder",
        "she",
        "history science astronomer",
        kind="woman of thirty / woman",
        hair="dark brown hair in a bun / dark brown bun",
        skin="olive skin",
        clothes="plum dress",
        face="glasses",
    ),
    _person(
        "Master Lune",
        "he",
        "history clockmaker workshop",
        kind="old man",
        hair="bald head",
        skin="fair skin",
        clothes="brown waistcoat",
        face="glasses",
    ),
    _person(
        "Edda Marsh",
        "she",
        "grandmother cottage village",
        kind="old woman",
        hair="grey hair in a bun / grey bun",
        skin="fair skin",
        clothes="purple shawl",
        manner="~stooped a little",
    ),
    _person(
        "Captain Bright",
        "he",
        "sea ship history",
        kind="stout man",
        hair="powdered wig",
        skin="fair skin",
        clothes="blue coat",
        hat="black tricorne",
    ),
    _person(
        "Sefa Amadi",
        "she",
        "city courier quick",
        kind="young woman",
        hair="black curly hair / black curls",
        skin="dark skin",
        clothes="orange jacket",
        neck="~teal scarf",
    ),
    _person(
        "Halvard Stone",
        "he",
        "mountain shepherd north",
        kind="broad man of fifty / broad man",
        hair="brown beard and long brown hair / brown beard",
        skin="tanned skin",
        clothes="grey cloak",
    ),
    _person(
        "Pim Latch",
        "he",
        "comic neighbour clumsy",
        kind="thin man",
        hair="short black hair / black hair",
        skin="fair skin",
        clothes="yellow jumper",
        neck="~red scarf",
    ),
    _person(
        "Dora Quill",
        "she",
        "comic neighbour teacher",
        kind="stout woman",
        hair="short fair hair / fair hair",
        skin="fair skin",
        clothes="teal cardigan",
        face="glasses",
    ),
    _person(
        "Queen Isaude",
        "she",
        "fairy tale court",
        kind="woman",
        hair="long chestnut hair / chestnut hair",
        skin="fair skin",
        clothes="brick red gown",
        hat="gold crown",
    ),
    _person(
        "Idris Tahan",
        "he",
        "desert merchant traveller",
        kind="man of forty / man",
        hair="black beard and short black hair / black beard",
        skin="brown skin",
        clothes="white robe",
        neck="~ochre scarf",
    ),
    _person(
        "Little Bo",
        None,
        "child winter small",
        kind="child of six / child",
        hair="short brown hair / brown hair",
        skin="tanned skin",
        clothes="red coat",
        neck="~white scarf",
    ),
)

ANIMALS: tuple[Member, ...] = (
    _animal("Grisle", "bird marsh stray", "heron", "grey feathers"),
    _animal("Biscuit", "dog loyal farm", "dog", "brown fur"),
    _animal("Soot", "cat city night", "cat", "black fur"),
    _animal("Ember", "fox forest sly", "fox", "rust fur"),
    _animal("Old Patience", "horse farm cart", "horse", "chestnut hide"),
)

PLACES: tuple[Member, ...] = (
    _place(
        "The ferry landing",
        "a plank jetty over grey water",
        "sea river boat",
        light={"dusk": "a lamp lit at its end", "night": "one lamp on black water"},
    ),
    _place(
        "The salt marsh",
        "a salt marsh with reeds",
        "water birds lonely",
        "fog",
        light={"dawn": "mist lying in the reeds"},
    ),
    _place(
        "The lighthouse rock",
        "a lighthouse on a rock",
        "sea storm coast",
        "wind",
        light={"night": "its beam across the sea"},
    ),
    _place(
        "The old kitchen",
        "a kitchen with a table and a window",
        "cottage home indoors",
        light={"night": "candle light", "day": "light from the window"},
    ),
    _place(
        "The study",
        "a study with books and a globe",
        "history science indoors",
        light={"night": "one lamp on the desk"},
    ),
    _place(
        "The village street",
        "a village street",
        "houses town",
        light={"day": "washed-out sun", "dusk": "windows lit"},
    ),
    _place(
        "The pine forest",
        "a forest of dark trees",
        "fairy tale wild",
        light={"night": "moonlight between the trees"},
    ),
    _place(
        "The high pass",
        "a mountain pass with snow peaks",
        "north journey",
        "snow",
        light={"day": "hard white light"},
    ),
    _place(
        "The back yard",
        "a yard with a fence and a shed",
        "comic neighbour garden",
        light={"day": "plain noon light"},
    ),
    _place(
        "The great hall",
        "a palace hall",
        "court history indoors",
        light={"night": "torchlight on the walls"},
    ),
)

LOOK_MEMBERS: tuple[Member, ...] = tuple(
    Member(id=look.name, card=CompanyCard(look=look), picture=f"/looks/{look.name}.jpg", ours=True)
    for look in LOOKS
)

READY: tuple[Member, ...] = (*PEOPLE, *ANIMALS, *PLACES, *LOOK_MEMBERS)
