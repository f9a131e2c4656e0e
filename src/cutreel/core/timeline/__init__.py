"""Time in whole frames: rates and timecode, lines laid out in time, shots from word times,
transitions; and the whole film as one model."""

from .frames import KNOWN_RATES, FrameRate, timecode
from .joins import (
    EASES,
    JOIN_KINDS,
    LONGEST_JOIN,
    PATTERNS,
    WAYS,
    Ease,
    JoinHow,
    JoinKind,
    Pattern,
    Way,
    eased,
)
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
    "EASES",
    "JOIN_KINDS",
    "KNOWN_RATES",
    "LONGEST_JOIN",
    "PATTERNS",
    "ROOMS",
    "WAYS",
    "CaptionClip",
    "Ease",
    "Footage",
    "FrameRate",
    "Join",
    "JoinHow",
    "JoinKind",
    "LineSound",
    "Pattern",
    "PictureClip",
    "Region",
    "Rests",
    "Room",
    "SoundClip",
    "Span",
    "Stretch",
    "Strip",
    "Timeline",
    "Timing",
    "Track",
    "Way",
    "cut_points",
    "eased",
    "lay_out",
    "snapped",
    "stretches",
    "timecode",
]
# fmt: on
