"""Words in the frames of a segment: captions, and what else stands on the screen."""

from pydantic import BaseModel

from cutreel.core.captions import CaptionPlace, CaptionShown, CaptionStyle
from cutreel.core.timeline import CardClip, CardSort, FrameRate
from cutreel.core.titles import TITLE_LOOKS, TitleLook


class CaptionSpan(BaseModel):
    """Caption lines over frames `start` up to `end` of the segment; for each word that is marked as it is `said` its
    line, its characters from and up to, and the frame at which it begins; a place and colour of its own,
    and where words stand that are stressed; lines of another language `beneath` them."""

    lines: list[str]
    start: int
    end: int
    said: list[tuple[int, int, int, int]] = []
    place: CaptionPlace | None = None
    colour: str | None = None
    stressed: list[tuple[int, int, int]] = []
    beneath: list[str] = []

    def styled(self, style: CaptionStyle) -> CaptionStyle:
        """The style of this caption."""
        return CaptionShown(self.place, self.colour).styled(style)


class CardSpan(BaseModel):
    """Words on the screen over frames `begin` up to `end` of the segment; they may have begun before it. Where their
    middle is, how many times the usual size they have, their look, where that is not the film's, and the frames at
    which each word is said."""

    lines: list[str]
    sort: CardSort
    begin: int
    end: int
    middle: float | None = None
    across: float | None = None
    size: float = 1.0
    title_look: TitleLook | None = None
    said: list[int] = []


class PictureWords(CardSpan):
    """Words that keep to a shot's picture, over frames of its life; or stand in it, `behind` its figures."""

    behind: bool = False


ALWAYS = 1_000_000
"""Frames for which what is always there has been, and will be: it comes and goes nowhere."""


def card_span(card: CardClip, since: int, rate: FrameRate, titles: TitleLook) -> CardSpan:
    """Words on the screen in frames that are counted from `since` on."""
    always = card.sort == "mark"
    look = TITLE_LOOKS.get(card.look)
    if card.sheet:
        look = (look or titles).on_sheet()
    # Each of their words has its frame only where that is looked at.
    one_by_one = (look or titles).comes == "said"
    said = [rate.frames(at) - since for at in card.said] if one_by_one else []
    return CardSpan(
        lines=list(card.lines),
        sort=card.sort,
        begin=-ALWAYS if always else rate.frames(card.start) - since,
        end=ALWAYS if always else rate.frames(card.end) - since,
        middle=card.middle,
        across=card.across,
        size=card.size,
        title_look=look,
        said=said,
    )
