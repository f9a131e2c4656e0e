"""At most so many jobs at once at an offer, whichever workers do them."""

import time
import zlib
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress

from sqlalchemy import text
from sqlalchemy.exc import OperationalError

from .database import Database

PAUSE = 0.1


class SlotStore:
    """Slots are advisory locks of PostgreSQL: they belong to a connection, so those of a worker
    that is killed are free again at once."""

    def __init__(self, database: Database) -> None:
        self.database = database

    @contextmanager
    def one_of(
        self, offer: str, parallel: int, cancelled: Callable[[], bool] = lambda: False
    ) -> Iterator[bool]:
        """Wait for one of an offer's `parallel` slots and hold it; gives False when `cancelled`
        became true first."""
        group = zlib.crc32(offer.encode()) - 2**31
        with self.database.engine.connect().execution_options(
            isolation_level="AUTOCOMMIT"
        ) as connection:
            held: int | None = None
            while held is None and not cancelled():
                for slot in range(max(1, parallel)):
                    if connection.scalar(
                        text("SELECT pg_try_advisory_lock(:g, :s)"), {"g": group, "s": slot}
                    ):
                        held = slot
                        break
                else:
                    time.sleep(PAUSE)
            try:
                yield held is not None
            finally:
                # With a connection that is gone its lock is gone as well.
                with suppress(OperationalError):
                    if held is not None:
                        connection.execute(
                            text("SELECT pg_advisory_unlock(:g, :s)"), {"g": group, "s": held}
                        )
