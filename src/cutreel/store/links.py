"""Links for others: each shows one film, to whoever has it, for a time."""

import hashlib
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import select, update

from cutreel.core.errors import NotFound

from .database import Database
from .films import new_id
from .tables import LinkRow, now


@dataclass(frozen=True)
class Link:
    """A link. `password` is its hash (Argon2), None where none is asked for; `sealed` the token."""

    id: str
    film: str
    label: str
    may_note: bool
    password: str | None
    until: datetime
    created: datetime
    withdrawn: datetime | None
    opened: int
    last_opened: datetime | None
    sealed: bytes

    def is_open(self, at: datetime) -> bool:
        """Whether it shows its film at a moment."""
        return self.withdrawn is None and at < self.until


class LinkStore:
    """Keeps links."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def add(self, token: str, sealed: bytes, told: Mapping[str, Any]) -> str:
        """Keep a link; returns its id."""
        row = LinkRow(id=new_id(), token_hash=hashed(token), sealed=sealed, **told)
        with self.database.transaction() as session:
            session.add(row)
        return row.id

    def of_film(self, film: str) -> list[Link]:
        """A film's links that were not withdrawn, newest first."""
        query = select(LinkRow).where(LinkRow.film == film, LinkRow.withdrawn.is_(None))
        with self.database.transaction() as session:
            return [_link(r) for r in session.scalars(query.order_by(LinkRow.created.desc()))]

    def by_token(self, token: str) -> Link | None:
        """The link of a token, looked up by its hash: how long that takes tells nothing of the token."""
        query = select(LinkRow).where(LinkRow.token_hash == hashed(token))
        with self.database.transaction() as session:
            row = session.scalar(query)
            return _link(row) if row is not None else None

    def note_opened(self, link: str) -> None:
        with self.database.transaction() as session:
            session.execute(
                update(LinkRow)
                .where(LinkRow.id == link)
                .values(opened=LinkRow.opened + 1, last_opened=now())
            )

    def withdraw(self, film: str, link: str) -> None:
        """Take a link back: from now on it shows nothing. Raises NotFound."""
        with self.database.transaction() as session:
            row = session.get(LinkRow, link)
            if row is None or row.film != film:
                raise NotFound("There is no such link.", "Load the page again.")
            row.withdrawn = row.withdrawn or now()


def hashed(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def _link(row: LinkRow) -> Link:
    names = Link.__dataclass_fields__
    return Link(**{name: getattr(row, name) for name in names})
