"""How captions look: their face, size, colours and place, and how the word that is said is marked."""

from collections.abc import Mapping
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from cutreel.core.lettering import Face

CaptionPlace = Literal["low", "middle", "high"]
SaidMark = Literal["none", "colour", "box", "so far"]
CAPTION_PLACES: tuple[CaptionPlace, ...] = get_args(CaptionPlace)
CAPTION_ROWS: Mapping[CaptionPlace, tuple[float, float]] = {
    "low": (0.78, 0.95),
    "middle": (0.4, 0.6),
    "high": (0.05, 0.22),
}
"""From and down to where two lines are, in shares of the frame."""
SAID_MARKS: tuple[SaidMark, ...] = get_args(SaidMark)
_COLOUR = r"^#[0-9a-f]{6}$"


class CaptionStyle(BaseModel):
    """`size` is how many times the usual one; `edge` the colour around letters (None: none), `shadow` whether they
    throw one; `box` the colour of what they stand on (None: nothing), covering by `cover` (0 … 1). The word that is
    said is marked (`said`) by its colour, by a box behind it, or with all before it (so far), in `said_colour`."""

    model_config = ConfigDict(frozen=True)
    face: Face = "plain"
    size: float = Field(1.0, ge=0.5, le=2.0)
    colour: str = Field("#fcf9f0", pattern=_COLOUR)
    edge: str | None = Field("#181311", pattern=_COLOUR)
    shadow: bool = False
    box: str | None = Field(None, pattern=_COLOUR)
    cover: float = Field(0.8, ge=0, le=1)
    capitals: bool = False
    place: CaptionPlace = "low"
    said: SaidMark = "none"
    said_colour: str = Field("#ffd23f", pattern=_COLOUR)


PLAIN = CaptionStyle()
READY: Mapping[str, CaptionStyle] = {
    "plain": PLAIN,
    "lantern": CaptionStyle(colour="#ffd23f", size=1.1),
    "spoken": CaptionStyle(said="colour", size=1.1),
    "marker": CaptionStyle(said="box", said_colour="#b8331f", size=1.15, edge=None, shadow=True),
    "paper strip": CaptionStyle(
        face="book", colour="#272320", edge=None, box="#fbf6e9", cover=0.95
    ),
    "dark band": CaptionStyle(edge=None, box="#14110f", cover=0.66),
    "book": CaptionStyle(face="book", edge=None, shadow=True, size=1.05),
    "loud": CaptionStyle(capitals=True, size=1.4, said="so far", said_colour="#7fd1ae"),
}
"""Styles that come with Cut Reel, by name."""
