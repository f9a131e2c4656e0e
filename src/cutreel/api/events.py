"""Server-sent events of a film, resumable by id, fed from PostgreSQL notices."""

import asyncio
import contextlib
import json
from collections import defaultdict
from collections.abc import AsyncIterator
from typing import Any

import psycopg

from cutreel.making import Workshop
from cutreel.store import CHANNEL, events_after, last_event


class Listener:
    """One connection that listens for everyone, and wakes those who wait for a film."""

    def __init__(self, address: str) -> None:
        self.address = address
        self._waiting: dict[str, set[asyncio.Event]] = defaultdict(set)

    @contextlib.asynccontextmanager
    async def listening(self) -> AsyncIterator[None]:
        task = asyncio.create_task(self._listen())
        try:
            yield
        finally:
            task.cancel()
            with contextlib.suppress(asyncio.CancelledError):
                await task

    async def _listen(self) -> None:
        while True:
            try:
                async with await psycopg.AsyncConnection.connect(
                    self.address, autocommit=True
                ) as connection:
                    await connection.execute(f"LISTEN {CHANNEL}")
                    for waiting in [e for group in self._waiting.values() for e in group]:
                        waiting.set()
                    async for notice in connection.notifies():
                        for waiting in list(self._waiting.get(notice.payload.split(":")[0], ())):
                            waiting.set()
            except psycopg.OperationalError:
                await asyncio.sleep(1)

    @contextlib.contextmanager
    def bell(self, film: str) -> Any:
        """An event that is set whenever something happens to `film`."""
        event = asyncio.Event()
        self._waiting[film].add(event)
        try:
            yield event
        finally:
            self._waiting[film].discard(event)


async def stream(
    shop: Workshop, listener: Listener, film: str, after: int | None
) -> AsyncIterator[dict[str, str]]:
    """Events behind number `after` (None: from now on), for ever. Bursts come as they were written,
    in order."""
    with listener.bell(film) as bell:
        last = after if after is not None else await asyncio.to_thread(_last, shop, film)
        yield {"event": "ready", "id": str(last), "data": "{}"}
        while True:
            bell.clear()
            for number, what, data in await asyncio.to_thread(_read, shop, film, last):
                last = number
                yield {
                    "event": "film",
                    "id": str(number),
                    "data": json.dumps({"what": what, **data}),
                }
            with contextlib.suppress(TimeoutError):
                await asyncio.wait_for(bell.wait(), 15)


def _last(shop: Workshop, film: str) -> int:
    with shop.database.transaction() as session:
        return last_event(session, film)


def _read(shop: Workshop, film: str, last: int) -> list[tuple[int, str, dict[str, Any]]]:
    with shop.database.transaction() as session:
        return [(e.id, e.what, e.data) for e in events_after(session, film, last)]
