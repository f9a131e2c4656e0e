"""Which words stand on the screen, and when: planned from what the film is called and from what turns."""

from collections.abc import Sequence
from typing import Literal, NamedTuple, get_args

from cutreel.core.timeline import CardSort

from .placed import AS_USUAL, AT_LEFT, LEFT, PLACES, CardHow, clear_of

CardAmount = Literal["off", "low", "middle", "high"]
"""Low: the title and the end; middle: chapters too; high: places and hours too."""
SORTS: tuple[CardSort, ...] = get_args(CardSort)
BEGINS = 0.4
"""Seconds behind a cut at which words come: the picture is seen first."""
LASTS: dict[CardSort, float] = {
    "title": 3.4,
    "chapter": 2.8,
    "place": 2.4,
    "name": 3.2,
    "emphasis": 2.4,
    "words": 3.2,
    "mark": 1e9,
    "end": 4.0,
}
"""Seconds that words stand at most."""
LEAST = 1.2
"""Seconds below which nobody reads them: then they do not come."""


class Card(NamedTuple):
    """Words on the screen in the shot `shot` (by its index): lines, from and up to which second, and why; how far down
    the frame their middle is, where that is not where it usually is; what of them the maker has otherwise; the `number`
    of words that the maker added (0: planned ones); the second at which each of them is said, where that is known."""

    sort: CardSort
    shot: int
    lines: tuple[str, ...]
    start: float
    end: float
    why: str
    middle: float | None = None
    how: CardHow = AS_USUAL
    number: int = 0
    said: tuple[float, ...] = ()

    @property
    def place(self) -> tuple[float, float]:
        """How far across and down their middle is; of those that stand at the left about."""
        across = AT_LEFT if self.sort in LEFT else 0.5
        down = PLACES[self.sort][0] if self.middle is None else self.middle
        return self.how.at or (across, down)


class ShotTold(NamedTuple):
    """What is known of a shot: from and up to which second it is seen, what turned in front of it (see `core.joins`),
    the heading of its scene, place and hour in words."""

    start: float
    end: float
    turn: str
    heading: str
    place: str
    hour: str


def plan_cards(
    shots: Sequence[ShotTold], title: str, amount: CardAmount, credits: Sequence[str] = ()
) -> list[Card]:
    """The words on the screen of a whole film, in the order of time."""
    if amount == "off" or not shots:
        return []
    found: list[Card | None] = [_card("title", 0, (title,), shots[0], "what the film is called")]
    for i, shot in enumerate(shots[1:], 1):
        if amount != "low" and shot.turn == "chapter" and shot.heading:
            found.append(_card("chapter", i, (shot.heading,), shot, "another chapter"))
        elif amount == "high" and shot.turn in ("chapter", "scene", "place", "hour"):
            told = tuple(part for part in (shot.place, shot.hour) if part)
            if told:
                found.append(_card("place", i, told, shot, "where, and when"))
    last = shots[-1]
    start = max(last.start + BEGINS, last.end - LASTS["end"])
    if last.end - start >= LEAST:
        found.append(Card("end", len(shots) - 1, ("The End", *credits), start, last.end, "the end"))
    cards = [c for c in found if c is not None]
    # Of two that would stand at once, the one that came first stays.
    return [c for n, c in enumerate(cards) if n == 0 or c.start >= cards[n - 1].end]


def _card(
    sort: CardSort, index: int, lines: tuple[str, ...], shot: ShotTold, why: str
) -> Card | None:
    start = shot.start + BEGINS
    end = min(start + LASTS[sort], shot.end - 0.2)
    return Card(sort, index, lines, start, end, why) if end - start >= LEAST else None


def off_faces(
    card: Card,
    faces: Sequence[tuple[float, float, float]],
    captions: Sequence[tuple[float, float]] = (),
) -> Card:
    """Words where they lie on none of the `faces` (how far to the right, from and down to, in shares of the frame) and
    on no `captions` (from and down to); where they lie on least, if there is no such place."""
    middle = clear_of(card.sort, card.lines, faces, captions)
    return card if middle is None else card._replace(middle=middle)
