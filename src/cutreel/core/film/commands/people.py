"""Changes of cast and places."""

from typing import Literal

from pydantic import BaseModel, Field

from cutreel.core.continuity import Person, Place
from cutreel.core.errors import NotFound

from ..document import FilmDocument
from ..shots import retext
from ..wording import name_places, with_edits


class SetPerson(BaseModel):
    """Add a person (id 0) or change one."""

    type: Literal["set person"] = "set person"
    person: Person

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = self.person.model_copy(update={"guess": False})
        if person.id == 0:
            person.id = 1 + max((p.id for p in film.cast), default=0)
            film.cast.append(person)
            return f"add {person.name}"
        for i, known in enumerate(film.cast):
            if known.id == person.id:
                film.cast[i] = person
                return f"change {person.name}"
        raise NotFound("That person is not in the cast any more.")


class RemovePerson(BaseModel):
    """Take somebody out of the cast; the manuscript's words stay."""

    type: Literal["remove person"] = "remove person"
    id: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = next((p for p in film.cast if p.id == self.id), None)
        if person is None:
            raise NotFound("That person is not in the cast any more.")
        film.cast.remove(person)
        for shot in film.shots:
            if shot.own.people:
                shot.own.people = [p for p in shot.own.people if p != self.id]
        return f"remove {person.name} from the cast"


class SetPlace(BaseModel):
    """Add a place (id 0) or change one."""

    type: Literal["set place"] = "set place"
    place: Place

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        place = self.place.model_copy(update={"guess": False})
        if place.id == 0:
            place.id = 1 + max((p.id for p in film.places), default=0)
            film.places.append(place)
            return f"add {place.name}"
        for i, known in enumerate(film.places):
            if known.id == place.id:
                film.places[i] = place
                return f"change {place.name}"
        raise NotFound("That place is not in the film any more.")


class RenamePerson(BaseModel):
    """Call somebody by another name everywhere; `leave` are places (character offsets) that keep the old one."""

    type: Literal["rename person"] = "rename person"
    id: int
    name: str = Field(min_length=1, max_length=80)
    leave: list[int] = []

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = next((p for p in film.cast if p.id == self.id), None)
        if person is None:
            raise NotFound("That person is not in the cast any more.")
        before = person.name
        edits = [p.edit for p in name_places(film.text, person, self.name) if p.start not in self.leave]
        person.name, person.guess = self.name, False
        person.aliases = [a for a in person.aliases if a not in self.name.split()]
        text, ids = with_edits(film, edits)
        retext(film, text, used, ids)
        return f"rename {before} to {self.name}"
