"""A film of two seconds in which everything happens, so that all that rendering compiles is compiled."""

import numpy as np

from cutreel.core.timeline import CaptionClip, FrameRate, Join, PictureClip, Span, Timeline

from .plan import plan_film
from .planes import Planes, planes_of
from .segment import make_segment


def render_sample() -> int:
    """Render a few small frames in which everything happens: layers, a move, a dissolve, a caption. Returns how
    many."""
    rate = FrameRate.parse("24")
    layers = (("back", 0.0), ("front", 1.0))
    spans = [Span(0, 24), Span(24, 48)]
    clips = [PictureClip(span, layers, move="push", focus=(0.5, 0.5)) for span in spans]
    captions = [CaptionClip(0.2, 1.5, ("warm",))]
    line = Timeline(rate, clips, [Join(rate.frames(0.25))], [], captions)

    def fetch(media: str, depth: float) -> Planes:
        pixels = np.zeros((72, 128, 4 if depth else 3), np.uint8)
        pixels[20:50, 30:90] = 200
        return planes_of(pixels, depth)

    frames = 0
    for _, plan in plan_film(line, 64, 36, "preview", True):
        make_segment(plan, fetch)
        frames += plan.frames
    return frames
