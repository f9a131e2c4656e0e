"""Results by key: what was made once is never made again."""

from collections.abc import Collection
from decimal import Decimal
from typing import Any

from sqlalchemy import ColumnElement, String, any_, cast, delete, select
from sqlalchemy.dialects.postgresql import ARRAY, insert

from cutreel.core.film import Result

from .database import Database
from .lost import LostStore
from .tables import ResultRow

MOST_KEPT = 20_000


class ResultStore:
    """Keeps results. What was made under a key never changes, so what was looked up once is kept ready; unless its file
    was lost, and it was made again."""

    def __init__(self, database: Database, lost: LostStore) -> None:
        self.database, self.lost = database, lost
        self._kept: dict[str, Result] = {}

    def get(self, key: str) -> Result | None:
        return self.many([key]).get(key)

    def many(self, keys: Collection[str]) -> dict[str, Result]:
        """The results there are among `keys`, by key; what tells of a file that is lost is none."""
        found = self._looked_up(keys)
        there = self.lost.without_lost(found)
        gone = found.keys() - there.keys()
        if gone:
            for key in gone:
                self._kept.pop(key, None)
            there |= self.lost.without_lost(self._looked_up(gone))
            for key in gone - there.keys():
                self._kept.pop(key, None)
        return there

    def _looked_up(self, keys: Collection[str]) -> dict[str, Result]:
        kept = self._kept
        found = {key: kept[key] for key in keys if key in kept}
        missing = set(keys) - found.keys()
        if missing:
            with self.database.transaction() as session:
                rows = session.scalars(select(ResultRow).where(_among(missing)))
                fresh = {r.key: Result(r.key, r.kind, r.media, r.data, r.cost) for r in rows}
            if len(kept) + len(fresh) > MOST_KEPT:
                self._kept = kept = {}
            kept.update(fresh)
            found |= fresh
        return found

    def known(self, keys: Collection[str]) -> set[str]:
        """Which of `keys` have a result."""
        if not keys:
            return set()
        with self.database.transaction() as session:
            query = select(ResultRow.key).where(_among(keys))
            return set(session.scalars(query))

    def of_kind(self, kind: str) -> list[Result]:
        """All results of a kind."""
        with self.database.transaction() as session:
            rows = session.scalars(select(ResultRow).where(ResultRow.kind == kind))
            return [Result(r.key, r.kind, r.media, r.data, r.cost) for r in rows]

    def drop(self, key: str) -> None:
        """Forget a result that turned out to be of no use."""
        self._kept.pop(key, None)
        with self.database.transaction() as session:
            session.execute(delete(ResultRow).where(ResultRow.key == key))

    def put(
        self,
        key: str,
        kind: str,
        media: str | None,
        data: dict[str, Any],
        cost: Decimal = Decimal(0),
    ) -> None:
        """Keep a result; when two workers made the same, the first stays, unless its file was lost."""
        row = insert(ResultRow).values(key=key, kind=kind, media=media, data=data, cost=cost)
        fresh = {"media": media, "data": data, "cost": cost}
        lost = self.lost.names()
        with self.database.transaction() as session:
            if not lost:
                session.execute(row.on_conflict_do_nothing())
            else:
                gone = ResultRow.media.in_(lost)
                session.execute(
                    row.on_conflict_do_update(index_elements=["key"], set_=fresh, where=gone)
                )


def _among(keys: Collection[str]) -> ColumnElement[bool]:
    """One list as one parameter: a thousand parameters would take longer to write than the answer takes to find."""
    return ResultRow.key == any_(cast(list(set(keys)), ARRAY(String)))
