"""Cuts that move to a beat of the music, where it is near and no word is cut."""

from bisect import bisect_left
from collections.abc import Collection, Sequence

from .frames import FrameRate
from .layout import Timing
from .shots import Span

NEAR = 4
"""Frames by which a cut may move: nobody sees that it comes earlier, and a beat that is met is felt."""


def snapped(
    spans: Sequence[Span],
    opens: Sequence[int],
    timing: Timing,
    rate: FrameRate,
    beats: Sequence[float],
    held: Collection[int] = (),
) -> list[Span]:
    """Shots that open at word indices `opens`, each cut on the nearest of the `beats` (seconds) that lies within `NEAR`
    frames of it, behind the last word before it and in front of its own first; but not the shots `held`, by index."""
    edges = [span.start for span in spans]
    frames = sorted({rate.frames(at) for at in beats})
    for i in range(1, len(edges)):
        if i in held or not frames:
            continue
        least, most = edges[i - 1] + 1, spans[i].end - 1
        first = opens[i]
        if first:
            # What ends within a frame is heard to its end in the shot after it: the frame behind it is the first.
            least = max(least, rate.frames(float(timing.words[first - 1, 1])) + 1)
        most = min(most, rate.frames(float(timing.words[first, 0])))
        at = bisect_left(frames, edges[i])
        near = [f for f in frames[max(0, at - 1) : at + 1] if least <= f <= most]
        near = [f for f in near if abs(f - edges[i]) <= NEAR]
        if near:
            edges[i] = min(near, key=lambda f: abs(f - spans[i].start))
    ends = [*edges[1:], spans[-1].end] if spans else []
    return [Span(a, b) for a, b in zip(edges, ends, strict=True)]
