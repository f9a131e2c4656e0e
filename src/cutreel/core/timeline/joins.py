"""What stands between two shots: a cut, or some frames in which the one goes over into the other."""

from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

JoinKind = Literal[
    "cut", "dissolve", "dip", "wipe", "pattern", "slide", "push", "page", "through", "whip", "flood"
]
JOIN_KINDS: tuple[JoinKind, ...] = get_args(JoinKind)
Pattern = Literal[
    "torn paper",
    "brush",
    "iris",
    "clouds",
    "blinds",
    "curtain",
    "drops",
    "rays",
    "diagonal",
    "scribble",
    "leaves",
    "figure",
]
PATTERNS: tuple[Pattern, ...] = get_args(Pattern)
Way = Literal["left", "right", "up", "down"]
WAYS: tuple[Way, ...] = get_args(Way)
Ease = Literal["even", "gentle", "sudden"]
EASES: tuple[Ease, ...] = get_args(Ease)
LONGEST_JOIN = 4.0
"""Seconds."""


class JoinHow(BaseModel):
    """How one shot goes over into the next: in which `kind` of join, in so many `seconds` (a cut has none), how it
    sets in and ends (`ease`). A dip goes through a `colour`; a wipe, a slide, a push, a page and a whip go one `way`;
    a pattern has a name. `sound` is by how many seconds what is said leads the picture (negative: the picture
    leads)."""

    model_config = ConfigDict(frozen=True)
    kind: JoinKind = "dissolve"
    seconds: float = Field(0.5, ge=0, le=LONGEST_JOIN)
    ease: Ease = "even"
    colour: str = Field("#000000", pattern=r"^#[0-9a-f]{6}$")
    way: Way = "left"
    pattern: Pattern = "torn paper"
    sound: float = Field(0, ge=-2, le=2)


def eased(share: float, ease: Ease) -> float:
    """How far a join is when `share` (0 … 1) of its time is over: even, setting in and ending gently (smoothstep), or
    all at once in the middle."""
    if ease == "gentle":
        return share * share * (3 - 2 * share)
    if ease == "sudden":
        return 4 * share**3 if share < 0.5 else 1 - 4 * (1 - share) ** 3
    return share
