"""Changes of what goes with the film when it is published."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.publishing import OwnTexts, Thumbnail, ThumbnailPicture

from ..document import MOST_THUMBNAIL_PICTURES, MOST_THUMBNAILS, FilmDocument
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
        made = {p.media for p in film.thumbnail_pictures}
        if self.thumbnail.picture is not None and self.thumbnail.picture not in made:
            raise NotFound("That picture was taken away.", "Choose another.")
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


class AddThumbnailPicture(FilmCommand):
    """Lay a picture that was made for thumbnails to the others; the oldest that no kept thumbnail shows makes room."""

    touches = ("thumbnail_pictures",)
    type: Literal["add thumbnail picture"] = "add thumbnail picture"
    picture: ThumbnailPicture

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        kept = {t.picture for t in film.thumbnails}
        others = [p for p in film.thumbnail_pictures if p.media != self.picture.media]
        if len(others) >= MOST_THUMBNAIL_PICTURES:
            # No more thumbnails are kept than half as many pictures, so there is one.
            others.remove(next(p for p in others if p.media not in kept))
        film.thumbnail_pictures = [*others, self.picture]
        return "add a picture for thumbnails"


class DropThumbnailPicture(FilmCommand):
    """Take a picture that was made for thumbnails away."""

    touches = ("thumbnail_pictures",)
    type: Literal["drop thumbnail picture"] = "drop thumbnail picture"
    media: str = Field(max_length=80)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if any(t.picture == self.media for t in film.thumbnails):
            raise BadInput("A kept thumbnail shows this picture.", "Take that away first.")
        left = [p for p in film.thumbnail_pictures if p.media != self.media]
        if len(left) == len(film.thumbnail_pictures):
            raise NotFound("That picture was taken away already.", "Load the page again.")
        film.thumbnail_pictures = left
        return "take a picture for thumbnails away"


def _known(film: FilmDocument, place: int) -> None:
    if place >= len(film.thumbnails):
        raise NotFound("That thumbnail is not kept any more.", "Load the page again.")
