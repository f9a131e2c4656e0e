"""Who is who: how often somebody is called by which name, who may be one and the same, and things
that may matter.

All of it is a proposal with its reason; nothing is put into the cast by it.
"""

import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from cutreel.core.manuscript import Manuscript, put_beside
from cutreel.core.reading import NOTHING, SURE, Story

from .model import Person

# fmt: off
THINGS = {
    "lamp", "lantern", "boat", "ladder", "book", "notebook", "letter", "map", "chart", "key",
    "clock", "watch", "bell", "box", "chest", "trunk", "coin", "ring", "crown", "sword", "knife",
    "telescope", "compass", "mirror", "violin", "drum", "flute", "kite", "doll", "umbrella",
    "basket", "bucket", "cart", "carriage", "sledge", "wheel", "anchor", "candle", "bottle", "cup",
    "stone", "rod", "bar", "flag", "mask", "robot", "machine", "train", "lighthouse",
}
# fmt: on
OFTEN = 4
"""A thing named this often may matter."""


@dataclass(frozen=True, slots=True)
class Call:
    """A name that somebody goes by, and how often the text uses it."""

    name: str
    count: int


@dataclass(frozen=True, slots=True)
class Appearance:
    """How somebody is called, most often first; in how many paragraphs they are named, how many lines they speak, how
    many words mean them (pronouns too), and of how many of those that is a guess."""

    person: int
    calls: tuple[Call, ...]
    paragraphs: int
    lines: int
    meant: int = 0
    unsure: int = 0


@dataclass(frozen=True, slots=True)
class SamePerson:
    """Two of the cast may be one: `other` would be merged into `person`."""

    person: int
    other: int
    why: str


@dataclass(frozen=True, slots=True)
class Thing:
    """A thing that may matter, by its noun."""

    name: str
    count: int
    why: str


def appearances(
    script: Manuscript, cast: Sequence[Person], story: Story = NOTHING
) -> list[Appearance]:
    """How and how often each of the cast is called, and meant in what was read of the story."""
    meant: Counter[int] = Counter()
    unsure: Counter[int] = Counter()
    for read in story.paragraphs.values():
        for m in read.mentions:
            meant.update(m.people)
            unsure.update(m.people if m.sure < SURE else ())
    owner = {call.lower(): p.id for p in reversed(cast) for call in (p.name, *p.aliases) if call}
    if not owner:
        return []
    pattern = re.compile(
        r"\b(" + "|".join(map(re.escape, sorted(owner, key=len, reverse=True))) + r")\b", re.I
    )
    calls: dict[int, Counter[str]] = {p.id: Counter() for p in cast}
    where: dict[int, set[int]] = {p.id: set() for p in cast}
    for number, paragraph in enumerate(re.split(r"\n\s*\n", script.text)):
        for match in pattern.finditer(paragraph):
            person = owner[match.group().lower()]
            calls[person][match.group().lower()] += 1
            where[person].add(number)
    spoken = Counter(owner.get(line.speaker.lower()) for line in script.lines if line.speaker)
    written = {call.lower(): call for p in cast for call in (*p.aliases, p.name)}
    return [
        Appearance(
            p.id,
            tuple(Call(written[name], count) for name, count in calls[p.id].most_common()),
            len(where[p.id]),
            spoken[p.id],
            meant[p.id],
            unsure[p.id],
        )
        for p in cast
    ]


def may_be_one(script: Manuscript, cast: Sequence[Person]) -> list[SamePerson]:
    """Pairs of the cast that the text says, or lets suppose, are one: a role put beside a name
    ("Pip, the boy", "a boy called Pip"), or the only role of a kind whose name is never in the same
    sentence."""
    roles = [p for p in cast if p.name.lower().startswith("the ") and p.guess]
    named = [p for p in cast if not p.name.lower().startswith("the ")]
    sentences = _sentences(script)
    out: list[SamePerson] = []
    for role in roles:
        noun = re.escape(role.name[4:].lower())
        for person in named:
            if person.is_animal != role.is_animal and not (role.is_animal and person.guess):
                continue
            why = put_beside(script.text, (person.name, *person.aliases), noun) or _only_one(
                sentences, person, role, named
            )
            if why:
                out.append(SamePerson(person.id, role.id, why))
                break
    return out


def _only_one(
    sentences: Sequence[str], person: Person, role: Person, named: Sequence[Person]
) -> str:
    """The same pronoun, nobody else named has it, and never both in one sentence, in at least three
    scenes of text."""
    if (
        role.pronoun is None
        or person.pronoun != role.pronoun
        or sum(p.pronoun == role.pronoun for p in named) != 1
    ):
        return ""
    by_name = [
        i
        for i, s in enumerate(sentences)
        if re.search(rf"\b{re.escape(person.name.split(' ')[0])}\b", s)
    ]
    by_role = [
        i for i, s in enumerate(sentences) if re.search(rf"\b{re.escape(role.name)}\b", s, re.I)
    ]
    if len(by_role) < 2 or set(by_name) & set(by_role):
        return ""
    return f"the only “{role.pronoun}” with a name, and never in one sentence with {role.name}"


def _sentences(script: Manuscript) -> list[str]:
    out: dict[int, list[str]] = {}
    for word in script.words:
        out.setdefault(word.sentence, []).append(word.text)
    return [" ".join(words) for words in out.values()]


def things_named(script: Manuscript, cast: Sequence[Person]) -> list[Thing]:
    """Things that the text names often and that are not in the cast, most often first; at most
    six."""
    known = {c.lower().removeprefix("the ") for p in cast for c in (p.name, *p.aliases)}
    counts = Counter(w.bare.lower() for w in script.words)
    found = [(noun, counts[noun] + counts[f"{noun}s"]) for noun in THINGS if noun not in known]
    often = sorted(((n, c) for n, c in found if c >= OFTEN), key=lambda pair: (-pair[1], pair[0]))
    return [Thing(f"the {noun}", count, f"named {count} times") for noun, count in often[:6]]
