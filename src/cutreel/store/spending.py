"""What was spent. A job's cost is counted once, by its key, however often it is reported; and what a job may cost is
promised before it begins, so that two at once can't pass a limit together."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from decimal import Decimal
from typing import Any

from sqlalchemy import Select, delete, func, select, text
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from cutreel.core.errors import CutReelError

from .database import Database
from .tables import Kept, Limit, Promised, Spent, now

DAY, MONTH = "day", "month"
FORGOTTEN = timedelta(hours=3)
"""After which a promise of a job that nobody heard of again counts no more."""
_LOCK = 7_310_118
"""The advisory lock under which promises are made, one at a time."""


class OverLimit(CutReelError):
    """A limit of money leaves no room; whoever set it is asked."""

    code = "over-limit"
    status = 409


class UsedUp(CutReelError):
    """A day's number of pieces is used up until `renews_at`."""

    code = "used-up"
    status = 409
    renews_at: datetime


@dataclass(frozen=True)
class Entry:
    """One line of the ledger."""

    at: datetime
    film: str
    shot: int | None
    kind: str
    offer: str
    amount: Decimal
    key: str


class SpendStore:
    """Counts money."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def promise(
        self, key: str, film: str, offer: str, amount: Decimal, daily: int | None = None
    ) -> None:
        """Say what a job may cost before it begins; `daily` is how many pieces of its offer there are in a day. What
        was paid already is promised no more. Raises OverLimit or UsedUp, and nothing is promised then."""
        with self.database.transaction() as session:
            session.execute(text("SELECT pg_advisory_xact_lock(:lock)"), {"lock": _LOCK})
            if session.get(Spent, key) is not None:
                return
            session.execute(delete(Promised).where(Promised.key == key))
            if daily is not None:
                _daily(session, offer, daily)
            if amount > 0:
                _limits(session, film, amount)
            session.add(Promised(key=key, film=film, offer=offer, amount=amount))

    def let_go(self, key: str) -> None:
        """A job that was promised is not made."""
        with self.database.transaction() as session:
            session.execute(delete(Promised).where(Promised.key == key))

    def spend(
        self,
        key: str,
        film: str,
        offer: str,
        amount: Decimal,
        kind: str = "",
        shot: int | None = None,
    ) -> None:
        with self.database.transaction() as session:
            session.execute(
                insert(Spent)
                .values(key=key, film=film, offer=offer, amount=amount, kind=kind, shot=shot)
                .on_conflict_do_nothing()
            )
            session.execute(delete(Promised).where(Promised.key == key))

    def total(self, film: str | None = None, since: datetime | None = None) -> Decimal:
        """Spent on a film (or on all) since a moment (or ever)."""
        with self.database.transaction() as session:
            return Decimal(session.scalar(_sum(film, since)) or 0)

    def by_offer(self, since: datetime | None = None) -> dict[str, Decimal]:
        """Spent by offer since a moment (or ever)."""
        query = select(Spent.offer, func.sum(Spent.amount)).group_by(Spent.offer)
        if since is not None:
            query = query.where(Spent.at >= since)
        with self.database.transaction() as session:
            return {o: Decimal(a) for o, a in session.execute(query)}

    def pieces(self, offer: str, since: datetime) -> int:
        """How many jobs of an offer were made since a moment, and are being made."""
        with self.database.transaction() as session:
            return _pieces(session, offer, since)

    def entries(self, film: str | None = None) -> Sequence[Entry]:
        """The ledger, from the first on."""
        query = select(Spent).order_by(Spent.at, Spent.key)
        if film is not None:
            query = query.where(Spent.film == film)
        with self.database.transaction() as session:
            return [
                Entry(r.at, r.film, r.shot, r.kind, r.offer, Decimal(r.amount), r.key)
                for r in session.scalars(query)
            ]

    def currency(self) -> str:
        """What the page's money is called; empty while nobody said."""
        with self.database.transaction() as session:
            row = session.get(Kept, "currency")
            return str(row.value[0]) if row else ""

    def set_currency(self, name: str) -> None:
        """Say what the page's money is called. No sum changes: each service has its own rate."""
        with self.database.transaction() as session:
            row = session.get(Kept, "currency", with_for_update=True)
            if row is None:
                session.execute(
                    insert(Kept).values(name="currency", value=[name]).on_conflict_do_nothing()
                )
            else:
                row.value, row.at = [name], now()

    def limits(self) -> dict[str, Decimal]:
        """All limits, by scope."""
        with self.database.transaction() as session:
            return {r.scope: Decimal(r.amount) for r in session.scalars(select(Limit))}

    def set_limit(self, scope: str, amount: Decimal | None) -> None:
        """Set a limit, or take it away."""
        with self.database.transaction() as session:
            session.execute(text("SELECT pg_advisory_xact_lock(:lock)"), {"lock": _LOCK})
            session.execute(delete(Limit).where(Limit.scope == scope))
            if amount is not None:
                session.add(Limit(scope=scope, amount=amount))


def begin_of(scope: str, at: datetime) -> datetime | None:
    """When the day or month of a moment began (UTC); None for a film, which has no beginning."""
    if scope not in (DAY, MONTH):
        return None
    day = at.replace(hour=0, minute=0, second=0, microsecond=0)
    return day.replace(day=1) if scope == MONTH else day


def _sum(film: str | None, since: datetime | None) -> Select[Any]:
    query = select(func.coalesce(func.sum(Spent.amount), 0))
    if film is not None:
        query = query.where(Spent.film == film)
    return query if since is None else query.where(Spent.at >= since)


def _with_promised(session: Session, film: str | None, since: datetime | None) -> Decimal:
    """What is spent and what is promised, in one question: between two a promise could become a payment, and be in
    neither."""
    going = select(func.coalesce(func.sum(Promised.amount), 0)).where(
        Promised.at > now() - FORGOTTEN
    )
    if film is not None:
        going = going.where(Promised.film == film)
    both = select(_sum(film, since).scalar_subquery() + going.scalar_subquery())
    return Decimal(session.scalar(both) or 0)


def _pieces(session: Session, offer: str, since: datetime) -> int:
    """How many are made and going, in one question for the same reason."""
    made = select(func.count()).where(Spent.offer == offer, Spent.at >= since)
    going = select(func.count()).where(Promised.offer == offer, Promised.at > now() - FORGOTTEN)
    return session.scalar(select(made.scalar_subquery() + going.scalar_subquery())) or 0


def _daily(session: Session, offer: str, daily: int) -> None:
    day = begin_of(DAY, now())
    assert day is not None
    if _pieces(session, offer, day) >= daily:
        error = UsedUp(f"Today's {daily} of “{offer}” are used up.", "They renew at midnight UTC.")
        error.renews_at = day + timedelta(days=1)
        raise error


def _limits(session: Session, film: str, amount: Decimal) -> None:
    """Raises OverLimit where what was spent, what goes on and what is asked for pass a limit together."""
    at = now()
    for limit in session.scalars(select(Limit).where(Limit.scope.in_((DAY, MONTH, film)))):
        of = film if limit.scope == film else None
        taken = _with_promised(session, of, begin_of(limit.scope, at))
        if taken + amount > limit.amount:
            said = {DAY: "today", MONTH: "this month"}.get(limit.scope, "this film")
            raise OverLimit(
                f"The limit for {said}, {limit.amount:.2f}, leaves no room for {amount:.3f} more.",
                "Raise it under Services, or go on later.",
            )
