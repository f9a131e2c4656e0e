"""Music that is silent for a while: its clip in pieces, each in its place."""

from collections.abc import Sequence
from dataclasses import replace

from cutreel.core.sound import LEAST_REST
from cutreel.core.timeline import SoundClip

from .acting import VOICE_RATE

RINGS = 1.2
"""Seconds in which music rings out into a rest."""
COMES_BACK = 0.02
"""Seconds in which it is there again: a bar may begin with it."""


def outside(
    clip: SoundClip, end: float, seconds: float, rests: Sequence[tuple[float, float]]
) -> list[SoundClip]:
    """A clip of music up to second `end` of the film, whose file is so many `seconds` long, without what falls into
    rests. What is repeated begins anew behind a rest."""
    inside = [
        (max(a, clip.start), min(b, end))
        for a, b in rests
        if min(b, end) - max(a, clip.start) >= LEAST_REST
    ]
    out: list[SoundClip] = []
    whole = (0, round(seconds * VOICE_RATE))
    start, last = clip.start, min(end, clip.start + seconds) if clip.loop_to is None else end
    for a, b in [*inside, (last, last)]:
        until = min(a + RINGS, b) if b > a else a
        if until > start and a > start:
            piece = replace(
                clip,
                start=start,
                fade_in=COMES_BACK if out else clip.fade_in,
                fade_out=until - a if b > a else clip.fade_out,
            )
            if clip.loop_to is None:
                first = round((start - clip.start) * VOICE_RATE)
                stop = min(whole[1], round((until - clip.start) * VOICE_RATE))
                piece = replace(piece, cut=(first, stop), whole=whole)
            else:
                piece = replace(piece, loop_to=until)
            out.append(piece)
        start = max(start, b)
    return out
