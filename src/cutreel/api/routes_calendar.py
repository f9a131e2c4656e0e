"""What is due when: how far each film is, what making it will still take, and whether that fits into the days."""

from datetime import UTC, date, datetime
from decimal import Decimal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput
from cutreel.core.film import Change
from cutreel.core.film.commands import SetSettings
from cutreel.core.spending import DayShare, ToMake, reckon
from cutreel.making import estimate
from cutreel.store import DAY, begin_of

from .door import Films, Shop

router = APIRouter(prefix="/api")


class DueView(BaseModel):
    """A film that is due: how many of its shots are `left`, the pieces that making it will still take with their cost
    and about how many seconds, the day on which it can be `ready` (None: never, as limits are), by how many days that
    is `late`, and what holds it up (`held_by`: "money", or an offer)."""

    film: str
    title: str
    cut: str
    due: date
    shots: int
    left: int
    items: int
    cost: float
    seconds: float
    lacks: list[str]
    ready: date | None
    late: int
    held_by: str


class DueWanted(BaseModel):
    """The day on which a film is to be ready; None: on none."""

    due: date | None = Field(None)


@router.get("/calendar")
def calendar(shop: Shop, films: Films) -> list[DueView]:
    """Every film that is due, by its day."""
    now = datetime.now(UTC)
    cards = [c for c in films.cards() if c.due]
    found = {c.id: estimate(shop, c.id, "everything", {}, films.now(c.id).film) for c in cards}
    offers = {c.id: films.now(c.id).head.settings.offer for c in cards}
    limit = shop.spending.limits().get(DAY)
    spent = shop.spending.total(since=begin_of(DAY, now))
    money = None if limit is None else DayShare(max(Decimal(0), limit - spent), limit)
    pieces = {
        o.name: DayShare(Decimal(o.quota.left), Decimal(o.quota.limit))
        for o in shop.offers()
        if o.kind == "picture" and o.quota is not None
    }
    wanted = [
        ToMake(
            c.id, date.fromisoformat(c.due), found[c.id].cost, found[c.id].pictures, offers[c.id]
        )
        for c in cards
    ]
    by_id = {c.id: c for c in cards}
    return [
        DueView(
            film=r.film,
            title=by_id[r.film].title,
            cut=by_id[r.film].cut,
            due=date.fromisoformat(by_id[r.film].due),
            shots=by_id[r.film].shots,
            left=by_id[r.film].left,
            items=found[r.film].items,
            cost=float(found[r.film].cost),
            seconds=found[r.film].seconds,
            lacks=list(found[r.film].lacks),
            ready=r.ready,
            late=r.late,
            held_by=r.held_by,
        )
        for r in reckon(wanted, now.date(), money, pieces)
    ]


@router.put("/films/{film}/due")
def set_due(film: str, wanted: DueWanted, shop: Shop, films: Films) -> list[DueView]:
    """Say when a film is due, or that it is no more."""
    if wanted.due is not None and not 2000 <= wanted.due.year <= 2199:
        raise BadInput("That day is too far away.", "Choose another.")
    due = wanted.due.isoformat() if wanted.due else ""
    revision = shop.films.get(film).revision
    shop.films.change(film, Change(revision=revision, command=SetSettings(values={"due": due})))
    return calendar(shop, films)
