"""What services call back when a job is done: each job has an address of its own, which nobody can guess."""

import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy import delete
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from cutreel.core.errors import NotFound

from .database import Database
from .tables import Callback, now

FORGOTTEN = timedelta(days=7)
"""After which nobody calls back any more."""


@dataclass(frozen=True)
class Call:
    """A job that is called back: the `token` of its address, when it was `sent`, the `media` file that came last and
    when it came."""

    token: str
    sent: datetime | None
    media: str | None
    at: datetime


class CallbackStore:
    """Keeps who is called back, and with what."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def open(self, key: str) -> Call:
        """The call of a job, by its key: the same for as long as it is open, so that who was sent a job before a worker
        died is not sent it again."""
        with self.database.transaction() as session:
            session.execute(delete(Callback).where(Callback.at < now() - FORGOTTEN))
            token = secrets.token_urlsafe(24)
            session.execute(
                insert(Callback).values(key=key, token=token, at=now()).on_conflict_do_nothing()
            )
            return _call(_of(session, key))

    def look(self, key: str) -> Call:
        with self.database.transaction() as session:
            return _call(_of(session, key))

    def note_sent(self, key: str) -> None:
        """The job was sent."""
        with self.database.transaction() as session:
            _of(session, key).sent = now()

    def bring(self, token: str, media: str) -> None:
        """Keep what was called back. Raises NotFound where nobody waits for it."""
        with self.database.transaction() as session:
            row = session.query(Callback).filter(Callback.token == token).one_or_none()
            if row is None:
                raise NotFound("Nobody waits for that.", "The job is over, or was given up.")
            row.media, row.at = media, now()

    def waits(self, token: str) -> bool:
        """Whether somebody waits for what is called back there."""
        with self.database.transaction() as session:
            return session.query(Callback).filter(Callback.token == token).count() > 0

    def close(self, key: str) -> None:
        """Nobody waits for it any more."""
        with self.database.transaction() as session:
            session.execute(delete(Callback).where(Callback.key == key))


def _of(session: Session, key: str) -> Callback:
    row = session.get(Callback, key)
    if row is None:
        raise NotFound("Nobody waits for that.", "Ask for it again.")
    return row


def _call(row: Callback) -> Call:
    return Call(row.token, row.sent, row.media, row.at)
