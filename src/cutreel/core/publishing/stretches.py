"""Stretches of a finished film in which nothing is seen, or nothing moves, found on pictures a moment apart."""

from collections.abc import Iterable, Iterator
from itertools import pairwise
from typing import Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray

Luma = NDArray[np.uint8]
"""The brightness of a picture (ITU-R BT.709, 16 … 235), however small it was made."""
BLACK, EVEN = 24.0, 3.0
"""The mean brightness below which a picture is black, and how far it may vary."""
SAME = 0.35
"""Levels by which two pictures of the same stillness differ on the average: coding changes a little."""
LEAST: dict[str, float] = {"black": 1.0, "frozen": 4.0}
"""Seconds from which a stretch is one: a dip to black is shorter, and a held picture may rest for a moment."""
StretchKind = Literal["black", "frozen"]


class Stretch(NamedTuple):
    """A stretch in seconds."""

    kind: StretchKind
    start: float
    end: float


def stretches_of(pictures: Iterable[tuple[float, Luma]], seconds: float) -> list[Stretch]:
    """Black and frozen stretches of a film of so many seconds, from pictures with their times in rising order."""
    seen = [(at, picture.astype(np.int16)) for at, picture in pictures]
    black = [float(p.mean()) < BLACK and float(p.std()) < EVEN for _, p in seen]
    still = [
        a.shape == b.shape and float(np.abs(a - b).mean()) < SAME
        for (_, a), (_, b) in pairwise(seen)
    ]
    times = [at for at, _ in seen] + [seconds]
    found = [
        *(Stretch("black", a, b) for a, b in _runs(black, times)),
        *(
            Stretch("frozen", a, b)
            for a, b in _runs([s and not n for s, n in zip(still, black, strict=False)], times)
        ),
    ]
    return sorted((s for s in found if s.end - s.start >= LEAST[s.kind]), key=lambda s: s.start)


def _runs(is_so: list[bool], times: list[float]) -> Iterator[tuple[float, float]]:
    """From when to when something is so: each entry holds from its own time to the next."""
    begun: float | None = None
    for i, so in enumerate([*is_so, False]):
        if so and begun is None:
            begun = times[i]
        elif not so and begun is not None:
            yield begun, times[i]
            begun = None
