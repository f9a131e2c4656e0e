"""What a service tells of the figures in a picture it made. All places are shares of the frame, 0 …
1 inside it."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from .skeleton import Joint

Share = Annotated[float, Field(ge=-4, le=5)]
Inside = Annotated[float, Field(ge=0, le=1)]


class FigurePart(BaseModel):
    """A part of a figure: `order` says when it was painted, so that later parts cover earlier ones.
    An empty `slot` only covers. `grey` (0 … 255) is the true value of a neutral part, by which the
    light of the picture is told."""

    order: int = Field(ge=0)
    slot: Literal["", "hair", "skin", "hat", "neck", "top", "front", "legs", "feet", "body"] = ""
    word: str = Field("", max_length=40)
    grey: int | None = Field(None, ge=0, le=255)
    outline: list[tuple[Share, Share]] = Field(min_length=3, max_length=64)


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
