"""Speech: how lines are to be said, and how words are to sound."""

from .aligned import Aligned, aligned
from .apart import FAR, farthest, voices_apart
from .direction import Told, direction_told, joined, level_told
from .pauses import Longest, after_cuts, cuts_in, left_over
from .pls import from_pls, to_pls
from .respelled import respelled
from .saying import Saying, said_as
from .where import Heard, room_in_words, room_of_place

__all__ = [
    "FAR",
    "Aligned",
    "Heard",
    "Longest",
    "Saying",
    "Told",
    "after_cuts",
    "aligned",
    "cuts_in",
    "direction_told",
    "farthest",
    "from_pls",
    "joined",
    "left_over",
    "level_told",
    "respelled",
    "room_in_words",
    "room_of_place",
    "said_as",
    "to_pls",
    "voices_apart",
]
