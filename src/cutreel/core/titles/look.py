"""How words on the screen look; each look of a film has one that belongs to it."""

from collections.abc import Mapping
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from cutreel.core.lettering import Face

Comes = Literal["fade", "rise", "letters", "said", "drawn"]
"""As they are, from below, letter by letter, word by word with the voice, drawn as a hand would."""
Goes = Literal["fade", "rise", "cut"]
"""As they are, upward, at once."""
COMES: tuple[Comes, ...] = get_args(Comes)
GOES: tuple[Goes, ...] = get_args(Goes)
_COLOUR = r"^#[0-9a-f]{6}$"


class TitleLook(BaseModel):
    """The face, its colour, whether in capitals, how far letters stand apart (in sizes); the sheet that words are on;
    an edge around letters, a glow behind them (None: none of it), whether they throw a shadow where they are on no
    sheet; how they come and go."""

    model_config = ConfigDict(frozen=True)
    face: Face = "book"
    colour: str = Field("#fbf6e9", pattern=_COLOUR)
    capitals: bool = False
    apart: float = Field(0, ge=0, le=1)
    sheet: str | None = Field(None, pattern=_COLOUR)
    edge: str | None = Field(None, pattern=_COLOUR)
    glow: str | None = Field(None, pattern=_COLOUR)
    shadow: bool = True
    size: float = Field(1, ge=0.4, le=2.5)
    comes: Comes = "fade"
    goes: Goes = "fade"

    def on_sheet(self) -> "TitleLook":
        """The same on a sheet: a dark one for light letters, a light one for dark ones."""
        if self.sheet:
            return self
        light = sum(int(self.colour[i : i + 2], 16) for i in (1, 3, 5)) > 3 * 128
        return self.model_copy(update={"sheet": "#17130f" if light else "#fbf6e9", "glow": None})


TITLE_LOOKS: Mapping[str, TitleLook] = {
    "book": TitleLook(),
    "paper label": TitleLook(colour="#272320", sheet="#fbf6e9", comes="rise"),
    "slate": TitleLook(colour="#f2efe6", comes="letters"),
    "capitals": TitleLook(face="plain", capitals=True, apart=0.22, size=0.8),
    "poster": TitleLook(
        face="plain", capitals=True, colour="#272320", sheet="#e8b93a", comes="rise"
    ),
    "night": TitleLook(colour="#ffd98a", apart=0.06, glow="#7a4a12"),
    "by hand": TitleLook(face="hand", size=1.25, comes="drawn"),
    "telegram": TitleLook(
        face="typed", colour="#2b2622", sheet="#efe4c8", size=0.85, comes="letters", goes="cut"
    ),
    "tall": TitleLook(face="tall", capitals=True, size=1.1, comes="rise", goes="rise"),
    "old print": TitleLook(face="old", colour="#f4ead2", size=1.1, edge="#3a2c20"),
    "outline": TitleLook(
        face="tall", capitals=True, colour="#ffd23f", edge="#16120f", shadow=False, goes="cut"
    ),
    "word by word": TitleLook(face="plain", size=1.1, comes="said"),
}
"""Looks of words, by name."""
_BY_MEDIUM = (
    ("paper", "paper label"), ("chalk", "slate"), ("print", "poster"), ("shadow", "night"), ("silhouette", "night"),
    ("stick", "capitals"), ("clay", "capitals"),
)  # fmt: skip


def look_for(medium: str) -> str:
    """The look of words that belongs to a medium, by name."""
    return next((name for word, name in _BY_MEDIUM if word in medium.lower()), "book")
