"""A house style: what a channel keeps from film to film, and what it would change in another."""

from collections.abc import Collection
from typing import Any

from pydantic import Base64Bytes, BaseModel, Field, ValidationError

from cutreel.core.continuity import LOOKS, Look
from cutreel.core.errors import BadInput
from cutreel.core.insets import LaidPicture
from cutreel.core.manuscript import Saying

from .document import (
    MOST_FACES,
    MOST_PICTURES,
    MOST_TABLES,
    FilmDocument,
    OwnFace,
    OwnTable,
    Settings,
)

OF_ONE_FILM = frozenset(("seed", "aim", "reference", "follow_reference", "language", "due"))
"""Settings that belong to one film and are no style."""
KEPT = tuple(name for name in Settings.model_fields if name not in OF_ONE_FILM)
_VERSION = 1


class HouseStyle(BaseModel):
    """A style by its name: settings (those that are not one film's alone), the looks, look-up tables, faces and
    pictures of its own that they use, and how words sound."""

    name: str = Field(min_length=1, max_length=80)
    settings: dict[str, Any] = Field({}, max_length=200)
    looks: list[Look] = Field([], max_length=12)
    tables: list[OwnTable] = Field([], max_length=MOST_TABLES)
    faces: list[OwnFace] = Field([], max_length=MOST_FACES)
    pictures: list[LaidPicture] = Field([], max_length=12)
    lexicon: list[Saying] = Field([], max_length=5_000)

    def applied_to(self, settings: Settings, only: Collection[str] | None = None) -> Settings:
        """Settings as the style has them, or `only` some of them. What a style has that is not known any more is left.
        Raises BadInput."""
        wanted = {
            k: v for k, v in self.settings.items() if k in KEPT and (only is None or k in only)
        }
        try:
            return Settings.model_validate({**settings.model_dump(), **wanted})
        except ValidationError as error:
            where = " ".join(str(p) for p in error.errors()[0]["loc"])
            raise BadInput(f"The style says something of {where} that is not known.") from error


class StyleFile(BaseModel):
    """A style as a file: its look-up tables with it, each as the text of its .cube, and its faces and
    pictures, in base 64."""

    cut_reel_style: int = _VERSION
    style: HouseStyle
    cubes: dict[str, str] = {}
    fonts: dict[str, Base64Bytes] = {}
    pictures: dict[str, Base64Bytes] = {}


class StyleChange(BaseModel):
    """A setting that a style has otherwise than a film: how it is, and how it would be."""

    setting: str
    now: Any
    then: Any


def style_of(film: FilmDocument, name: str) -> HouseStyle:
    """The style that a film has."""
    settings = film.settings.model_dump(mode="json")
    used = {film.settings.grade.lut, *(s.own.grade.lut for s in film.shots if s.own.grade)}
    known = {look.name for look in LOOKS}
    return HouseStyle(
        name=name,
        settings={k: settings[k] for k in KEPT},
        looks=[
            look
            for look in film.looks
            if look.name == film.settings.look and look.name not in known
        ],
        tables=[t for t in film.tables if t.media in used],
        faces=[f for f in film.faces if f.media in _faces_of(film.settings)],
        pictures=[p for p in film.own_pictures if p.media == film.settings.maker_picture],
        lexicon=list(film.lexicon),
    )


def _faces_of(settings: Settings) -> set[str]:
    """The faces that a film's words are set in."""
    titles = settings.title_style
    return {settings.caption_style.face, *([titles.face] if titles else [])}


def changes_of(style: HouseStyle, film: FilmDocument) -> list[StyleChange]:
    """What a style would change in a film."""
    now = film.settings.model_dump(mode="json")
    then = style.applied_to(film.settings).model_dump(mode="json")
    return [
        StyleChange(setting=k, now=now[k], then=then[k])
        for k in KEPT
        if k in style.settings and now[k] != then[k]
    ]


def styled(
    film: FilmDocument, style: HouseStyle, only: Collection[str] | None = None
) -> FilmDocument:
    """A film in a style, or with `only` some of its settings."""
    settings = style.applied_to(film.settings, only)
    looks = {look.name: look for look in film.looks} | {look.name: look for look in style.looks}
    tables = {t.media: t for t in (*style.tables, *film.tables)}
    faces = {f.media: f for f in (*style.faces, *film.faces)}
    pictures = {p.media: p for p in (*style.pictures, *film.own_pictures)}
    said = {s.word.lower() for s in film.lexicon}
    added = [s for s in style.lexicon if s.word.lower() not in said] if only is None else []
    return film.model_copy(
        update={
            "settings": settings,
            "looks": list(looks.values()),
            "tables": list(tables.values())[:MOST_TABLES],
            "faces": list(faces.values())[:MOST_FACES],
            "own_pictures": list(pictures.values())[:MOST_PICTURES],
            "lexicon": [*film.lexicon, *added],
        }
    )


def without_pictures(style: HouseStyle) -> HouseStyle:
    """A style that can leave its machine: looks keep their words and measures, not the pictures they were made from."""
    looks = [look.model_copy(update={"references": []}) for look in style.looks]
    return style.model_copy(update={"looks": looks})
