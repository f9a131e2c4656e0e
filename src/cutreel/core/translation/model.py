"""What a maker has of a story in another language."""

from typing import Literal

from pydantic import BaseModel, Field

TranslatedBy = Literal["hand", "table", "service"]
SLOWEST, QUICKEST = 0.8, 1.25
"""How much slower and quicker a voice still sounds like itself, about."""
MOST_PASSAGES, MOST_SHOWN = 60_000, 4_000


class Translated(BaseModel):
    """What the passage that begins with the word numbered `word` is in the other language. `source` is what it said
    when it was translated: where it says something else now, it is to be looked at again. It is said at `pace` times
    the usual speed."""

    word: int
    source: str = Field(max_length=20_000)
    text: str = Field(max_length=20_000)
    by: TranslatedBy = "hand"
    pace: float = Field(1.0, ge=SLOWEST, le=QUICKEST)


class Shown(BaseModel):
    """Words on the screen or in a list of chapters, and what they are in the other language. The same words are the
    same wherever they stand."""

    source: str = Field(max_length=1_000)
    text: str = Field(max_length=1_000)
    by: TranslatedBy = "hand"


class Translation(BaseModel):
    """A cut's words in the cut's own language: `of` is the cut that they are translated from, by its id."""

    of: str = Field(max_length=40)
    passages: list[Translated] = Field([], max_length=MOST_PASSAGES)
    shown: list[Shown] = Field([], max_length=MOST_SHOWN)

    def said(self, words: str) -> str:
        """Words on the screen as they are shown: translated where they are."""
        return next((s.text for s in self.shown if s.source == words and s.text), words)
