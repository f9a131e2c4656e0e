"""Parts of a picture that move by themselves, each in its own way, sampled for a moment alone.

What is *loose* is cut out and goes about as a whole; what it uncovers is filled from behind. What is *bent* stays where
it is: its pixels are taken from a little beside, less and less toward its edge, so that nothing outside moves.

Places are pixels of the picture, y running down; angles are degrees with the clock, 0 to the right.
"""

import math
from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, Field

from cutreel.protocol import Mouth

from .air import Amount
from .bones import Matrix, turned_about
from .flow import brighter

Way = Literal[
    "drift", "bob", "swing", "turn", "stand nearer", "sway", "flow", "ripple", "flicker", "breathe", "speak"
]  # fmt: skip
WAYS: tuple[Way, ...] = get_args(Way)
LOOSE: frozenset[Way] = frozenset(("drift", "bob", "swing", "turn", "stand nearer"))
"""Ways of what is cut out; all others are bent."""
Pace = Literal["slow", "middle", "quick"]
PACES: dict[Pace, float] = {"slow": 0.55, "middle": 1.0, "quick": 1.8}
BY_AMOUNT: dict[Amount, float] = {"low": 0.5, "middle": 1.0, "high": 1.9}
CELL, FINE = 16, 4
"""Pixels from one node of a field of bending to the next; finer about a mouth, which is small and opens sharply."""
HERTZ: dict[Way, float] = {
    "bob": 0.32, "swing": 0.36, "sway": 0.3, "ripple": 0.75, "flow": 1.1, "breathe": 0.27, "drift": 0.05,
    "turn": 0.09,
}  # fmt: skip
"""How often a second a way comes back to where it was, at a middle pace; breath as of somebody at rest."""
TOWARDS: dict[Way, float] = {"ripple": 90.0, "flow": 90.0}
"""Where to a way goes by itself: waves come toward us, water falls; all else goes to the right or to and fro."""
DRIFTS = 0.022
"""Picture heights a second that something drifts."""
BOBS, ROCKS = 0.045, 2.2
"""How far something bobs, in its own heights, and by how many degrees it rocks."""
SWINGS = 9.0
"""Degrees to either side."""
SWAYS = 0.07
"""How far the free end of what sways is moved, in its own lengths."""
RIPPLES, RIPPLE = 0.0055, 0.07
"""How high ripples are, and from crest to crest, in shares of the picture's height."""
FLOWS = 0.06
"""Picture heights a second that water flows."""
BREATHES = 0.035
"""By which share of its size a breast rises."""
NEARER = 1.2
"""The depth at which stands what is brought nearer, between far (0) and near (1)."""
JAW: dict[Mouth, tuple[float, float]] = {
    "rest": (0.0, 0.0), "pressed": (0.0, -0.04), "bitten": (0.08, 0.0), "parted": (0.22, 0.0), "spread": (0.3, 0.12),
    "open": (0.6, 0.0), "gape": (1.0, -0.02), "round": (0.62, -0.16), "pucker": (0.3, -0.24),
}  # fmt: skip
"""For each shape of a mouth how far the jaw is let down (0 … 1), and by which share the lips are broader."""
JAW_DROPS = 0.34
"""How far a jaw is let down at most, in heights of what was marked about the mouth."""
LIPS_TAKE = 2 / 24
"""Seconds in which a mouth goes from one shape to the next."""


class RegionMove(BaseModel):
    """How a part of a picture moves: in which way, where to, how far and how quickly; whether it `repeats`, so that the
    shot ends as it began; the place that it hangs from or stands on (`pin`, in shares of the picture)."""

    way: Way = "sway"
    towards: float | None = Field(None, ge=-360, le=360)
    amount: Amount = "middle"
    pace: Pace = "middle"
    repeats: bool = False
    pin: tuple[float, float] | None = None

    @property
    def loose(self) -> bool:
        return self.way in LOOSE


@dataclass(frozen=True)
class Extent:
    """Where a region lies in a picture `high` pixels high."""

    left: int
    top: int
    width: int
    height: int
    high: int

    @property
    def middle(self) -> tuple[float, float]:
        return self.left + self.width / 2, self.top + self.height / 2


@dataclass(frozen=True)
class Bend:
    """A field over a region, a node every `cell` pixels, shape (rows, columns) each: from how far beside pixels are
    taken (`x`, `y`), the same a second time (`other_x`, `other_y`) with the `share` that this has, and how bright they
    are (`gain`)."""

    x: NDArray[np.float32]
    y: NDArray[np.float32]
    other_x: NDArray[np.float32]
    other_y: NDArray[np.float32]
    share: float
    gain: NDArray[np.float32]
    cell: int = CELL


def turns_at(move: RegionMove, seconds: float, life: float) -> float:
    """How often the movement has come back to where it was. What repeats does so a whole number of times in its life,
    so that the last frame leads to the first."""
    hertz = HERTZ.get(move.way, 0.3) * PACES[move.pace]
    if move.repeats and life > 0:
        hertz = max(1, round(hertz * life)) / life
    return hertz * seconds


def loose_at(
    move: RegionMove, extent: Extent, pin: tuple[float, float], seconds: float, life: float
) -> Matrix:
    """Where something that is cut out is at a moment; `pin` in pixels."""
    much, turn = BY_AMOUNT[move.amount], turns_at(move, seconds, life)
    wave = math.sin(2 * math.pi * turn)
    if move.way == "drift":
        far = DRIFTS * extent.high * much
        # Seen from the middle of its life, it comes from one side and goes to the other.
        away = (
            far * life / 4 * wave if move.repeats else far * PACES[move.pace] * (seconds - life / 2)
        )
        x, y = _way(move)
        return (1.0, 0.0, 0.0, 1.0, x * away, y * away)
    if move.way == "bob":
        a, b, c, d, e, f = turned_about(
            extent.middle,
            ROCKS * much * math.sin(2 * math.pi * turn * 0.5 + 0.6)
            if not move.repeats
            else ROCKS * much * math.cos(2 * math.pi * turn),
        )
        return (a, b, c, d, e, f - BOBS * extent.height * much * wave)
    if move.way == "swing":
        return turned_about(pin, SWINGS * much * wave)
    if move.way == "turn":
        back = -1 if (move.towards or 0.0) % 360 == 180 else 1
        return turned_about(pin, back * 360.0 * turn * much)
    return (1.0, 0.0, 0.0, 1.0, 0.0, 0.0)


def bend_at(
    move: RegionMove,
    extent: Extent,
    pin: tuple[float, float],
    seconds: float,
    life: float,
    seed: int = 0,
    jaw: tuple[float, float] = (0.0, 0.0),
) -> Bend:
    """How a region is bent at a moment; `pin` in pixels, `jaw` as `jaw_at` tells it."""
    cell = FINE if move.way == "speak" else CELL
    rows, columns = extent.height // cell + 2, extent.width // cell + 2
    y, x = np.mgrid[0:rows, 0:columns].astype(np.float32) * cell
    px, py = pin[0] - extent.left, pin[1] - extent.top
    none, one = np.zeros_like(x), np.ones_like(x)
    much, turn = BY_AMOUNT[move.amount], turns_at(move, seconds, life)
    if move.way == "sway":
        far = np.hypot(x - px, y - py)
        long = max(1.0, float(far.max()))
        # The end comes after the root, as in grass and cloth.
        bent = SWAYS * much * long * (far / long) ** 1.7
        moved = (bent * np.sin(2 * np.pi * turn - 0.9 * far / long)).astype(np.float32)
        wx, wy = _way(move)
        return Bend(-moved * wx, -moved * wy, none, none, 0.0, one)
    if move.way == "ripple":
        wx, wy = _way(move)
        along = x * wx + y * wy
        high = RIPPLES * extent.high * much
        # Crests are not ruled lines: they run a little early and late across.
        across = (y * wx - x * wy) / (RIPPLE * extent.high)
        late = 0.11 * np.sin(1.7 * across) + 0.07 * np.sin(4.1 * across + 0.8)
        phase = 2 * np.pi * (along / (RIPPLE * extent.high) - turn + late)
        aside = (high * (0.7 * np.sin(phase) + 0.3 * np.sin(2 * phase + 1.3))).astype(np.float32)
        forth = (high * 0.5 * np.cos(phase)).astype(np.float32)
        return Bend(-aside * wy + forth * wx, aside * wx + forth * wy, none, none, 0.0, one)
    if move.way == "flow":
        return _flowing(move, turn, none, one, extent)
    if move.way == "breathe":
        grown = BREATHES * much * (0.5 - 0.5 * math.cos(2 * math.pi * turn))
        return Bend(
            -(x - px) * np.float32(grown), -(y - py) * np.float32(grown), none, none, 0.0, one
        )
    if move.way == "flicker":
        lit = 1 + brighter(seconds * PACES[move.pace], seed) * 3.2 * much
        return Bend(none, none, none, none, 0.0, one * np.float32(lit))
    if move.way == "speak":
        return _speaking(x - px, y - py, extent, jaw, none)
    return Bend(none, none, none, none, 0.0, one)


def _flowing(
    move: RegionMove,
    turn: float,
    none: NDArray[np.float32],
    one: NDArray[np.float32],
    extent: Extent,
) -> Bend:
    """Two pictures of the same water go by, each starting again while the other is seen, so that it flows on without
    end (flow maps, as common in real-time graphics)."""
    far = FLOWS * extent.high * BY_AMOUNT[move.amount] * PACES[move.pace]
    goes = far / (HERTZ["flow"] * PACES[move.pace])
    wx, wy = _way(move)
    first, second = turn % 1.0, (turn + 0.5) % 1.0
    one_way, other_way = (np.float32(-goes * (p - 0.5)) for p in (first, second))
    return Bend(
        none + one_way * np.float32(wx),
        none + one_way * np.float32(wy),
        none + other_way * np.float32(wx),
        none + other_way * np.float32(wy),
        abs(2 * first - 1),
        one,
    )


def _speaking(
    x: NDArray[np.float32],
    y: NDArray[np.float32],
    extent: Extent,
    jaw: tuple[float, float],
    none: NDArray[np.float32],
) -> Bend:
    """The lower lip and the jaw go down from the line of the lips, where it grows dark; lips grow broader or purse."""
    opened, broad = jaw
    u, v = x / (extent.width / 2), y / (extent.height / 2)
    across = np.clip(1 - (u / 0.62) ** 2, 0, 1)
    drop = (opened * JAW_DROPS * extent.height * across).astype(np.float32)
    # What is below the lips is taken from higher up, but never from above their line.
    down = np.where(y > 0, -np.minimum(drop, y), 0).astype(np.float32)
    inside = np.clip(drop - np.maximum(y, 0) + FINE / 2, 0, FINE) / FINE * (y > -FINE) * (drop > 1)
    aside = (-x * broad * np.clip(1 - np.abs(v), 0, 1)).astype(np.float32)
    return Bend(aside, down, none, none, 0.0, (1 - 0.78 * inside).astype(np.float32), FINE)


def jaw_at(mouth: list[tuple[float, Mouth]], seconds: float) -> tuple[float, float]:
    """How far a jaw is let down, and how broad lips are, at a moment of some shapes (seconds, shape), each until the
    next. A mouth takes its time from one to the next."""
    before, now, since = "rest", "rest", -1e9
    for at, shape in mouth:
        if at > seconds:
            break
        before, now, since = now, shape, at
    share = min(1.0, (seconds - since) / LIPS_TAKE)
    (a, b), (c, d) = JAW[before], JAW[now]  # type: ignore[index]
    return a + (c - a) * share, b + (d - b) * share


def pin_of(move: RegionMove, extent: Extent, wide: int) -> tuple[float, float]:
    """The pin in pixels. By itself it is where such a thing is held: hung from above, rooted below, else its middle."""
    if move.pin is not None:
        return move.pin[0] * wide, move.pin[1] * extent.high
    x, y = extent.middle
    if move.way == "swing":
        return x, float(extent.top)
    return (x, float(extent.top + extent.height)) if move.way == "sway" else (x, y)


def _way(move: RegionMove) -> tuple[float, float]:
    angle = math.radians(TOWARDS.get(move.way, 0.0) if move.towards is None else move.towards)
    return math.cos(angle), math.sin(angle)
