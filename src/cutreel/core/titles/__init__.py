"""Words on screen: the title, chapters, places and hours, the end."""

from cutreel.core.timeline import CardSort

from .cards import SORTS, Card, CardAmount, plan_cards
from .look import TITLE_LOOKS, TitleLook, look_for

__all__ = [
    "SORTS",
    "TITLE_LOOKS",
    "Card",
    "CardAmount",
    "CardSort",
    "TitleLook",
    "look_for",
    "plan_cards",
]
