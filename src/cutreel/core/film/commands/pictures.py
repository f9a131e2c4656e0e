"""Changes of the cut-outs and pictures that a film keeps, and of how they are laid over shots."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.insets import Arranged, LaidPicture, arranged

from ..document import MOST_PICTURES, CutOut, FilmDocument
from ..shots import shot_numbered
from .base import OF_SHOTS, FilmCommand


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


class KeepPicture(FilmCommand):
    """Keep a picture that was brought, to be laid over shots or to be the film's mark."""

    touches = ("own_pictures",)
    type: Literal["keep picture"] = "keep picture"
    picture: LaidPicture

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = [p for p in film.own_pictures if p.media != self.picture.media]
        if len(known) >= MOST_PICTURES:
            raise BadInput(f"A film keeps {MOST_PICTURES} pictures at most.", "Drop one first.")
        film.own_pictures = [*known, self.picture]
        return f"keep the picture {self.picture.name}"


class DropPicture(FilmCommand):
    """Keep a picture no longer, by its media name; shots that it is laid over keep it."""

    touches = ("own_pictures", "settings")
    type: Literal["drop picture"] = "drop picture"
    media: str

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((p for p in film.own_pictures if p.media == self.media), None)
        if known is None:
            raise NotFound("That picture is not in the film any more.")
        film.own_pictures = [p for p in film.own_pictures if p is not known]
        if film.settings.maker_picture == self.media:
            film.settings = film.settings.model_copy(update={"maker_picture": None})
        return f"keep the picture {known.name} no longer"


class ArrangeInsets(FilmCommand):
    """Arrange what is laid over a shot, so that nothing covers another."""

    touches = OF_SHOTS
    type: Literal["arrange insets"] = "arrange insets"
    shot: int
    how: Arranged

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        if not shot.own.insets:
            raise NotFound("Nothing is laid over that shot any more.")
        wide, high = (int(n) for n in film.settings.aspect.split(":"))
        laid = arranged(shot.own.insets, self.how, wide / high)
        shot.own = shot.own.model_copy(update={"insets": laid})
        return f"arrange what is laid over shot {shot.edge}"
