"""Speech: how lines are to be said, and how words are to sound."""

from .apart import FAR, farthest, voices_apart
from .direction import Told, direction_told, joined
from .saying import Saying, said_as

__all__ = [
    "FAR",
    "Saying",
    "Told",
    "direction_told",
    "farthest",
    "joined",
    "said_as",
    "voices_apart",
]
