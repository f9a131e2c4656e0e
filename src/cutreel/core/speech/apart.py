"""How far apart two voices are to the ear, so that no two speakers of a film sound alike."""

import math
from collections.abc import Sequence
from typing import Protocol, TypeVar

SEMITONES, BRIGHT, PACE = 3.0, 0.6, 0.22
"""What counts as one step apart: three semitones of pitch, so much brightness, and a pace that is quicker by a quarter.
Voices that differ by three semitones are told apart by most listeners (Kreiman and Sidtis, *Foundations of Voice
Studies*, 2011, ch. 5)."""
FAR = 1.0
"""Steps from which on two voices are apart enough."""


class Heard(Protocol):
    """What is known of how a voice sounds."""

    @property
    def pitch(self) -> float | None: ...
    @property
    def brightness(self) -> float | None: ...
    @property
    def length(self) -> float: ...


V = TypeVar("V", bound=Heard)


def voices_apart(one: Heard, other: Heard) -> float:
    """Steps between two voices; what is not known of one counts nothing."""
    pitch = bright = 0.0
    if one.pitch and other.pitch:
        pitch = 12 * math.log2(one.pitch / other.pitch) / SEMITONES
    if one.brightness is not None and other.brightness is not None:
        bright = (one.brightness - other.brightness) / BRIGHT
    pace = math.log(one.length / other.length) / PACE
    return math.sqrt(pitch * pitch + bright * bright + pace * pace)


def farthest(fits: Sequence[V], taken: Sequence[Heard]) -> V:
    """The first of `fits` that is far enough from all that are taken, else the one that is farthest."""
    least = [min((voices_apart(v, t) for t in taken), default=math.inf) for v in fits]
    return next(
        (v for v, far in zip(fits, least, strict=True) if far >= FAR),
        fits[max(range(len(fits)), key=least.__getitem__)],
    )
