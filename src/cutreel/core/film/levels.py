"""Where a picture counts most: what viewers meet first, faces, and deeds. By this the better offers are shared out."""

from collections.abc import Sequence
from typing import Literal

from cutreel.core.timeline import FrameRate, Span

from .reading import ReadShot

Level = Literal[1, 2, 3]
OPENING = 30.0
"""Seconds of a film in which viewers decide to stay."""
_NEAR = ("close", "extreme close")


def levels_of(shots: Sequence[ReadShot], spans: Sequence[Span], rate: FrameRate) -> list[Level]:
    """How much each shot's picture counts: 3 in the opening and where a face fills it, 2 where somebody does something
    or speaks, 1 else."""
    found: list[Level] = []
    for shot, span in zip(shots, spans, strict=True):
        near = shot.facts.framing in _NEAR and bool(shot.facts.people)
        if rate.seconds(span.start) < OPENING or near:
            found.append(3)
        elif shot.facts.people and (shot.facts.idea == "deed" or shot.facts.speaks is not None):
            found.append(2)
        else:
            found.append(1)
    return found
