"""Air: what drifts through a picture. Every grain's place at any moment follows from the seed alone, so that a frame
can be drawn by itself.

Places are shares of the frame (0 … 1, y running down); speeds are shares of the frame's height a second; sizes are
shares of its height. A grain lives between far (0) and near (1): what is near is larger, quicker and fewer.
"""

from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel

AirKind = Literal[
    "rain", "snow", "mist", "dust", "embers", "leaves", "petals", "birds", "stars", "fireflies", "smoke"
]  # fmt: skip
AIR_KINDS: tuple[AirKind, ...] = get_args(AirKind)
Amount = Literal["low", "middle", "high"]
AMOUNTS: dict[str, float] = {"low": 0.45, "middle": 1.0, "high": 2.0}
Form = Literal["dot", "streak", "puff", "leaf", "wing"]


class Air(BaseModel):
    """Air of a kind in a shot; `wind` blows to the right in frame heights a second."""

    kind: AirKind
    amount: Amount = "middle"
    wind: float = 0.0
    seed: int = 0


@dataclass(frozen=True)
class Grains:
    """How grains of a kind look and move: how many there are at a middle amount; least and largest radius; how fast the
    far and the near ones fall; how far (`sways`) and how often a second (`swings`) they go to and fro; how dense they
    are at most; their colour (R, G, B); between which heights of the frame they are; how often a second they
    `flicker`; how far the wind carries them, and how fast they drift without any. What is `behind` stands behind the
    figures and moves with the picture."""

    form: Form
    count: int
    size: tuple[float, float]
    falls: tuple[float, float]
    sways: float = 0.0
    swings: float = 0.0
    density: float = 0.8
    colour: tuple[int, int, int] = (255, 255, 255)
    between: tuple[float, float] = (-0.1, 1.1)
    flickers: float = 0.0
    carried: float = 1.0
    drifts: float = 0.0
    behind: bool = False


KINDS: dict[str, Grains] = {
    "rain": Grains(
        "streak", 300, (0.0022, 0.0042), (1.3, 2.2), density=0.5, colour=(222, 232, 240), carried=0.8
    ),
    "snow": Grains("dot", 190, (0.0022, 0.0068), (0.06, 0.2), 0.016, 0.22, 0.86, (250, 252, 255)),
    "mist": Grains(
        "puff", 9, (0.22, 0.42), (0.0, 0.0), 0.03, 0.05, 0.42, (232, 236, 240), (0.4, 1.0), drifts=0.018
    ),
    "smoke": Grains(
        "puff", 8, (0.08, 0.2), (-0.05, -0.02), 0.03, 0.1, 0.34, (120, 116, 118), (0.0, 0.9), drifts=0.008
    ),
    "dust": Grains(
        "dot", 60, (0.0014, 0.0034), (-0.008, 0.012), 0.02, 0.09, 0.5, (255, 240, 208), (0.05, 0.95), 0.25
    ),
    "embers": Grains(
        "dot", 34, (0.0018, 0.0046), (-0.22, -0.09), 0.03, 0.4, 0.95, (255, 158, 70), (-0.1, 1.05), 2.2
    ),
    "leaves": Grains("leaf", 16, (0.009, 0.018), (0.06, 0.16), 0.05, 0.32, 0.95, (190, 112, 46)),
    "petals": Grains("leaf", 20, (0.006, 0.012), (0.04, 0.1), 0.04, 0.26, 0.9, (250, 206, 214)),
    "birds": Grains(
        "wing", 5, (0.008, 0.016), (0.0, 0.0), 0.01, 0.14, 0.72, (38, 36, 44), (0.08, 0.3),
        carried=0.2, drifts=0.06, behind=True,
    ),
    "stars": Grains(
        "dot", 40, (0.0018, 0.0034), (0.0, 0.0), density=0.9, colour=(255, 250, 230),
        between=(0.01, 0.34), flickers=0.55, carried=0.0, behind=True,
    ),
    "fireflies": Grains(
        "dot", 16, (0.003, 0.0052), (-0.01, 0.01), 0.05, 0.13, 0.95, (232, 244, 128), (0.4, 0.95), 0.4, 0.1
    ),
}  # fmt: skip


@dataclass(frozen=True)
class Drawn:
    """Grains at a moment, as arrays of one length: centres in shares of the frame, radius (shares of its height), how
    dense (0 … 1), how they are turned (radians), and how far open a wing or leaf is (-1 … 1)."""

    x: NDArray[np.float32]
    y: NDArray[np.float32]
    radius: NDArray[np.float32]
    density: NDArray[np.float32]
    turned: NDArray[np.float32]
    open: NDArray[np.float32]


def grains_at(air: Air, seconds: float, aspect: float) -> Drawn:
    """Where every grain is at a moment, in a frame `aspect` times as wide as high."""
    grains = KINDS[air.kind]
    count = max(1, round(grains.count * AMOUNTS[air.amount] * min(1.6, max(0.6, aspect))))
    rng = np.random.default_rng([air.seed, AIR_KINDS.index(air.kind)])
    near = rng.random(count) ** 1.6
    start_x, start_y, phase, own, spin = rng.random((5, count))
    low, high = grains.falls
    falls = low + (high - low) * (0.35 * own + 0.65 * near)
    blown = air.wind * grains.carried * (0.4 + 0.6 * near) + grains.drifts * (0.5 + own)
    top, bottom = grains.between
    tall = bottom - top
    swing = np.sin(2 * np.pi * (grains.swings * (0.7 + 0.6 * own) * seconds + phase))
    # Who leaves at one side comes in at the other, a little outside, so that nobody is seen to.
    margin = 0.12 + grains.size[1]
    y = (
        (start_y * tall + falls * seconds) % tall + top
        if abs(high) + abs(low) > 0
        else start_y * tall + top
    )
    span = 1 + 2 * margin
    x = (start_x * span + blown * seconds / aspect) % span - margin
    x = x + grains.sways * swing / aspect
    flicker = np.ones(count)
    if grains.flickers:
        flicker = 0.5 + 0.5 * np.sin(
            2 * np.pi * (grains.flickers * (0.6 + 0.8 * own) * seconds + phase)
        )
        flicker = flicker**2 if air.kind == "fireflies" else 0.35 + 0.65 * flicker
    size = grains.size[0] + (grains.size[1] - grains.size[0]) * near
    turned = (
        np.arctan2(np.full(count, 1.0), blown / np.maximum(0.05, np.abs(falls)))
        if grains.form == "streak"
        else 2 * np.pi * spin + swing * 1.1
    )
    opened = np.sin(2 * np.pi * ((2.4 + own) * seconds + phase)) if grains.form == "wing" else swing
    arrays = (x, y, size, grains.density * flicker * (0.55 + 0.45 * near), turned, opened)
    return Drawn(*(a.astype(np.float32) for a in arrays))
