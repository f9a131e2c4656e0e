"""Money: what was spent on what, limits, the ledger; and pictures shared out among offers."""

import csv
import io
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from decimal import Decimal
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field, StringConstraints

from cutreel.core.errors import BadInput
from cutreel.core.film import spelled
from cutreel.core.spending import Paid, PlanLimits, Planned, by_shot, film_money, totals
from cutreel.making import (
    PicturesWanted,
    Workshop,
    compared_statement,
    estimate,
    shared,
    start_run,
    told_of_room,
)
from cutreel.store import DAY, MONTH, Entry, RunView, begin_of

from .door import Films, Shop
from .schemas import Spending

router = APIRouter(prefix="/api")
DEAREST = 10
"""Shots of a film that are told as the dearest."""
MOST_DIFFERENCES = 50
"""Differences of a statement that are shown."""
SAID_FROM = 0.8
"""The share of a limit from which it is said."""


@router.get("/films/{film}/spending")
def spending(film: str, shop: Shop) -> Spending:
    """Money spent on this film, and on all today (UTC), beside the limits."""
    today = begin_of(DAY, datetime.now(UTC))
    return Spending(
        film=float(shop.spending.total(film)),
        today=float(shop.spending.total(since=today)),
        by_offer={k: float(v) for k, v in shop.spending.by_offer().items()},
        near=_near(shop, film),
        currency=shop.spending.currency(),
        room=told_of_room(shop),
    )


def _near(shop: Workshop, film: str) -> str:
    """The limit that is nearly reached, in a sentence; empty where none is."""
    at = datetime.now(UTC)
    for scope, limit in shop.spending.limits().items():
        if scope not in (DAY, MONTH, film):
            continue
        spent = shop.spending.total(film if scope == film else None, begin_of(scope, at))
        if spent >= limit * Decimal(str(SAID_FROM)):
            said = {DAY: "today", MONTH: "this month"}.get(scope, "this film")
            return f"{spent:.2f} of {limit:.2f} for {said} are spent."
    return ""


class Sum(BaseModel):
    name: str
    amount: float


class LimitView(BaseModel):
    """A limit: for "day", "month" or a film's id, with what is spent of it."""

    scope: str
    amount: float
    spent: float


class MoneyView(BaseModel):
    """All that was spent, in the ways that are asked about, and the limits; in the page's money, whose name is
    `currency`."""

    whole: float
    today: float
    month: float
    films: list[Sum]
    kinds: list[Sum]
    offers: list[Sum]
    days: list[Sum]
    months: list[Sum]
    limits: list[LimitView]
    currency: str


@router.get("/money")
def money(shop: Shop) -> MoneyView:
    at = datetime.now(UTC)
    entries = shop.spending.entries()
    found = totals(_paid(entries))
    titles = shop.films.titles()
    called = {o.name: o.title for o in shop.offers()}

    def sums(pairs: Sequence[tuple[str, Decimal]], most: int = 400) -> list[Sum]:
        return [Sum(name=n, amount=float(a)) for n, a in pairs[-most:]]

    return MoneyView(
        whole=float(found.whole),
        today=float(shop.spending.total(since=begin_of(DAY, at))),
        month=float(shop.spending.total(since=begin_of(MONTH, at))),
        films=sums(
            [
                (titles.get(f, "a film that is gone" if f else "tried out"), a)
                for f, a in found.films
            ]
        ),
        kinds=sums(found.kinds),
        offers=sums([(called.get(o, o), a) for o, a in found.offers]),
        days=sums(found.days, 31),
        months=sums(found.months, 24),
        limits=[
            LimitView(
                scope=scope,
                amount=float(limit),
                spent=float(
                    shop.spending.total(
                        scope if scope not in (DAY, MONTH) else None, begin_of(scope, at)
                    )
                ),
            )
            for scope, limit in sorted(shop.spending.limits().items())
        ],
        currency=shop.spending.currency(),
    )


def _kind(entry: Entry) -> str:
    """A kind as the ledger has it; lines from before kinds were kept have none."""
    return entry.kind or "before kinds were kept"


class CurrencyWanted(BaseModel):
    """What the page's money is called; empty: nothing."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, max_length=8)]


@router.put("/currency")
def set_currency(wanted: CurrencyWanted, shop: Shop) -> MoneyView:
    """Name the page's money. What a service asks for in another is told by its rate."""
    shop.spending.set_currency(wanted.name)
    return money(shop)


class LimitWanted(BaseModel):
    """A limit; None takes it away."""

    amount: Decimal | None = Field(None, gt=0, le=1_000_000)


@router.put("/limits/{scope}")
def set_limit(scope: str, wanted: LimitWanted, shop: Shop) -> MoneyView:
    """Set the most that may be spent in a day, in a month, or on a film. Raises NotFound for a film that is none."""
    if scope not in (DAY, MONTH):
        shop.films.get(scope)
    shop.spending.set_limit(scope, wanted.amount)
    return money(shop)


class ShotSum(BaseModel):
    """What was spent on a shot; one that is gone has no `edge`."""

    shot: int
    edge: str
    amount: float


class FilmMoneyView(BaseModel):
    """A film's money; see FilmMoney. `limit` is the film's own; `shots` are the dearest."""

    spent: float
    used: float
    unused: float
    per_minute: float
    forecast: float
    limit: float | None
    shots: list[ShotSum]


@router.get("/films/{film}/money")
def money_of_film(film: str, shop: Shop, films: Films) -> FilmMoneyView:
    """What a film cost so far, what of it is used, and what the whole will have cost."""
    stands = films.now(film).film
    used = {t.id for t in stands.used if t is not None}
    takes = {t.id: (Decimal(str(t.cost)), t.id in used) for of in stands.takes for t in of}
    made = sum(1 for t in stands.used if t is not None) / max(1, len(stands.used))
    left = estimate(shop, film, "everything", {}, stands).cost
    found = film_money(shop.spending.total(film), takes.values(), stands.seconds, made, left)
    limit = shop.spending.limits().get(film)
    edges = {s.shot.id: s.shot.edge for s in stands.read.shots}
    return FilmMoneyView(
        spent=float(found.spent),
        used=float(found.used),
        unused=float(found.unused),
        per_minute=float(found.per_minute),
        forecast=float(found.forecast),
        limit=float(limit) if limit is not None else None,
        shots=[
            ShotSum(shot=shot, edge=edges.get(shot, ""), amount=float(amount))
            for shot, amount in by_shot(_paid(shop.spending.entries(film)))[:DEAREST]
        ],
    )


def _paid(entries: Sequence[Entry]) -> list[Paid]:
    """The ledger's lines as they are summed up."""
    return [Paid(e.at, e.film, _kind(e), e.offer, e.amount, e.shot) for e in entries]


@router.get("/ledger.csv")
def ledger(shop: Shop, film: str | None = None) -> Response:
    """The ledger as a table: one line for each job that was paid."""
    titles = shop.films.titles()
    out = io.StringIO()
    write = csv.writer(out, lineterminator="\r\n")
    write.writerow(["at", "film", "shot", "kind", "offer", "amount", "job"])
    for e in shop.spending.entries(film):
        write.writerow(
            [
                e.at.isoformat(timespec="seconds"),
                spelled(titles.get(e.film, e.film)),
                e.shot if e.shot is not None else "",
                e.kind,
                spelled(e.offer),
                f"{e.amount:f}",
                e.key,
            ]
        )
    return Response(
        out.getvalue(),
        media_type="text/csv",
        headers={"Content-Disposition": 'attachment; filename="ledger.csv"'},
    )


class StatementDifference(BaseModel):
    """A job that a service counts otherwise than the ledger."""

    key: str
    at: datetime
    which: str
    ours: float
    theirs: float


class StatementView(BaseModel):
    """What a service says it was paid since a moment, beside what was counted here: so many jobs are the same in both;
    of what differs the newest are told."""

    since: datetime
    same: int
    ours: float
    theirs: float
    differ: int
    differences: list[StatementDifference]


@router.get("/services/{service}/statement")
def statement(
    service: str, shop: Shop, days: Annotated[int, Query(ge=1, le=366)] = 31
) -> StatementView:
    """Ask a service what it was paid in so many days, and compare. Raises NoStatement where it does not say."""
    day = begin_of(DAY, datetime.now(UTC))
    assert day is not None
    since = day - timedelta(days=days - 1)
    found = compared_statement(shop, service, since)
    return StatementView(
        since=since,
        same=found.same,
        ours=float(found.ours),
        theirs=float(found.theirs),
        differ=len(found.differences),
        differences=[
            StatementDifference(
                key=d.key, at=d.at, which=d.which, ours=float(d.ours), theirs=float(d.theirs)
            )
            for d in found.differences[:MOST_DIFFERENCES]
        ],
    )


class StepView(BaseModel):
    """So many pictures of a level, made by an offer, with their shots."""

    level: int
    offer: str
    count: int
    shots: list[int]


class WithoutView(BaseModel):
    """What would be without a limit ("money", "days", or an offer's daily number)."""

    limit: str
    made: int
    worth: int
    cost: float


class PlanView(BaseModel):
    """Who makes which of the pictures that are still needed; `days` how many of each offer on each day from today;
    `chosen` are shots for which somebody was chosen, who makes them at `chosen_cost` whatever the plan is."""

    pieces: dict[int, int]
    steps: list[StepView]
    days: dict[str, list[int]]
    unmade: dict[int, int]
    cost: float
    worth: int
    ready: int
    """The day on which all is ready; 0 is today."""
    without: list[WithoutView]
    chosen: list[int]
    chosen_cost: float


Level = Annotated[int, Field(ge=1, le=3)]
Name = Annotated[str, Field(max_length=60)]
Count = Annotated[int, Field(ge=0, le=20_000)]


class PlanWanted(BaseModel):
    """Limits, and numbers set by hand: (level, offer, count)."""

    days: int = Field(1, ge=1, le=60)
    money: Decimal | None = Field(None, ge=0, le=1_000_000)
    fixed: list[tuple[Level, Name, Count]] = Field([], max_length=60)

    only: list[Name] | None = Field(None, max_length=60)


@router.post("/films/{film}/plan")
def plan_pictures(film: str, wanted: PlanWanted, shop: Shop, films: Films) -> PlanView:
    """Share the pictures that a film still needs out among the offers, the best where it counts, within limits."""
    found = shared(
        shop,
        films.now(film).film,
        PlanLimits(wanted.days, wanted.money),
        stars_of(shop),
        {(level, offer): count for level, offer, count in wanted.fixed},
        None if wanted.only is None else frozenset(wanted.only),
    )
    p: Planned = found.plan
    return PlanView(
        pieces=dict(found.pieces),
        steps=[
            StepView(
                level=s.level, offer=s.offer, count=s.count, shots=found.shots[s.level, s.offer]
            )
            for s in p.steps
        ],
        days={o: list(counts) for o, counts in p.days.items()},
        unmade=dict(p.unmade),
        cost=float(p.cost),
        worth=p.worth,
        ready=p.last_day,
        without=[
            WithoutView(limit=name, made=w.made, worth=w.worth, cost=float(w.cost))
            for name, w in found.without.items()
        ],
        chosen=found.chosen,
        chosen_cost=float(found.price),
    )


def stars_of(shop: Workshop) -> dict[str, int]:
    """How good offers of pictures are, as told."""
    return dict(shop.plugged.choices().get("picture", {}).get("stars", {}))


@router.post("/films/{film}/plan/runs", status_code=202)
def begin_plan(film: str, wanted: PlanWanted, shop: Shop, films: Films) -> list[RunView]:
    """Make it as it is planned: a run for each offer, and one for what somebody was chosen for; each waits for the next
    day where today's number is used up. Raises BadInput where there is nothing to make."""
    view = plan_pictures(film, wanted, shop, films)
    by_offer: dict[str | None, list[int]] = {None: view.chosen} if view.chosen else {}
    for step in view.steps:
        by_offer.setdefault(step.offer, []).extend(step.shots)
    if not by_offer:
        raise BadInput(
            "There is nothing to make.", "Every shot has its picture, or no limit leaves room."
        )
    runs = []
    for offer, shots in by_offer.items():
        asked = PicturesWanted(shots=frozenset(shots), takes=1, offer=offer, wait=True)
        runs.append(start_run(shop, film, "pictures", asked.model_dump()))
    return [shop.runs.view(r) for r in runs]
