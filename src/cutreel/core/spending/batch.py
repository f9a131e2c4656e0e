"""Several films made one after another, unattended, within a sum and a time: what is to be done next."""

from collections.abc import Sequence
from datetime import datetime
from decimal import Decimal
from typing import Literal, NamedTuple

FilmIn = Literal["waiting", "making", "asking", "made", "failed"]
"""How far a film of a batch is; one that asks is left until somebody answers, and holds nobody up."""


class OfBatch(NamedTuple):
    """A film of a batch, by its id, and how far it is."""

    film: str
    state: FilmIn


class Next(NamedTuple):
    """What is to be done: begin a `film`; nothing now ("wait"); or the batch is "done"."""

    what: Literal["begin", "wait", "done"]
    film: str = ""


def next_of(films: Sequence[OfBatch]) -> Next:
    """What a batch that goes on does next: one film at a time, in their order."""
    if any(f.state == "making" for f in films):
        return Next("wait")
    waiting = next((f for f in films if f.state == "waiting"), None)
    if waiting is not None:
        return Next("begin", waiting.film)
    return Next("wait" if any(f.state == "asking" for f in films) else "done")


def why_not(
    cost: Decimal, spent: Decimal, most: Decimal | None, until: datetime | None, now: datetime
) -> str:
    """Why a batch that `spent` so much does not begin a film that costs about `cost` (empty: it does), where it is to
    spend `most` at most and begins none after a moment."""
    if until is not None and now >= until:
        return "Its time is over."
    if most is not None and spent + cost > most:
        left = max(Decimal(0), most - spent)
        return f"The next film costs about {cost:.2f}, and {left:.2f} is left."
    return ""
