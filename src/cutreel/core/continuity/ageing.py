"""Who grows up, or old, in the years that a story leaps over: the boy of 1974 is a man in 1998."""

import re
from collections.abc import Iterator, Mapping, Sequence
from typing import NamedTuple

from cutreel.core.manuscript import Manuscript
from cutreel.core.nouns import sort_of
from cutreel.core.reading import Changed, Deed, Story

from .model import Person, Trait
from .years import years_later

GROWS, AGES = 10, 45
"""Years after which a child is grown, and whoever was grown is old."""
_CHILD = frozenset({"boy", "girl", "child"})


class Aged(NamedTuple):
    """A change of somebody that the years bring, at character `at` of the manuscript."""

    at: int
    change: Changed


def aged(cast: Sequence[Person], script: Manuscript, story: Story) -> Iterator[Aged]:
    """What the years change of those who are seen before and after them, each at the first word that means them then,
    in order. Who dies grows no older."""
    children = {p.id for p in cast if _CHILD & set(_who(p).split())}
    alive = {p.id for p in cast if p.kind == "person"}
    old = {p.id for p in cast if "old" in _who(p).split()}
    first: dict[int, int] = {}
    years = _years(script, story)
    for number, read in sorted(story.paragraphs.items()):
        start = story.starts[number]
        dead = {p for d in read.deeds if d.verb == "die" for p in d.who}
        grows = {start + d.start: d for d in read.deeds if _makes_grown(d)}
        for at, deed in sorted(grows.items()):
            for person in children.intersection(deed.who):
                children.discard(person)
                yield Aged(at, Changed(deed.start, person, "age", "grown"))
        for mention in read.mentions:
            at = start + mention.start
            now = max((passed for since, passed in years.items() if since <= at), default=0)
            for person in mention.people:
                if person not in alive or not mention.seen:
                    continue
                passed = now - first.setdefault(person, now)
                changed = Changed(mention.start, person, "age", "")
                if person in children and passed >= GROWS:
                    children.discard(person)
                    yield Aged(at, changed._replace(text="grown"))
                if person not in old and passed >= AGES:
                    old.add(person)
                    yield Aged(at, changed._replace(text="old"))
                    yield Aged(at, changed._replace(what="hair", text="grey"))
        alive -= dead


def young_before(
    cast: Sequence[Person], script: Manuscript, story: Story
) -> tuple[list[Person], list[Aged]]:
    """The cast without what is only told once somebody else has grown up ("then a letter came. Her father was very
    old"), and that it holds from there."""
    grown = min((a.at for a in aged(cast, script, story) if a.change.text == "grown"), default=None)
    out, later = [*cast], []
    for i, person in enumerate(cast):
        who = next((t for t in person.traits if t.about == "who"), None)
        if grown is None or who is None or not re.search(r"\bold\b", who.text):
            continue
        told = script.text.find(who.said.rstrip(" …")) if who.said else -1
        meant = [
            story.starts[number] + m.start
            for number, read in sorted(story.paragraphs.items())
            for m in read.mentions
            if person.id in m.people
        ]
        then = next((at for at in meant if at >= told), None)
        if told <= grown or not meant or meant[0] > grown or then is None:
            continue
        out[i] = person.model_copy(update={"traits": [*_not_yet_old(person)]})
        paragraph = next(n for n in sorted(story.starts, reverse=True) if story.starts[n] <= then)
        start = then - story.starts[paragraph]
        later += [
            Aged(then, Changed(start, person.id, "age", "old")),
            Aged(then, Changed(start, person.id, "hair", "grey")),
        ]
    return out, later


def _not_yet_old(person: Person) -> Iterator[Trait]:
    """The traits of somebody who is told to be old, before that; what is guessed of the old is not theirs yet."""
    for trait in person.traits:
        if trait.about == "who":
            text = " ".join(w for w in trait.text.split() if w != "old")
            yield trait.model_copy(update={"text": text, "said": ""})
        elif trait.about == "hair" and not trait.said:
            yield trait.model_copy(
                update={"text": trait.text.replace("grey", "dark brown"), "short": ""}
            )
        elif trait.about != "face" or trait.said:
            yield trait


def _makes_grown(deed: Deed) -> bool:
    """ "She became a doctor", "he got married": no child any more."""
    if deed.verb == "marry":
        return True
    last = deed.text.rsplit(" ", maxsplit=1)[-1]
    became = deed.verb == "become" and sort_of(last) == "person"
    return became or (deed.verb == "grow" and " up" in deed.text)


def _years(script: Manuscript, story: Story) -> Mapping[int, int]:
    """How many years have passed since the story began, by the character from which on that holds; a year before the
    one that it was is a look back, and none."""
    told: list[tuple[int, int | None, int]] = [
        (story.starts[number] + start, int(year), 0)
        for number, read in story.paragraphs.items()
        for start, year in read.years
    ]
    for sentence in script.sentences:
        words = script.words[sentence.first : sentence.end]
        later = years_later(" ".join(w.text for w in words))
        if later:
            told.append((words[0].start, None, later))
    out, year, passed = {0: 0}, None, 0
    for at, then, later in sorted(told, key=lambda t: t[0]):
        if then is not None:
            if year is not None and then > year:
                passed += then - year
            year = then if year is None or then > year else year
        else:
            passed += later
            year = None if year is None else year + later
        out[at] = passed
    return out


def _who(person: Person) -> str:
    return next((t.text for t in person.traits if t.about == "who"), "")
