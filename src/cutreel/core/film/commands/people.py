"""Changes of cast and places."""

from typing import Literal, TypeVar

from pydantic import BaseModel, Field

from cutreel.core.continuity import Person, Place
from cutreel.core.errors import NotFound

from ..document import FilmDocument
from ..shots import retext
from ..wording import name_places, with_edits

Listed = TypeVar("Listed", Person, Place)


def _put(rows: list[Listed], row: Listed, gone: str) -> str:
    """Add a row (id 0) or put it in place of the one with its id; says what was done. Raises NotFound with `gone`."""
    if row.id == 0:
        row.id = 1 + max((known.id for known in rows), default=0)
        rows.append(row)
        return f"add {row.name}"
    for i, known in enumerate(rows):
        if known.id == row.id:
            rows[i] = row
            return f"change {row.name}"
    raise NotFound(gone)


class SetPerson(BaseModel):
    """Add a person (id 0) or change one."""

    type: Literal["set person"] = "set person"
    person: Person

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        return _put(
            film.cast, self.person.model_copy(update={"guess": False}), "That person is not in the cast any more."
        )


class RemovePerson(BaseModel):
    """Take somebody out of the cast; the manuscript's words stay."""

    type: Literal["remove person"] = "remove person"
    id: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = next((p for p in film.cast if p.id == self.id), None)
        if person is None:
            raise NotFound("That person is not in the cast any more.")
        film.cast.remove(person)
        for own in [*(s.own for s in film.shots), *(s.own for s in film.scenes)]:
            if own.people:
                own.people = [p for p in own.people if p != self.id]
        return f"remove {person.name} from the cast"


class SetPlace(BaseModel):
    """Add a place (id 0) or change one."""

    type: Literal["set place"] = "set place"
    place: Place

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        return _put(
            film.places, self.place.model_copy(update={"guess": False}), "That place is not in the film any more."
        )


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
