"""The job queue: procrastinate over the film database."""

import os
from datetime import datetime
from typing import Any

from procrastinate import App, PsycopgConnector

ITEM, SEGMENT = "cutreel.item", "cutreel.preview_segment"
COMPUTING, SERVICES = "work", "services"
"""Two queues: what a core is busy with, and what waits for services, so that neither stands in the
other's way."""


def queue_at(address: str) -> App:
    """The queue in the database at `address`."""
    return App(connector=PsycopgConnector(conninfo=address), import_paths=["cutreel.jobs.tasks"])


class _Door:
    """Defers jobs over one open connection pool per process."""

    def __init__(self) -> None:
        self._app: Any = None

    def app(self) -> Any:
        if self._app is None:
            self._app = queue_at(os.environ["CUTREEL_DATABASE"]).with_connector(
                PsycopgConnector(conninfo=os.environ["CUTREEL_DATABASE"]).get_sync_connector()
            )
            self._app.open()
        return self._app

    def defer(
        self,
        task: str,
        *,
        queue: str = COMPUTING,
        priority: int = 0,
        lock: str | None = None,
        at: datetime | None = None,
        **arguments: Any,
    ) -> None:
        """Put a job on a queue, to be done from `at` on; with `lock`, only one of that name waits
        at a time."""
        from procrastinate.exceptions import AlreadyEnqueued

        try:
            how: dict[str, Any] = {"queue": queue, "priority": priority, "queueing_lock": lock}
            if at is not None:
                how["schedule_at"] = at
            self.app().configure_task(task, **how).defer(**arguments)
        except AlreadyEnqueued:
            return


door = _Door()
