"""What is due when, against days: how much a day lets through of money and of pieces, film after film."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from decimal import Decimal
from math import ceil
from typing import NamedTuple


@dataclass(frozen=True)
class ToMake:
    """What a film still needs until it is `due`: money, and pictures that an `offer` draws."""

    film: str
    due: date
    cost: Decimal
    pictures: int
    offer: str


class DayShare(NamedTuple):
    """How much there is: what is left `today`, and of `each` day after it."""

    today: Decimal
    each: Decimal


class Reckoned(NamedTuple):
    """The day on which a film can be ready (None: never, at this rate), how many days after it is due that is, and what
    holds it up: "money", the offer, or nothing."""

    film: str
    ready: date | None
    late: int
    held_by: str


def reckon(
    films: Sequence[ToMake], today: date, money: DayShare | None, pieces: Mapping[str, DayShare]
) -> list[Reckoned]:
    """When films can be ready that are made one after another, what is due first first. `money` is None without a
    limit; an offer that is not among `pieces` has none."""
    spent = Decimal(0)
    drawn: dict[str, int] = defaultdict(int)
    out: list[Reckoned] = []
    for film in sorted(films, key=lambda f: (f.due, f.film)):
        spent += film.cost
        drawn[film.offer] += film.pictures
        days = {
            "money": _day(spent, money) if film.cost else 0,
            film.offer: _day(Decimal(drawn[film.offer]), pieces.get(film.offer))
            if film.pictures
            else 0,
        }
        never = next((what for what, day in days.items() if day is None), None)
        if never is not None:
            out.append(Reckoned(film.film, None, 0, never))
            continue
        what, day = max(days.items(), key=lambda d: d[1] or 0)
        ready = today + timedelta(days=day or 0)
        late = max(0, (ready - film.due).days)
        out.append(Reckoned(film.film, ready, late, what if day else ""))
    return out


def _day(total: Decimal, share: DayShare | None) -> int | None:
    """The day, from today on, on which there was enough for a total; None: on none."""
    if share is None or total <= share.today:
        return 0
    if share.each <= 0:
        return None
    return ceil((total - max(Decimal(0), share.today)) / share.each)
