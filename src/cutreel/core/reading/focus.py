"""Who was spoken of lately, how long ago and how surely; and what a paragraph hands on to the next."""

from dataclasses import dataclass, field, replace
from typing import NamedTuple

from cutreel.core.manuscript import Pronoun

from .things import ThingTold

MOST_AGE = 9
"""Sentences after which it does not matter any more how long somebody was not spoken of."""
SURE = 0.6
"""What is less sure is a guess, and asked."""


class Mention(NamedTuple):
    """Characters `start` up to `end` of a paragraph that mean some of the cast. `seen`: they are there, `weak`: they
    are if they were just before. `sure` is 0 … 1."""

    start: int
    end: int
    people: tuple[int, ...]
    seen: bool
    weak: bool
    why: str
    sure: float
    own: bool = False
    """Whether it goes back to the subject of its own clause by what only they can have: "put her hand on the door"."""


class Focus(NamedTuple):
    """Somebody spoken of lately: how many sentences ago, and whether as a subject."""

    id: int
    age: int
    subject: bool
    sure: float = 1.0
    """How sure it is that it was they who were spoken of: what goes on from a guess is one."""
    called: Pronoun | None = None
    """By which pronoun they were meant, where that is sure: it tells how they are called, if nothing else does."""


class Kin(NamedTuple):
    """The `noun` ("daughter") of somebody is somebody."""

    owner: int
    noun: str
    person: int


class Others(NamedTuple):
    """People who are not in the cast, by the words for them, and how many sentences ago they did something."""

    phrase: str
    age: int


@dataclass(frozen=True)
class Carried:
    """What a paragraph hands on: who was spoken of, the latest first; the last group; who spoke last; kin; others;
    the things spoken of."""

    focus: tuple[Focus, ...] = ()
    group: tuple[int, ...] = ()
    spoke: tuple[int, ...] = ()
    kin: tuple[Kin, ...] = ()
    others: Others | None = None
    things: tuple[ThingTold, ...] = ()

    def scene(self) -> "Carried":
        """The same behind a heading: further off."""
        return replace(
            self,
            focus=tuple(f._replace(age=min(MOST_AGE, f.age + 2)) for f in self.focus),
            others=None,
            things=tuple(t._replace(age=t.age + 1) for t in self.things),
        )


@dataclass
class Now:
    """What is known at a place in a paragraph."""

    focus: list[Focus]
    group: tuple[int, ...]
    spoke: list[int]
    kin: tuple[Kin, ...] = ()
    others: Others | None = None
    out: list[Mention] = field(default_factory=list)

    def touch(
        self, id: int, subject: bool, sure: float = 1.0, called: Pronoun | None = None
    ) -> None:
        was = next((f for f in self.focus if f.id == id), None)
        self.focus = [f for f in self.focus if f.id != id]
        before = was is not None and was.age == 0 and was.subject
        called = called or (was.called if was else None)
        self.focus.insert(0, Focus(id, 0, subject or before, sure, called))
        del self.focus[8:]

    def next_sentence(self) -> None:
        self.focus = [f._replace(age=min(MOST_AGE, f.age + 1)) for f in self.focus]
        if self.others is not None:
            self.others = (
                None
                if self.others.age >= MOST_AGE
                else Others(self.others.phrase, self.others.age + 1)
            )
