"""What an inset is."""

from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

Border = Literal["print", "paper", "line", "round", "none"]
BORDERS: tuple[Border, ...] = get_args(Border)
"""A white print, a scrap of paper, an ink line, a round window; none for what is cut out."""
Comes = Literal["cut", "fade", "rise", "drop", "from left", "from right", "grow"]
COMES: tuple[Comes, ...] = get_args(Comes)
MOST_INSETS = 6
"""On a shot."""
MEDIA = r"^[0-9a-f]{64}\.(png|jpg)$"
Place = tuple[float, float]


class LaidPicture(BaseModel):
    """A picture that the maker brought to be laid over others, or to be the film's mark: what it is called, its media
    file, its size in pixels."""

    name: str = Field(min_length=1, max_length=120)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    width: int = Field(ge=1, le=20_000)
    height: int = Field(ge=1, le=20_000)


class Inset(BaseModel):
    """A picture (`media`; `shape` is its width over its height) with its middle at a place of the frame (shares of it
    from the left and the top), `size` times as high as the frame, `turn`ed to the right by degrees.

    It is there from `begin` seconds after the shot's first word on, for so many `seconds` (None: to the shot's end),
    `comes` in some way, and goes `to` another place in its time, or comes `nearer` or goes away by a share of its size.
    It keeps to the frame, or to the picture as the camera moves over it.
    """

    model_config = ConfigDict(frozen=True)
    media: str = Field(pattern=MEDIA)
    name: str = Field("", max_length=120)
    shape: float = Field(1.0, gt=0.02, lt=50)
    x: float = Field(0.5, ge=-0.5, le=1.5)
    y: float = Field(0.42, ge=-0.5, le=1.5)
    size: float = Field(0.5, ge=0.05, le=1.5)
    turn: float = Field(0, ge=-45, le=45)
    border: Border = "print"
    comes: Comes = "fade"
    begin: float = Field(0.3, ge=-2, le=600)
    seconds: float | None = Field(None, ge=0.3, le=600)
    to: tuple[float, float] | None = None
    nearer: float = Field(0, ge=-0.4, le=0.4)
    keeps: Literal["frame", "picture"] = "frame"

    @property
    def seen_shape(self) -> float:
        """Its width over its height as it is seen: of one in a round window the middle."""
        return 1.0 if self.border == "round" else self.shape
