"""Time in whole frames: rates and timecode, lines laid out in time, shots from word times,
transitions; and the whole film as one model."""

from .frames import KNOWN_RATES, FrameRate, timecode
from .layout import LineSound, Rests, Timing, lay_out
from .model import (
    ROOMS,
    CaptionClip,
    Footage,
    Join,
    PictureClip,
    Region,
    Room,
    SoundClip,
    Strip,
    Timeline,
    Track,
)
from .shots import Span, Stretch, cut_points, stretches
from .snapping import snapped

# fmt: off
__all__ = [
    "KNOWN_RATES", "ROOMS", "CaptionClip", "Footage", "FrameRate", "Join", "LineSound", "PictureClip",
    "Region", "Rests", "Room", "SoundClip", "Span", "Stretch", "Strip", "Timeline", "Timing", "Track", "cut_points",
    "lay_out", "snapped", "stretches", "timecode",
]
# fmt: on
