"""The job queue: procrastinate in the film database, so that what is noted and what is queued are
one transaction."""

from collections.abc import Sequence
from datetime import datetime
from functools import cached_property
from typing import Any

from procrastinate import App, PsycopgConnector
from procrastinate.exceptions import AlreadyEnqueued
from sqlalchemy import text
from sqlalchemy.orm import Session

from .registry import COMPUTING, Spec

ITEM, WAITED = "cutreel.item", "cutreel.waited"


class Queue:
    """The queue in the database at `address`."""

    def __init__(self, address: str) -> None:
        self.address = address

    @cached_property
    def worker_app(self) -> App:
        """For a worker, which waits for jobs."""
        return App(connector=PsycopgConnector(conninfo=self.address))

    @cached_property
    def _app(self) -> Any:
        app = App(connector=PsycopgConnector(conninfo=self.address).get_sync_connector())
        app.open()
        return app

    def put_items(
        self,
        session: Session,
        items: Sequence[tuple[int, str]],
        at: datetime | None = None,
        priority: int = 0,
    ) -> None:
        """Queue items, by number and queue, within `session`'s transaction: they are there when it
        commits, or never. With `at`, not before that moment; higher priorities before lower ones."""
        connection = session.connection().connection.dbapi_connection
        for queue in sorted({queue for _, queue in items}):
            how: dict[str, Any] = {"queue": queue, "connection": connection, "priority": priority}
            if at is not None:
                how["schedule_at"] = at
            deferrer = self._app.configure_task(ITEM, allow_unknown=True, **how)
            deferrer.batch_defer(*({"item": number} for number, of in items if of == queue))

    def hurry(self, session: Session, items: Sequence[int]) -> None:
        """Let items that wait for a moment be taken up now."""
        session.execute(
            text(
                "UPDATE procrastinate_jobs SET scheduled_at = NULL WHERE status = 'todo' "
                "AND task_name = :task AND (args ->> 'item')::bigint = ANY(:items)"
            ),
            {"task": ITEM, "items": list(items)},
        )

    def rank(self, session: Session, items: Sequence[int], priority: int) -> None:
        """Give items that wait their turn another priority."""
        session.execute(
            text(
                "UPDATE procrastinate_jobs SET priority = :priority WHERE status = 'todo' "
                "AND task_name = :task AND (args ->> 'item')::bigint = ANY(:items)"
            ),
            {"task": ITEM, "items": list(items), "priority": priority},
        )

    def put_waited(self, spec: Spec) -> None:
        """Queue what a page waits for, before everything else; what is queued is not queued again."""
        try:
            self._app.configure_task(
                WAITED, allow_unknown=True, queue=COMPUTING, priority=20, queueing_lock=spec.key
            ).defer(kind=spec.kind, spec=spec.model_dump(mode="json"))
        except AlreadyEnqueued:
            return

    def set_up(self) -> None:
        """Make the queue's own tables."""
        app = App(connector=PsycopgConnector(conninfo=self.address).get_sync_connector())
        with app.open():
            app.schema_manager.apply_schema()

    def close(self) -> None:
        if "_app" in self.__dict__:
            self._app.close()
            del self.__dict__["_app"]
