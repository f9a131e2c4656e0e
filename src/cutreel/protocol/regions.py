"""What a service tells of the figures in a picture it made, and of the place around them. Where something lies is told
in shares of the frame, 0 … 1 inside it."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from .skeleton import Joint

Share = Annotated[float, Field(ge=-4, le=5)]
Inside = Annotated[float, Field(ge=0, le=1)]


class PaintedPart(BaseModel):
    """A part as painted: `order` says when, so that later parts cover earlier ones. An empty `slot` only covers. `grey`
    (0 … 255) is the true value of a neutral part, by which the light of the picture is told."""

    order: int = Field(ge=0)
    slot: str = ""
    word: str = Field("", max_length=40)
    grey: int | None = Field(None, ge=0, le=255)
    outline: list[tuple[Share, Share]] = Field(min_length=3, max_length=64)


class FigurePart(PaintedPart):
    """A part of a figure."""

    slot: Literal["", "hair", "skin", "hat", "neck", "top", "front", "legs", "feet", "body"] = ""


class PlacePart(PaintedPart):
    """A part of the place, which lies behind every figure; its order is among the place's own parts."""

    slot: Literal["", "walls", "curtains"] = ""


class FigureRegion(BaseModel):
    """A figure: by which name the prompt called it, its box (left, top, right, bottom), its whole
    height as a share of the frame's (more than its box where the frame cuts it off), which way it
    faces, its parts, where its joints are, and whether it looks right (1) or left (-1)."""

    name: str = Field(max_length=80)
    box: tuple[Inside, Inside, Inside, Inside]
    height: float | None = Field(None, ge=0, le=20)
    facing: Literal["", "front", "three-quarter", "side", "back"] = ""
    parts: list[FigurePart] = Field([], max_length=120)
    joints: dict[Joint, tuple[Share, Share]] = Field({}, max_length=16)
    way: Literal[1, -1] = 1
