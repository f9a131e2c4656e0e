"""Words on screen: the title, chapters, places and hours, names, what is stressed, what the maker writes, the end."""

from cutreel.core.timeline import CardSort

from .cards import BEGINS, LASTS, LEAST, SORTS, Card, CardAmount, ShotTold, off_faces, plan_cards
from .look import COMES, GOES, TITLE_LOOKS, TitleLook, look_for
from .placed import AS_USUAL, KEEPS, LEFT, PLACES, CardHow
from .said import AHEAD, NamedSeen, SaidAt, free_of, plan_emphasis, plan_names, said_times

__all__ = [
    "AHEAD",
    "AS_USUAL",
    "BEGINS",
    "COMES",
    "GOES",
    "KEEPS",
    "LASTS",
    "LEAST",
    "LEFT",
    "PLACES",
    "SORTS",
    "TITLE_LOOKS",
    "Card",
    "CardAmount",
    "CardHow",
    "CardSort",
    "NamedSeen",
    "SaidAt",
    "ShotTold",
    "TitleLook",
    "free_of",
    "look_for",
    "off_faces",
    "plan_cards",
    "plan_emphasis",
    "plan_names",
    "said_times",
]
