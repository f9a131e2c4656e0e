"""Changes of cast and places, and of what of their drift is accepted."""

from typing import Literal, TypeVar

from pydantic import Field

from cutreel.core.continuity import Overrides, Person, Place
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import read

from ..document import AcceptedDrift, FilmDocument, Meant
from ..shots import own_copy, retext
from ..wording import name_places, with_edits
from .base import FilmCommand

Listed = TypeVar("Listed", Person, Place)


def _put(rows: list[Listed], row: Listed, gone: str) -> str:
    """Add a row (id 0) or put it in place of the one with its id; says what was done. Raises
    NotFound with `gone`."""
    if row.id == 0:
        row.id = 1 + max((known.id for known in rows), default=0)
        rows.append(row)
        return f"add {row.name}"
    for i, known in enumerate(rows):
        if known.id == row.id:
            rows[i] = row
            return f"change {row.name}"
    raise NotFound(gone)


class SetPerson(FilmCommand):
    """Add a person (id 0) or change one."""

    touches = ("cast",)
    type: Literal["set person"] = "set person"
    person: Person

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        return _put(
            film.cast,
            self.person.model_copy(update={"guess": False}),
            "That person is not in the cast any more.",
        )


class RemovePerson(FilmCommand):
    """Take somebody out of the cast; the manuscript's words stay."""

    type: Literal["remove person"] = "remove person"
    id: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = _person(film, self.id)
        film.cast.remove(person)
        for own in _with_people(film):
            own.people = [p for p in own.people or [] if p != self.id]
        film.meant = [m for m in film.meant if self.id not in m.people]
        return f"remove {person.name} from the cast"


class SetPlace(FilmCommand):
    """Add a place (id 0) or change one."""

    touches = ("places",)
    type: Literal["set place"] = "set place"
    place: Place

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        return _put(
            film.places,
            self.place.model_copy(update={"guess": False}),
            "That place is not in the film any more.",
        )


class RenamePerson(FilmCommand):
    """Call somebody by another name everywhere; `leave` are places (character offsets) that keep
    the old one."""

    type: Literal["rename person"] = "rename person"
    id: int
    name: str = Field(min_length=1, max_length=80)
    leave: list[int] = Field([])

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = _person(film, self.id)
        before = person.name
        edits = [
            p.edit for p in name_places(film.text, person, self.name) if p.start not in self.leave
        ]
        person.name, person.guess = self.name, False
        person.aliases = [a for a in person.aliases if a not in self.name.split()]
        text, ids = with_edits(film, edits)
        retext(film, text, used, ids)
        return f"rename {before} to {self.name}"


class MergePeople(FilmCommand):
    """Make two of the cast one: `into` keeps its traits and gains the other's names; traits about
    things it says nothing of come along, and so does a voice that it lacks."""

    type: Literal["merge people"] = "merge people"
    id: int
    into: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        gone, kept = _person(film, self.id), _person(film, self.into)
        if gone is kept:
            raise BadInput("Somebody cannot be merged with themselves.", "Choose another person.")
        said = {t.about.strip().lower() for t in kept.traits}
        known = {c.lower() for c in (kept.name, *kept.aliases)}
        kept.aliases += [c for c in (gone.name, *gone.aliases) if c.lower() not in known]
        kept.traits += [
            t for t in gone.traits if not gone.guess and t.about.strip().lower() not in said
        ]
        kept.outfits += gone.outfits
        kept.voice = kept.voice or gone.voice
        kept.pronoun = kept.pronoun or gone.pronoun
        kept.references += gone.references
        kept.guess = False
        film.cast.remove(gone)
        for own in _with_people(film):
            now = (self.into if p == self.id else p for p in own.people or [])
            own.people = list(dict.fromkeys(now))
        for i, meant in enumerate(film.meant):
            if self.id in meant.people:
                people = [self.into if p == self.id else p for p in meant.people]
                film.meant[i] = Meant(word=meant.word, people=list(dict.fromkeys(people)))
        return f"merge {gone.name} into {kept.name}"


class SplitPerson(FilmCommand):
    """Make some of the names that somebody is called by a person of their own, with the same traits
    to begin with."""

    type: Literal["split person"] = "split person"
    id: int
    names: list[str] = Field(min_length=1, max_length=20)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = _person(film, self.id)
        names = [n for n in self.names if n in person.aliases]
        if not names:
            raise BadInput(
                f"{person.name} is not called that.", "Choose among the names below “also called”."
            )
        person.aliases = [a for a in person.aliases if a not in names]
        number = 1 + max(p.id for p in film.cast)
        own = person.model_copy(
            deep=True,
            update={
                "id": number,
                "name": names[0],
                "aliases": names[1:],
                "voice": None,
                "guess": False,
            },
        )
        film.cast.insert(film.cast.index(person) + 1, own)
        return f"split {names[0]} from {person.name}"


class TakeCast(FilmCommand):
    """Take a cast, and places, as they were read anew for what was guessed before. What the maker set stays."""

    touches = ("cast", "places")
    type: Literal["take cast"] = "take cast"
    cast: list[Person] = Field(max_length=40)
    places: list[Place] = Field([], max_length=40)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        kept = [p for p in film.cast if not p.guess]
        calls = {c.lower() for p in kept for c in (p.name, *p.aliases)}
        # Who was guessed before and is found again keeps their number: somebody may be looking at them.
        known = {c.lower(): p.id for p in reversed(film.cast) for c in (*p.aliases, p.name)}
        taken = {p.id for p in kept}
        number = max((p.id for p in film.cast), default=0)
        film.cast = kept
        for person in self.cast:
            called = [c.lower() for c in (person.name, *person.aliases)]
            if calls & set(called):
                continue
            number += 1
            found = next((known[c] for c in called if c in known and known[c] not in taken), number)
            taken.add(found)
            film.cast.append(person.model_copy(update={"id": found, "guess": True}))
        self._take_places(film)
        return "read who is in it, and where it happens"

    def _take_places(self, film: FilmDocument) -> None:
        if not self.places:
            return
        kept = [p for p in film.places if not p.guess or p.references]
        words = {w for p in kept for w in p.words} | {p.name for p in kept}
        number = max((p.id for p in film.places), default=0)
        known = {p.name: p.id for p in film.places}
        film.places = kept
        for place in self.places:
            if place.name in words or set(place.words) & words:
                continue
            if place.name not in known:
                number += 1
            film.places.append(place.model_copy(update={"id": known.get(place.name, number)}))


class SetMeant(FilmCommand):
    """Say whom a word means (nobody of the cast with an empty list), or leave it to the reading (None)."""

    touches = ("meant",)
    type: Literal["set meant"] = "set meant"
    word: int
    people: list[int] | None = Field(None, max_length=12)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        at = film.word_places.get(self.word)
        if at is None:
            raise NotFound("That word is not there any more.", "Load the page again.")
        word = read(film.text).words[at].bare
        names = [_person(film, p).name for p in self.people or []]
        film.meant = [m for m in film.meant if m.word != self.word]
        if self.people is None:
            return f"leave open who “{word}” is"
        film.meant.append(Meant(word=self.word, people=list(dict.fromkeys(self.people))))
        return f"“{word}” is {' and '.join(names) or 'nobody of the cast'}"


class TakeMeant(FilmCommand):
    """Say whom several words mean at once, as somebody else read them; words that are gone are left out."""

    touches = ("meant",)
    type: Literal["take meant"] = "take meant"
    meant: list[Meant] = Field(min_length=1, max_length=20_000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        places, cast = film.word_places, {p.id for p in film.cast}
        taken = {m.word: m for m in self.meant if m.word in places and set(m.people) <= cast}
        if not taken:
            raise NotFound("None of those words is there any more.", "Load the page again.")
        film.meant = [*(m for m in film.meant if m.word not in taken), *taken.values()]
        return f"take {len(taken)} {'word' if len(taken) == 1 else 'words'} as read by another"


class AcceptDrift(FilmCommand):
    """Accept what departs in a take of a shot (`about`: the wordings or kinds that were found), or
    take that back with an empty list. `person` None: of the whole picture."""

    touches = ("accepted",)
    type: Literal["accept drift"] = "accept drift"
    shot: int
    take: str = Field(max_length=12)
    person: int | None = None
    about: list[str] = Field([], max_length=40)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        edge = next((s.edge for s in film.shots if s.id == self.shot), None)
        if edge is None:
            raise NotFound("That shot is not in the film any more.", "Load the page again.")
        film.accepted = [a for a in film.accepted if (a.shot, a.person) != (self.shot, self.person)]
        if self.about:
            film.accepted.append(
                AcceptedDrift(
                    shot=self.shot,
                    take=self.take,
                    person=self.person,
                    about=sorted(set(self.about)),
                )
            )
        return (
            f"accept the drift of shot {edge}"
            if self.about
            else f"look at the drift of shot {edge} again"
        )


def _with_people(film: FilmDocument) -> list[Overrides]:
    """What was set of shots and scenes for which it was set who is in them, to be changed."""
    for i, shot in enumerate(film.shots):
        if shot.own.people is not None:
            film.shots[i] = own_copy(shot)
    every = [*(s.own for s in film.shots), *(s.own for s in film.scenes)]
    return [own for own in every if own.people is not None]


def _person(film: FilmDocument, number: int) -> Person:
    person = next((p for p in film.cast if p.id == number), None)
    if person is None:
        raise NotFound("That person is not in the cast any more.")
    return person
