"""A part of a wish, and what it comes to."""

import re
from collections.abc import Sequence
from typing import Annotated, Any, NamedTuple

from pydantic import Field

from ..assembled import Assembled
from ..commands import CutAgain, CutRamp, SetLane, SetScene, SetSettings, SetShots, SetTension
from ..document import Settings

WishCommand = Annotated[
    SetSettings | SetShots | SetScene | SetTension | SetLane | CutAgain | CutRamp,
    Field(discriminator="type"),
]
"""What a wish may come to."""
_MORE = re.compile(r"\b(?:more|bigger|larger|louder|stronger|higher|much|heavier|brighter)\b")
_LESS = re.compile(r"\b(?:less|fewer|smaller|quieter|softer|weaker|lower|calmer|lighter|subtler)\b")
_DEGREE = re.compile(
    rf"(?:(?:{_MORE.pattern}|{_LESS.pattern}|a|bit|little|little bit|even|still|much|it)\s*)+"
)
_NONE = re.compile(r"\b(?:no|without|remove|drop|off|none|never)\b")


class Proposal(NamedTuple):
    """A change that a wish comes to: what it does, and the words that it was understood from."""

    command: WishCommand
    says: str
    why: str


class Part(NamedTuple):
    """A part of a wish: its words, the shots that it is for (by their indices; None: all of the film) and how that was
    said; the film, and its settings with what the parts before it changed."""

    words: str
    shots: tuple[int, ...] | None
    where: str
    film: Assembled
    settings: Settings
    named: bool = True
    """Whether it says what it is about; else it is about what the part before it was."""

    @property
    def is_degree(self) -> bool:
        """Whether it says how much of what it is about, and nothing that is not known."""
        return self.named or _DEGREE.fullmatch(self.words) is not None

    @property
    def sign(self) -> int:
        """More (1), less (-1), none (-2), or nothing of the kind (0)."""
        if _NONE.search(self.words):
            return -2
        return 1 if _MORE.search(self.words) else -1 if _LESS.search(self.words) else 0

    @property
    def ids(self) -> list[int]:
        """The numbers of the shots."""
        there = range(len(self.film.read.shots)) if self.shots is None else self.shots
        return [self.film.read.shots[i].shot.id for i in there]

    def says(self, pattern: str) -> bool:
        """Whether it says one of some words."""
        return re.search(rf"\b(?:{pattern})\b", self.words) is not None

    def settled(self, values: dict[str, Any], says: str) -> list[Proposal]:
        """Settings changed for the whole film."""
        return [Proposal(SetSettings(values=values), says, f"“{self.words}”")]

    def shot_by_shot(self, values: dict[Any, Any], says: str) -> list[Proposal]:
        """Its shots changed; none where there is none."""
        if not self.ids:
            return []
        many = f"{says} in {count_of(self.ids)} ({self.where})"
        return [Proposal(SetShots(shots=self.ids, values=values), many, f"“{self.words}”")]


def count_of(shots: Sequence[int]) -> str:
    return "1 shot" if len(shots) == 1 else f"{len(shots)} shots"


def next_of(amounts: Sequence[str], now: str, sign: int) -> str:
    """The amount that is more, less, or none."""
    if sign == -2:
        return amounts[0]
    return amounts[min(len(amounts) - 1, max(0, list(amounts).index(now) + sign))]
