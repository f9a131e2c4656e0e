"""The film for other programs: as a timeline and as an edit list, and what neither can say."""

from .back import BackShot, shots_back
from .handed import Handed, HandedJoin, HandedMarker, HandedShot, HandedSound, bundled_name
from .timeline import to_edl, to_otio, unsaid

__all__ = [
    "BackShot",
    "Handed",
    "HandedJoin",
    "HandedMarker",
    "HandedShot",
    "HandedSound",
    "bundled_name",
    "shots_back",
    "to_edl",
    "to_otio",
    "unsaid",
]
