"""Who outside is told when something is ready. What is to be told is noted in the transaction in which it becomes so,
and sent afterwards, so that neither a killed worker nor an address that is away loses it."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any
from uuid import uuid4

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from cutreel.core.errors import BadInput, NotFound

from .database import Database
from .films import new_id
from .tables import Telling, ToldAddress, now

MOST_ADDRESSES = 10
WAITS = tuple(timedelta(seconds=s) for s in (5, 30, 300, 1_800, 7_200, 18_000, 36_000))
"""From one try to the next, as the open standard for such calls proposes; after the last it is given up."""
REMEMBERED = timedelta(days=14)


@dataclass(frozen=True)
class Told:
    """An address and how it was told last: when, whether that arrived, what it answered; `waits` are still to be
    told."""

    id: str
    address: str
    created: datetime
    last: datetime | None
    arrived: bool
    says: str
    waits: int


@dataclass
class DueTelling:
    """What is to be told now; whoever sends it writes down how that went."""

    id: str
    address: str
    sealed: bytes
    body: dict[str, Any]
    arrived: bool = False
    says: str = ""


class ToldStore:
    """Keeps addresses and what they are to be told."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def all(self) -> list[Told]:
        with self.database.transaction() as session:
            rows = session.scalars(select(ToldAddress).order_by(ToldAddress.created))
            return [_told(session, row) for row in rows]

    def add(self, address: str, sealed: bytes) -> str:
        """Keep an address. Raises BadInput where there are enough."""
        with self.database.transaction() as session:
            if len(list(session.scalars(select(ToldAddress.id)))) >= MOST_ADDRESSES:
                raise BadInput(
                    f"{MOST_ADDRESSES} addresses are told already.", "Take one away first."
                )
            row = ToldAddress(id=new_id(), address=address, sealed=sealed)
            session.add(row)
            return row.id

    def drop(self, id: str) -> None:
        """Tell an address nothing more. Raises NotFound."""
        with self.database.transaction() as session:
            row = session.get(ToldAddress, id)
            if row is None:
                raise NotFound("That address is not told anything.", "Load the page again.")
            session.delete(row)

    def put(self, id: str, body: dict[str, Any]) -> None:
        """Tell one address something. Raises NotFound."""
        with self.database.transaction() as session:
            if session.get(ToldAddress, id) is None:
                raise NotFound("That address is not told anything.", "Load the page again.")
            session.add(_telling(id, body))

    @contextmanager
    def due(self) -> Iterator[DueTelling | None]:
        """One telling that is due, in this one's hand alone until how it went is written down; None for none."""
        with self.database.transaction() as session:
            session.execute(delete(Telling).where(Telling.at < now() - REMEMBERED))
            query = (
                select(Telling)
                .where(Telling.due <= now())
                .order_by(Telling.due)
                .limit(1)
                .with_for_update(skip_locked=True)
            )
            row = session.scalar(query)
            if row is None:
                yield None
                return
            to = session.get_one(ToldAddress, row.address)
            telling = DueTelling(row.id, to.address, to.sealed, row.body)
            yield telling
            row.tries, row.says = row.tries + 1, telling.says
            row.arrived = now() if telling.arrived else None
            again = not telling.arrived and row.tries <= len(WAITS)
            row.due = now() + WAITS[row.tries - 1] if again else None


def tell(session: Session, body: dict[str, Any]) -> None:
    """Let every address be told something, once the transaction commits."""
    ids: Sequence[str] = session.scalars(select(ToldAddress.id)).all()
    session.add_all([_telling(id, body) for id in ids])


def _telling(address: str, body: dict[str, Any]) -> Telling:
    return Telling(id=f"msg_{uuid4().hex[:24]}", address=address, body=body)


def _told(session: Session, row: ToldAddress) -> Told:
    tellings = list(
        session.scalars(
            select(Telling).where(Telling.address == row.id).order_by(Telling.at.desc())
        )
    )
    tried = next((t for t in tellings if t.tries), None)
    return Told(
        id=row.id,
        address=row.address,
        created=row.created,
        last=tried.at if tried else None,
        arrived=tried is not None and tried.arrived is not None,
        says=tried.says if tried else "",
        waits=sum(t.due is not None for t in tellings),
    )
