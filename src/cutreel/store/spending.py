"""What was spent. A job's cost is counted once, by its key, however often it is reported."""

from datetime import datetime
from decimal import Decimal

from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert

from .database import Database
from .tables import Spent


class SpendStore:
    """Counts money."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def spend(self, key: str, film: str, offer: str, amount: Decimal) -> None:
        with self.database.transaction() as session:
            session.execute(
                insert(Spent)
                .values(key=key, film=film, offer=offer, amount=amount)
                .on_conflict_do_nothing()
            )

    def total(self, film: str | None = None, since: datetime | None = None) -> Decimal:
        """Spent on a film (or on all) since a moment (or ever)."""
        query = select(func.coalesce(func.sum(Spent.amount), 0))
        if film is not None:
            query = query.where(Spent.film == film)
        if since is not None:
            query = query.where(Spent.at >= since)
        with self.database.transaction() as session:
            return Decimal(session.scalar(query) or 0)

    def by_offer(self) -> dict[str, Decimal]:
        with self.database.transaction() as session:
            return {
                o: Decimal(a)
                for o, a in session.execute(
                    select(Spent.offer, func.sum(Spent.amount)).group_by(Spent.offer)
                )
            }
