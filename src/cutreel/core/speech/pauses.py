"""Dead air: pauses within a line that are longer than wanted are shortened, by what stands before them.

Only silence between two words goes, from its middle; what is left lies half behind the one and half before the other,
so that nothing of a word is ever cut.
"""

from collections.abc import Sequence
from typing import NamedTuple

Times = Sequence[tuple[float, float]]
"""When each word is said: start and end in seconds of the line."""
LEAST = 0.08
"""Seconds of a pause that are always left: half of it is what a last consonant needs to die away."""


class Longest(NamedTuple):
    """The longest pauses in seconds: behind a comma or within a sentence, and behind its end (None: as spoken)."""

    comma: float | None = None
    stop: float | None = None

    @property
    def any(self) -> bool:
        return self.comma is not None or self.stop is not None


def cuts_in(words: Sequence[str], times: Times, longest: Longest) -> list[tuple[float, float]]:
    """The stretches of a line that go, in order."""
    out = []
    for word, (_, end), (start, _) in zip(words, times, times[1:], strict=False):
        most = (
            longest.stop if word.rstrip("”’\"')").endswith((".", "!", "?", "…")) else longest.comma
        )
        if most is None or start - end <= max(most, LEAST) + 0.01:
            continue
        left = max(most, LEAST) / 2
        out.append((end + left, start - left))
    return out


def after_cuts(seconds: float, cuts: Sequence[tuple[float, float]]) -> float:
    """Where a moment of a line comes to be when some stretches of it go; a moment within one comes to its beginning."""
    return seconds - sum(min(seconds, end) - start for start, end in cuts if start < seconds)


def left_over(length: float, cuts: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """The stretches of a line of `length` seconds that stay."""
    edges = [0.0, *(edge for cut in cuts for edge in cut), length]
    return [(a, b) for a, b in zip(edges[::2], edges[1::2], strict=True) if b > a]
