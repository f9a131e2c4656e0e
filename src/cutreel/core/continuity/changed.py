"""Changes of looks that a story tells, as outfits that hold from a word on."""

import re
from collections.abc import Iterator, Sequence

from cutreel.core.colour import colour_in
from cutreel.core.keys import seed_from
from cutreel.core.manuscript import Manuscript
from cutreel.core.reading import Changed, Story

from .ageing import aged, young_before
from .model import Outfit, Person, Trait
from .outfits import COLOURS, dressed
from .parts import slot_of

PLAIN_TOP = "white shirt"
"""What somebody has on under a coat that they take off."""
AROUND = 60
"""Characters around a change that are shown with it."""


def with_changes(
    cast: Sequence[Person], script: Manuscript, story: Story, ids: Sequence[int]
) -> list[Person]:
    """The cast with an outfit for each change of looks that `story`, read with them, tells; `ids` are the numbers of
    the words."""
    cast, old_by_then = young_before(cast, script, story)
    people = {p.id: p for p in cast}
    starts = {w.start: i for i, w in enumerate(script.words)}
    deeds = (d for read in story.paragraphs.values() for d in read.deeds)
    dead = {p for d in deeds if d.verb == "die" for p in d.who}
    years = [*aged(cast, script, story), *old_by_then]
    for number, read in sorted(story.paragraphs.items()):
        start = story.starts[number]
        by_years = [a.change for a in years if a.at == start + a.change.start]
        for change in sorted((*read.changes, *by_years), key=lambda c: c.start):
            at = story.starts[number] + change.start
            person = people.get(change.person)
            if person is None or person.kind != "person" or at not in starts:
                continue
            if change.text in _WHEN_YOUNG and person.id not in dead:
                continue  # whoever is alive comes back old
            others = " ".join(
                t.text for p in people.values() if p.id != person.id for t in p.traits
            )
            said = _said(script.text, at)
            later: list[Trait] = []
            if (change.what, change.text) == ("age", "grown"):
                person, later = _as_a_child(person, script.text, at, others)
            outfit = _outfit(person, change, ids, starts[at], said, others)
            if outfit is not None:
                outfit.traits += later
                again = _as_before(person, change, script, story, ids, starts[at])
                outfits = [*person.outfits, outfit, *again]
                people[change.person] = person.model_copy(update={"outfits": outfits})
    return [people[p.id] for p in cast]


def _outfit(
    person: Person, change: Changed, ids: Sequence[int], at: int, said: str, others: str
) -> Outfit | None:
    now = dressed(person, 0, 0, at + 1, _places(ids))
    trait = _trait(now, change, others)
    if trait is None or trait in now.traits:
        return None
    traits = [trait.model_copy(update={"said": said})]
    if change.what == "age" and change.text != "young":
        # What was put on when they were a child is not worn any more.
        worn = [t for t in person.traits if t.about == "clothes"]
        traits += [t for t in worn if t not in now.traits]
    name = _NAMES[change.what].format(change.text)
    if change.text == "young":
        name = "when young"
    if change.what == "beard" and not change.text:
        name = "without the beard"
    return Outfit(name=name[:60] or change.what, traits=traits, since=ids[at])


def _as_a_child(person: Person, text: str, at: int, others: str) -> tuple[Person, list[Trait]]:
    """Somebody as they are until they are grown at character `at`: without clothes that are only told of after that,
    and those clothes."""
    later = [
        t
        for t in person.traits
        if t.about == "clothes" and t.said and text.find(t.said.rstrip(" …")) > at
    ]
    if not later:
        return person, []
    garment = _coloured(person, "dress" if person.pronoun == "she" else "jumper", others)
    traits = [t for t in person.traits if t not in later]
    child = [*traits, Trait(about="clothes", text=garment)]
    return person.model_copy(update={"traits": child}), later


def _as_before(
    person: Person, change: Changed, script: Manuscript, story: Story, ids: Sequence[int], at: int
) -> Iterator[Outfit]:
    """What somebody wears again in the next scene or the next morning, who is told to be "in" something for now."""
    if change.what != "in":
        return
    words = script.words
    for i in range(at + 1, len(words)):
        if words[i].paragraph == words[i - 1].paragraph:
            continue
        read = story.paragraphs.get(words[i].paragraph)
        number = words[i].paragraph
        end = next((k for k in range(i, len(words)) if words[k].paragraph != number), len(words))
        text = script.text[words[i].start : words[end - 1].end]
        if words[i].scene != words[at].scene or (read and read.days) or _MORNING.search(text):
            worn = [
                t
                for t in dressed(person, 0, 0, at + 1, _places(ids)).traits
                if t.about == "clothes"
            ]
            yield Outfit(name="as before", traits=worn, since=ids[i])
            return


_MORNING = re.compile(
    r"\b(?:[Nn]ext|[Tt]hat|[Ii]n the|[Bb]y) morning\b|\b[Aa]t (?:dawn|breakfast)\b|\bnext day\b"
)


def _places(ids: Sequence[int]) -> dict[int, int]:
    return {n: i for i, n in enumerate(ids)}


_NAMES = {
    "in": "{}",
    "on": "{}",
    "off": "without the {}",
    "hair": "{} hair",
    "beard": "{}",
    "age": "{} now",
}


def _trait(now: Person, change: Changed, others: str) -> Trait | None:
    """The trait that holds from now on; None where nothing of it is to be seen. `others` is how the rest look."""
    if change.what == "hair":
        return _hair(now, change.text)
    if change.what == "age":
        return _aged(now, change.text)
    if change.what == "beard":
        return Trait(about="face", text=change.text)
    worn = [part for t in now.traits if t.about == "clothes" for part in _garments(t.text)]
    if change.what == "in" and _slot(change.text) != "top":
        return None
    if change.what in ("on", "in"):
        slot = _slot(change.text)
        garment = _coloured(now, change.text, others) if slot else change.text
        kept = [g for g in worn if _slot(g) != slot or slot is None]
        return Trait(about="clothes", text=_and([garment, *kept])[:120])
    left = [g for g in worn if not re.search(rf"\b{re.escape(change.text)}\b", g)]
    if len(left) == len(worn):
        return None  # they had none
    if not any(_slot(g) == "top" for g in left):
        left = [PLAIN_TOP, *left]
    return Trait(about="clothes", text=_and(left)[:120])


def _coloured(now: Person, garment: str, others: str) -> str:
    """A garment with a colour: where the text says none, one of its own that it keeps in every picture, and that
    nothing else on them has, nor anybody else as long as there are enough."""
    if colour_in(garment):
        return garment
    worn = " ".join(t.text for t in now.traits if t.about == "clothes")
    left = [c for c in COLOURS if c not in worn]
    free = [c for c in left if c not in others] or left
    return f"{free[seed_from('worn', now.name, garment) % len(free)]} {garment}"


_YOUNG_HAIR = "dark brown"
_WHEN_YOUNG = frozenset({"young", _YOUNG_HAIR})
_GROWN = {"girl": "woman", "boy": "man", "child": "person"}


def _aged(now: Person, how: str) -> Trait | None:
    """Who they are once they are `old` or `grown`, or where they are `young` again."""
    who = next((t for t in now.traits if t.about == "who"), None)
    if who is not None and how == "young":
        was_old = re.search(r"\bold\b", who.text)
        return Trait(about="who", text=re.sub(r"\bold\b", "young", who.text)) if was_old else None
    if who is None or (how == "old" and re.search(r"\bold\b", who.text)):
        return None
    words = [w for w in who.text.split() if w not in ("young", "little", "small")]
    words = [_GROWN.get(w, w) for w in words]
    if how == "grown" and words == who.text.split():
        return None
    return Trait(about="who", text=" ".join(["old", *words] if how == "old" else words))


def _hair(now: Person, how: str) -> Trait | None:
    hair = next((t for t in now.traits if t.about == "hair"), None)
    if how == _YOUNG_HAIR and (hair is None or not re.search(r"\b(?:grey|white)\b", hair.text)):
        return None  # it never changed
    if how == "bald":
        return Trait(about="hair", text="bald head")
    if hair is None:
        return Trait(about="hair", text=f"{how} hair")
    if how not in ("short", "long", "thin", "curly"):
        return Trait(about="hair", text=f"{_length(hair.text)}{how} hair")
    colour = re.sub(r"\b(?:long|short|tied|curly|straight|wavy|in|a|two|up|back)\b", " ", hair.text)
    colour = re.sub(r"\b(?:braids?|plaits?|curls|ponytail|bun)\b", " ", colour)
    return Trait(about="hair", text=" ".join(f"{how} {colour}".split()))


def _length(hair: str) -> str:
    word = re.match(r"(long|short|tied|curly) ", hair)
    return word.group() if word else ""


def _slot(garment: str) -> str | None:
    return slot_of(Trait(about="clothes", text=garment))


def _garments(text: str) -> list[str]:
    return [g for g in re.split(r",\s*|\s+and\s+", text) if g]


def _and(things: Sequence[str]) -> str:
    return " and ".join([", ".join(things[:-1]), things[-1]] if len(things) > 1 else things)


def _said(text: str, at: int) -> str:
    """The words from a change on."""
    stop = re.search(r"[.!?;\n]|, and ", text[at : at + AROUND * 2])
    end = at + (stop.start() if stop else AROUND * 2)
    return text[at:end].strip()
