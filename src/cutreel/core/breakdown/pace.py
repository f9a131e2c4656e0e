"""What a film wants of its cut: how long a shot should last at each moment of the film.

An opening is cut fastest and eases to the film's own pace (common practice: about one picture a
second at first, then one every two seconds, about ten seconds once the story holds its viewer). How
fast and how long depends on the kind of film; a scene may have a pace of its own; a reference may
give the whole course.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from math import exp, log
from typing import Literal

By = Literal["pace", "every", "sentence", "exactly"]
FilmKind = Literal["story", "documentary", "comic", "sleep"]
SHORTEST = 0.9
"""Seconds below which no shot is wanted."""


@dataclass(frozen=True, slots=True)
class KindPace:
    """How films of a kind are cut: seconds a shot, and an opening of `opening` s that starts at
    `first` s a shot."""

    seconds: float
    opening: float
    first: float


KINDS: dict[FilmKind, KindPace] = {
    "story": KindPace(6.0, 14.0, 2.4),
    "documentary": KindPace(10.0, 30.0, 1.2),
    "comic": KindPace(3.0, 6.0, 1.2),
    "sleep": KindPace(138.0, 0.0, 138.0),
}
"""Documentary and opening: product.md's facts of the trade. Sleep: 10 pictures over 23 minutes.
Others: our choice."""


@dataclass(frozen=True, slots=True)
class Wish:
    """How a film wants to be cut: by pace (about `seconds` a shot), a picture every `seconds`, one
    per sentence, or exactly `count` shots.

    By pace the first `opening` seconds are quicker: they start at `first` seconds a shot (0: four
    tenths of `seconds`). `scenes` gives scenes, by index, a pace of their own; `course` gives shot
    lengths for equal parts of the film.
    """

    by: By = "pace"
    seconds: float = 6.0
    count: int = 0
    opening: float = 14.0
    first: float = 0.0
    scenes: Mapping[int, float] = field(default_factory=dict)
    course: tuple[float, ...] = ()

    def wanted(self, at: float, scene: int = -1, share: float = 0.0) -> float:
        """Wanted length in seconds of a shot that starts `at` seconds, or `share` (0 … 1) of the
        way, into the film."""
        if self.by == "every":
            return self.seconds
        own = self.scenes.get(scene, self._along(share) if self.course else self.seconds)
        if self.by != "pace" or self.opening <= 0 or at >= self.opening or self.course:
            return max(SHORTEST, own)
        first = min(own, self.first or 0.4 * own)
        # Lengths are felt as ratios, so they ease along their logarithm.
        return max(
            SHORTEST, exp(log(first) + (log(own) - log(first)) * max(0.0, at) / self.opening)
        )

    def _along(self, share: float) -> float:
        """The course at a share of the film, straight between the middles of its parts."""
        n = len(self.course)
        at = min(n - 1.0, max(0.0, share * n - 0.5))
        low = int(at)
        high = min(n - 1, low + 1)
        return self.course[low] + (self.course[high] - self.course[low]) * (at - low)


def wish_for(kind: FilmKind, seconds: float = 0.0) -> Wish:
    """The usual wish of a kind of film, at `seconds` a shot or (0) at the kind's own pace."""
    pace = KINDS[kind]
    own = seconds or pace.seconds
    return Wish(seconds=own, opening=pace.opening, first=min(own, pace.first))
