"""How words on the screen look; each look of a film has one that belongs to it."""

from collections.abc import Mapping
from typing import Literal

from pydantic import BaseModel, ConfigDict, Field

from cutreel.core.captions import Face

_COLOUR = r"^#[0-9a-f]{6}$"


class TitleLook(BaseModel):
    """The face, its colour, whether in capitals, how far letters stand apart (in sizes); the sheet that words are on
    (None: none, then they throw a shadow); how they come: as they are (fade), from below (rise), or letter by
    letter."""

    model_config = ConfigDict(frozen=True)
    face: Face = "book"
    colour: str = Field("#fbf6e9", pattern=_COLOUR)
    capitals: bool = False
    apart: float = Field(0, ge=0, le=1)
    sheet: str | None = Field(None, pattern=_COLOUR)
    size: float = Field(1, ge=0.4, le=2.5)
    comes: Literal["fade", "rise", "letters"] = "fade"


TITLE_LOOKS: Mapping[str, TitleLook] = {
    "book": TitleLook(),
    "paper label": TitleLook(colour="#272320", sheet="#fbf6e9", comes="rise"),
    "slate": TitleLook(colour="#f2efe6", comes="letters"),
    "capitals": TitleLook(face="plain", capitals=True, apart=0.22, size=0.8),
    "poster": TitleLook(
        face="plain", capitals=True, colour="#272320", sheet="#e8b93a", comes="rise"
    ),
    "night": TitleLook(colour="#ffd98a", apart=0.06),
}
"""Looks of words, by name."""
_BY_MEDIUM = (
    ("paper", "paper label"), ("chalk", "slate"), ("print", "poster"), ("shadow", "night"), ("silhouette", "night"),
    ("stick", "capitals"), ("clay", "capitals"),
)  # fmt: skip


def look_for(medium: str) -> str:
    """The look of words that belongs to a medium, by name."""
    return next((name for word, name in _BY_MEDIUM if word in medium.lower()), "book")
