"""What every command is: something a maker changes, that says which parts of the film it may touch."""

from typing import ClassVar

from pydantic import BaseModel

from ..document import FilmDocument

EVERY_PART: tuple[str, ...] = tuple(FilmDocument.model_fields)
OF_SHOTS = ("shots", "next_shot")


class FilmCommand(BaseModel):
    """A command. It is applied to a copy of the film in which only the parts that it `touches` may be changed; the
    others are the film's own, and stay as they are."""

    touches: ClassVar[tuple[str, ...]] = EVERY_PART

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        """Change `film` in place, adding edge numbers to `used`; returns the change's name. Raises BadInput or
        NotFound where it cannot be done."""
        raise NotImplementedError
