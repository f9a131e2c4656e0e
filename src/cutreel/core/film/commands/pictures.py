"""Changes of the cut-outs that a film keeps."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import NotFound

from ..document import CutOut, FilmDocument
from .base import FilmCommand


class KeepCutOut(FilmCommand):
    """Keep a figure that was cut out of a picture, under a name."""

    touches = ("cutouts",)
    type: Literal["keep cut-out"] = "keep cut-out"
    name: str = Field(min_length=1, max_length=80)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    width: int = Field(ge=1, le=20_000)
    height: int = Field(ge=1, le=20_000)
    shot: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if not any(known.media == self.media for known in film.cutouts):
            number = max((known.id for known in film.cutouts), default=0) + 1
            values = self.model_dump(exclude={"type"})
            film.cutouts.append(CutOut(id=number, **values))
        return f"cut out {self.name}"


class DropCutOut(FilmCommand):
    """Drop a cut-out; pictures it was laid into keep it."""

    touches = ("cutouts",)
    type: Literal["drop cut-out"] = "drop cut-out"
    cutout: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((c for c in film.cutouts if c.id == self.cutout), None)
        if known is None:
            raise NotFound("That cut-out is not in the film any more.")
        film.cutouts.remove(known)
        return f"drop the cut-out {known.name}"
