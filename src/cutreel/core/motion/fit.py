"""A clip fitted to its shot: played slower or quicker, turned back and forth, held at its end, or cut.

Common practice: a clip whose length is near its line's is sped up or slowed to fit; between half and double that is
hardly seen in drawn pictures.
"""

from dataclasses import dataclass
from typing import Literal, get_args

FitHow = Literal["speed", "hold", "back and forth", "cut"]
FITS: tuple[FitHow, ...] = get_args(FitHow)
SLOWEST, QUICKEST = 0.5, 2.0
NEAR = 0.02
"""A clip is as long as its shot where the two differ by less than this share."""


@dataclass(frozen=True)
class Fit:
    """How a clip of `clip` seconds fills a shot of `shot` seconds, at how many times its own speed."""

    how: FitHow
    speed: float
    clip: float
    shot: float

    @property
    def why(self) -> str:
        """One sentence of it."""
        lengths = f"{self.clip:.1f} s for {self.shot:.1f} s"
        if self.how == "speed":
            return (
                f"as it is, {lengths}"
                if self.speed == 1
                else f"{lengths}: plays at {self.speed:.2f}"
            )
        if self.how == "cut":
            return f"{lengths}: its end is cut off"
        if self.how == "hold":
            return f"{lengths}: its last frame is held"
        return f"{lengths}: it goes back and forth"

    def at(self, seconds: float) -> float:
        """Which second of the clip is seen at a second of the shot. Before the shot's words it stands at its first
        frame, behind its end at its last."""
        t = max(0.0, seconds) * self.speed
        if self.how == "back and forth" and self.clip > 0:
            turn = t % (2 * self.clip)
            return turn if turn <= self.clip else 2 * self.clip - turn
        return min(t, self.clip)


def fit_clip(clip: float, shot: float, how: FitHow | None = None) -> Fit:
    """How a clip fills a shot: as the maker wants (`how`), else by its speed where that is not seen; one that is far
    too long is cut, one that is far too short is held at its end. Lengths in seconds, both more than 0."""
    ratio = clip / shot
    if how is None:
        how = "speed" if SLOWEST <= ratio <= QUICKEST else "cut" if ratio > 1 else "hold"
    if how == "speed":
        speed = 1.0 if abs(ratio - 1) < NEAR else min(QUICKEST, max(SLOWEST, ratio))
        return Fit(how, round(speed, 4), clip, shot)
    return Fit(how, 1.0, clip, shot)
