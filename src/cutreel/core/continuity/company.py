"""The company: people, places, looks, voices and words that are kept across films, and how they are found again."""

import re
from collections.abc import Iterable
from typing import Literal

from pydantic import BaseModel, Field, model_validator

from cutreel.core.manuscript import Saying

from .looks import Look
from .model import Person, Place
from .voices import OwnVoice

MemberKind = Literal["person", "animal", "thing", "place", "look", "voice", "word"]
Age = Literal["child", "adult", "old"]

_CHILD = {"boy", "girl", "child"}
_OLD = {"old", "elderly"}


class CompanyCard(BaseModel):
    """What is kept of a member: one of a person, a place, a look, a voice, or a word with how it sounds."""

    person: Person | None = None
    place: Place | None = None
    look: Look | None = None
    voice: OwnVoice | None = None
    word: Saying | None = None

    @model_validator(mode="after")
    def one(self) -> "CompanyCard":
        cards = (self.person, self.place, self.look, self.voice, self.word)
        if sum(card is not None for card in cards) != 1:
            raise ValueError("give one of person, place, look, voice and word")
        return self

    def without_film(self) -> "CompanyCard":
        """The card without what holds in one film only: numbers, scenes, and where it was taken
        from."""
        if self.person:
            outfits = [
                o.model_copy(update={"scenes": [], "shots": [], "since": None})
                for o in self.person.outfits
            ]
            person = self.person.model_copy(
                update={"id": 0, "outfits": outfits, "company": None, "guess": False, "why": ""}
            )
            return CompanyCard(person=person)
        if self.place:
            return CompanyCard(
                place=self.place.model_copy(
                    update={"id": 0, "company": None, "guess": False, "why": ""}
                )
            )
        if self.voice:
            return CompanyCard(voice=self.voice.model_copy(update={"id": 0}))
        return self


class Member(BaseModel):
    """Somebody or something of the company. `tags` are further words it is found by; `picture` is
    its address, empty where there is none; `ours`: as it came with Cut Reel, not given back
    changed."""

    id: str = Field(max_length=40)
    card: CompanyCard
    tags: str = ""
    picture: str = ""
    ours: bool = False

    @property
    def kind(self) -> MemberKind:
        if self.card.person:
            kind = self.card.person.kind
            return "animal" if kind == "animal" else "person" if kind == "person" else "thing"
        card = self.card
        return "place" if card.place else "look" if card.look else "voice" if card.voice else "word"

    @property
    def name(self) -> str:
        card = self.card
        if card.look:
            return card.look.title
        if card.word:
            return card.word.word
        named = card.person or card.place or card.voice
        return named.name if named else ""

    @property
    def age(self) -> Age | None:
        if self.card.voice:
            return self.card.voice.age
        return age_of(self.card.person) if self.card.person and self.kind == "person" else None

    @property
    def words(self) -> str:
        """All that it can be found by."""
        person, place, look = self.card.person, self.card.place, self.card.look
        said = [self.name, self.tags]
        if person:
            said += [
                *person.aliases,
                *(t.text for t in person.traits),
                *(t.text for o in person.outfits for t in o.traits),
            ]
        if place:
            said += [place.description, *place.words, *place.light.values()]
        if look:
            said += [look.medium, look.detail, look.about, *(c.name for c in look.palette)]
        if self.card.voice:
            said += [self.card.voice.description, self.card.voice.pronoun]
        if self.card.word:
            said.append(self.card.word.sounds)
        return " ".join(said).lower()


def age_of(person: Person) -> Age:
    """How old somebody is, as far as the traits say."""
    said = set(re.findall(r"[a-z-]+", " ".join(t.text for t in person.traits).lower()))
    if said & _CHILD:
        return "child"
    return "old" if said & _OLD else "adult"


def search_company(
    company: Iterable[Member],
    kind: MemberKind | None = None,
    age: Age | None = None,
    words: str = "",
) -> list[Member]:
    """Members of a kind and an age in whose words all of `words` begin a word."""
    wanted = [re.compile(rf"\b{re.escape(w)}") for w in re.findall(r"[\w'-]+", words.lower())]
    return [
        m
        for m in company
        if (kind is None or m.kind == kind)
        and (age is None or m.age == age)
        and (not wanted or all(w.search(m.words) for w in wanted))
    ]
