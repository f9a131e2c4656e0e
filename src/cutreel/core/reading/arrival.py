"""An arrival: that a scene is at a place from some word on."""

from typing import NamedTuple

from cutreel.core.nouns import sort_of

from .clauses import Called, clause_of, nobody, subjects
from .parsed import Parsed

LIFTS = frozenset({"lift", "elevator"})


class Arrival(NamedTuple):
    """At character `start` of a paragraph the scene is at the place that a noun names; `comes`: somebody arrives there
    now, else they are there already."""

    start: int
    noun: str
    phrase: str
    comes: bool
    stays: bool = True
    """Whether the scene is there from now on; a place that only does something itself is seen for a moment."""
    town: bool = False
    """Whether it is the name of a town or a country."""
    elsewhere: bool = False
    """Whether it is where others are, while who tells it is not."""
    lives: bool = False
    """Whether it is said that somebody lives there: that is home."""


def room_of(parsed: Parsed, i: int) -> str:
    """The noun of a place, small; of a room what it is for belongs to it: "dining room" is not the room upstairs."""
    tokens = parsed.tokens
    lemma = tokens[i].lemma.lower()
    if lemma != "room" or i == 0 or i - 1 not in parsed.children[i]:
        return lemma
    use = tokens[i - 1]
    return f"{use.text.lower()} room" if use.dep == "compound" and use.pos == "NOUN" else lemma


POSTURES = frozenset("sit stand lie kneel lean crouch squat perch".split())


def are_beasts(parsed: Parsed, i: int, called: Called) -> bool:
    """ "The owls flew into the trees": nobody who is told of goes there."""
    of = subjects(parsed, clause_of(parsed, i))
    if called is nobody:
        return False  # it is not known yet who is told of
    return bool(of) and all(
        sort_of(parsed.tokens[s].lemma) == "animal" and not called(s) for s in of
    )


def phrase_of(parsed: Parsed, i: int) -> str:
    """ "the old smithy" as words, without what else hangs on it."""
    tokens = parsed.tokens
    left = [
        c for c in parsed.children[i] if c < i and tokens[c].dep in {"amod", "compound", "nummod"}
    ]
    # "The Harlow Road petrol station": a name within has parts of its own.
    left += [k for c in left for k in parsed.children[c] if tokens[k].dep == "compound"]
    return " ".join(tokens[k].text for k in [*sorted(left), i])
