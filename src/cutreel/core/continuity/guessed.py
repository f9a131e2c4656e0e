"""How somebody looks of whom the text does not say it all: a guess that stays the same in every picture."""

import re
from collections.abc import Sequence
from functools import lru_cache

from cutreel.core.colour import colour_in
from cutreel.core.keys import seed_from
from cutreel.core.manuscript import Figure

from .described import Described
from .faces import coat, free
from .model import Person, Trait
from .outfits import COLOURS
from .parts import slot_of

_HAIR = ("black hair", "dark brown hair", "chestnut hair", "red hair", "fair hair", "grey hair")
_SKIN = ("fair", "tanned", "brown", "olive")
_WORN = {
    "she": ("coat", "dress", "cardigan", "shawl and dress"),
    "he": ("coat", "jacket", "jumper", "waistcoat"),
}
_WORN_IN_SUMMER = {
    "she": ("dress", "blouse and skirt", "cardigan", "dress"),
    "he": ("shirt", "waistcoat", "jacket", "shirt"),
}
_WARM = re.compile(
    r"\b(?:summer|june|july|august|heatwave|sunburnt|barefoot|too hot|the heat)\b", re.IGNORECASE
)
_COLD = re.compile(
    r"\b(?:winter|autumn|snow(?:ed|ing|s)?|ice|frost|cold|november|december|january|february|october)\b",
    re.IGNORECASE,
)
_CHILDREN = {"boy", "girl", "child"}
_SEEN_AS = set("giant giantess dwarf king queen prince princess witch wizard fairy knight".split())
"""What somebody is that can be seen of them."""
_OLD = {"grandmother", "grandfather", "widow"}


def guessed(
    number: int, figure: Figure, age: str | None, text: str, told: Described, taken: set[str]
) -> Person:
    """Somebody of the cast with number `number`: what the `text` tells of their looks (`told`), and what it leaves
    open, with colours that nobody else has (`taken`), so that people are told apart."""
    noun = figure.name.removeprefix("the ").lower()
    if figure.kind in ("animal", "thing"):
        return Person(
            id=number,
            name=figure.name,
            aliases=list(figure.aliases) if figure.species else [noun],
            kind=figure.kind,
            pronoun=figure.pronoun,
            why=figure.why,
            traits=[
                Trait(about="kind", text=figure.species or noun),
                *_coat(figure, noun, text, taken, told.coat),
                *_worn(told),
            ],
        )
    return Person(
        id=number,
        name=figure.name,
        aliases=list(figure.aliases),
        kind="person",
        pronoun=told.pronoun or figure.pronoun,
        traits=_traits(figure, noun, told.age or age, text, told, taken),
        why=", ".join([figure.why, *(f"“{words}”" for words in told.said[:3])]),
    )


def _coat(figure: Figure, noun: str, text: str, taken: set[str], told: str) -> list[Trait]:
    if figure.kind != "animal":
        return []
    looks = coat((figure.species or noun).split(" ")[-1], figure.name, text, taken, told)
    return [Trait(about="other", text=looks)] if looks else []


def _worn(told: Described) -> list[Trait]:
    """What an animal or a thing is told to wear: a scarecrow in a long black coat."""
    clothes = [Trait(about="clothes", text=_and(told.clothes), said=told.words_for(*told.clothes))]
    features = [
        Trait(about="feature", text=m, weight="if room", said=told.words_for(m))
        for m in told.features[:2]
    ]
    return [*(clothes if told.clothes else []), *features]


def _traits(
    figure: Figure, noun: str, age: str | None, text: str, told: Described, taken: set[str]
) -> list[Trait]:
    seed = seed_from("traits", figure.name)
    pronoun = told.pronoun or figure.pronoun or ("she" if seed % 2 else "he")
    child = "girl" if pronoun == "she" else "boy"
    grown = "woman" if pronoun == "she" else "man"
    last = noun.rsplit(" ", maxsplit=1)[-1]
    aliases = (a for a in (*figure.aliases, told.kind) if a in _SEEN_AS)
    is_seen = last if last in _SEEN_AS else next(aliases, noun)
    kind = is_seen if is_seen in _CHILDREN | _SEEN_AS else child if age == "child" else grown
    old = age == "old" or bool(_OLD & {noun, *figure.aliases})
    hair = "grey hair" if old else free(_HAIR[:5], seed, taken)
    style = (
        ("long " if seed % 3 else "tied ")
        if pronoun == "she"
        else ("short " if seed % 3 else "curly ")
    )
    if old and pronoun == "he":
        # An old man is told from an old woman at a glance.
        style = "short "
        if not told.face:
            told.face.append(("grey beard", "white moustache", "grey moustache")[seed // 5 % 3])
    garment = (_WORN_IN_SUMMER if _is_warm(text) else _WORN)[pronoun][seed // 7 % 4]
    bride = pronoun == "she" and is_bride((figure.name, *figure.aliases), text)
    colour, garment = (
        ("white", "wedding dress") if bride else (free(COLOURS, seed // 31, taken), garment)
    )
    colour = told.in_colour or colour
    build = [w for w in told.build if w not in ("old", "young", "bald", "elderly")]
    aged = ["old"] if old else ["young"] if age == "young" else []
    bald = "bald" in told.build
    face = [f for f in told.face if not f.endswith("skin")]
    skin = next((f for f in told.face if f.endswith("skin")), f"{_SKIN[seed // 3 % 4]} skin")
    return [
        Trait(about="who", text=" ".join([*aged, *build, kind]), said=told.words_for("who")),
        Trait(about="hair", text="bald head", said=told.words_for("who"))
        if bald
        else Trait(about="hair", text=told.hair, said=told.words_for(told.hair))
        if told.hair
        else Trait(about="hair", text=style + hair, short=hair),
        *(Trait(about="face", text=f, said=told.words_for(f)) for f in face[:2]),
        Trait(about="skin", text=skin, said=told.words_for(skin)),
        Trait(
            about="clothes",
            text=_and(_clothes(told, colour, f"{colour} {garment}")),
            said=told.words_for(*told.clothes, told.in_colour),
        ),
        *(
            Trait(about="feature", text=m, weight="if room", said=told.words_for(m))
            for m in told.features[:2]
        ),
    ]


@lru_cache(maxsize=64)
def _is_warm(text: str) -> bool:
    """Whether a text is all of a summer: nobody is in a coat then."""
    return _WARM.search(text) is not None and _COLD.search(text) is None


def is_bride(calls: Sequence[str], text: str) -> bool:
    """Whether a text tells of somebody's wedding: "my sister Priya got married on a Saturday"."""
    called = "|".join(re.escape(c) for c in sorted(calls, key=len, reverse=True))
    return (
        re.search(
            rf"\b(?:{called}) (?:got|gets|was|is) married (?:on|in|at|that|this|today|yesterday|last)\b"
            rf"|\bthe bride, (?:{called})\b|\b(?:{called}),? the bride\b",
            text,
        )
        is not None
    )


def _clothes(told: Described, colour: str, garment: str) -> list[str]:
    """What somebody wears: as the text says; where it names nothing that covers the body, a guess beside it."""
    tops = [c for c in told.clothes if slot_of(Trait(about="clothes", text=c)) == "top"]
    if not tops:
        return [garment, *told.clothes]
    if any(colour_in(c) for c in tops):
        return told.clothes
    # A coat that has no colour would have another in every picture.
    return [f"{colour} {c}" if c == tops[0] else c for c in told.clothes]


def _and(things: Sequence[str]) -> str:
    return " and ".join([", ".join(things[:-1]), things[-1]] if len(things) > 1 else things)
