"""What a mark is."""

from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

MarkKind = Literal["arrow", "ring", "underline", "cross", "tick", "blur"]
MARK_KINDS: tuple[MarkKind, ...] = get_args(MarkKind)
MOST_MARKS = 8
"""On a shot."""


class Mark(BaseModel):
    """A mark on a place of a picture (shares of it from the left and the top; an arrow's tip), `size` times as large as
    the frame is high, begun so many seconds after the shot's first word. An arrow comes from where it is `turn`ed to,
    in degrees: 0 from the right, 90 from below. What a blur lies on cannot be made out."""

    model_config = ConfigDict(frozen=True)
    kind: MarkKind
    x: float = Field(0.5, ge=0, le=1)
    y: float = Field(0.5, ge=0, le=1)
    size: float = Field(0.24, ge=0.04, le=1)
    colour: str = Field("#d1432f", pattern=r"^#[0-9a-f]{6}$")
    turn: float = Field(-40, ge=-180, le=180)
    begin: float = Field(0.4, ge=-2, le=600)
