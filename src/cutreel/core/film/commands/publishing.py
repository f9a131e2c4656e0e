"""Changes of what goes with the film when it is published."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.publishing import OwnTexts, Thumbnail

from ..document import MOST_THUMBNAILS, FilmDocument
from .base import FilmCommand


class SetTexts(FilmCommand):
    """Write some of the film's texts, or (None) leave them as they are drafted."""

    touches = ("texts",)
    type: Literal["set texts"] = "set texts"
    values: OwnTexts

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        said = {name: getattr(self.values, name) for name in self.values.model_fields_set}
        if not said:
            raise BadInput("Nothing was written.", "Say which text, and what it is to be.")
        film.texts = film.texts.model_copy(update=said)
        names = " and ".join(said)
        return f"write the {names}" if any(said.values()) else f"draft the {names} again"


class KeepThumbnail(FilmCommand):
    """Keep a thumbnail: in place of the one at a place (from 0), else behind the others."""

    touches = ("thumbnails",)
    type: Literal["keep thumbnail"] = "keep thumbnail"
    thumbnail: Thumbnail
    place: int | None = Field(None, ge=0, lt=MOST_THUMBNAILS)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.place is not None:
            _known(film, self.place)
            film.thumbnails[self.place] = self.thumbnail
            return f"change thumbnail {self.place + 1}"
        if len(film.thumbnails) >= MOST_THUMBNAILS:
            raise BadInput(
                f"{MOST_THUMBNAILS} thumbnails are kept already.", "Take one away first."
            )
        film.thumbnails.append(self.thumbnail)
        return f"keep thumbnail {len(film.thumbnails)}"


class DropThumbnail(FilmCommand):
    """Take a kept thumbnail away, by its place (from 0); or, `first`, make it the one that is used."""

    touches = ("thumbnails",)
    type: Literal["drop thumbnail"] = "drop thumbnail"
    place: int = Field(ge=0, lt=MOST_THUMBNAILS)
    first: bool = False

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _known(film, self.place)
        found = film.thumbnails.pop(self.place)
        if self.first:
            film.thumbnails.insert(0, found)
            return f"use thumbnail {self.place + 1}"
        return f"take thumbnail {self.place + 1} away"


def _known(film: FilmDocument, place: int) -> None:
    if place >= len(film.thumbnails):
        raise NotFound("That thumbnail is not kept any more.", "Load the page again.")
