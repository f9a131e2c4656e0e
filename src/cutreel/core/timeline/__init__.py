"""Time in whole frames: rates and timecode, lines laid out in time, shots from word times,
transitions."""

from .frames import FrameRate, timecode
from .layout import LineSound, Timing, lay_out
from .shots import Span, Stretch, cut_points, stretches

__all__ = [
    "FrameRate",
    "LineSound",
    "Span",
    "Stretch",
    "Timing",
    "cut_points",
    "lay_out",
    "stretches",
    "timecode",
]
