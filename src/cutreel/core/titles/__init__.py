"""Words on screen: the title, chapters, places and hours, the end."""

from cutreel.core.timeline import CardSort

from .cards import PLACES, SORTS, Card, CardAmount, off_faces, plan_cards
from .look import TITLE_LOOKS, TitleLook, look_for

__all__ = [
    "PLACES",
    "SORTS",
    "TITLE_LOOKS",
    "Card",
    "CardAmount",
    "CardSort",
    "TitleLook",
    "look_for",
    "off_faces",
    "plan_cards",
]
