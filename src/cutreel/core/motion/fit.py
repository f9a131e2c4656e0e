"""A clip fitted to its shot: played slower or quicker, turned back and forth, held at its end, cut, or followed by
another angle.

Common practice: a clip whose length is near its line's is sped up or slowed to fit; between half and double that is
hardly seen in drawn pictures.
"""

from dataclasses import dataclass
from typing import Literal, get_args

FitHow = Literal["speed", "steps", "hold", "back and forth", "cut", "second angle"]
FITS: tuple[FitHow, ...] = get_args(FitHow)
SLOWEST, QUICKEST = 0.5, 2.0
NEAR = 0.02
"""A clip is as long as its shot where the two differ by less than this share."""
LEAST = 0.1
"""Seconds of a clip, and of its shot, that are left however far it is slid."""


@dataclass(frozen=True)
class Fit:
    """How a clip of `clip` seconds fills a shot of `shot` seconds, at how many times its own speed; so many of its
    seconds are past when it begins (`slid`; below 0: it begins later by as many)."""

    how: FitHow
    speed: float
    clip: float
    shot: float
    slid: float = 0.0

    @property
    def why(self) -> str:
        """One sentence of it."""
        lengths = f"{self.clip:.1f} s for {self.shot:.1f} s"
        if self.slid > 0:
            lengths = f"{lengths}, from its second {self.slid:.1f} on"
        elif self.slid < 0:
            lengths = f"{lengths}, {-self.slid:.1f} s later"
        if self.how in ("speed", "steps"):
            if self.speed == 1:
                return f"as it is, {lengths}"
            more = "in-betweens are computed" if self.how == "speed" else "its frames stand longer"
            slower = f", {more}" if self.speed < 1 else ""
            return f"{lengths}: plays at {self.speed:.2f}{slower}"
        left, room = self.clip - max(0.0, self.slid), self.shot + min(0.0, self.slid)
        if self.how == "cut":
            return f"{lengths}: its end is cut off"
        if left > room - NEAR:
            return f"{lengths}: it fills the shot"
        if self.how == "second angle":
            return f"{lengths}: then another angle"
        if self.how == "hold":
            return f"{lengths}: its last frame is held"
        return f"{lengths}: it goes back and forth"

    def at(self, seconds: float) -> float:
        """Which second of the clip is seen at a second of the shot. Before it begins it stands at the frame that it
        begins with, behind its end at its last."""
        first = max(0.0, self.slid)
        t = max(0.0, seconds + min(0.0, self.slid)) * self.speed
        long = self.clip - first
        if self.how == "back and forth" and long > 0:
            turn = t % (2 * long)
            return first + (turn if turn <= long else 2 * long - turn)
        return min(first + t, self.clip)


def fit_clip(
    clip: float, shot: float, how: FitHow | None = None, slid: float = 0.0, another: bool = False
) -> Fit:
    """How a clip fills a shot: as the maker wants (`how`), else by its speed where that is not seen; one that is far
    too long is cut, one that is far too short is followed by `another` clip of the shot where there is one, else held
    at its end. What counts is what is left of both where the clip
    was `slid` within its shot. Lengths in seconds, both more than 0."""
    slid = min(clip - LEAST, max(LEAST - shot, slid)) if slid else 0.0
    left, room = clip - max(0.0, slid), shot + min(0.0, slid)
    ratio = left / room
    if how is None:
        short: FitHow = "second angle" if another else "hold"
        how = "speed" if SLOWEST <= ratio <= QUICKEST else "cut" if ratio > 1 else short
    if how in ("speed", "steps"):
        speed = 1.0 if abs(ratio - 1) < NEAR else min(QUICKEST, max(SLOWEST, ratio))
        return Fit(how, round(speed, 4), clip, shot, slid)
    return Fit(how, 1.0, clip, shot, slid)
