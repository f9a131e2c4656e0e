"""Cutting a manuscript into shots: how long words take, and where the cut marks go."""

from .cut import Wish, break_down
from .estimate import estimate_words, pause_after, speaking_seconds
from .remarks import Remark, remarks_on

__all__ = ["Remark", "Wish", "break_down", "estimate_words", "pause_after", "remarks_on", "speaking_seconds"]
