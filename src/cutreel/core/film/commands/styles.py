"""Changes that bring a film into a house style."""

from typing import Literal

from pydantic import Field

from ..document import FilmDocument
from ..house import HouseStyle, styled
from .base import FilmCommand


class TakeStyle(FilmCommand):
    """Take a house style, or of its settings `only` some."""

    touches = ("settings", "looks", "tables", "lexicon")
    type: Literal["take style"] = "take style"
    style: HouseStyle
    only: list[str] | None = Field(None, max_length=200)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        after = styled(film, self.style, self.only)
        film.settings, film.looks = after.settings, after.looks
        film.tables, film.lexicon = after.tables, after.lexicon
        return f"take the style {self.style.name}"
