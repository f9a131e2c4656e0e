"""The tasks that workers know, and how a worker brings back what a killed one left behind."""

import asyncio
import logging
import os
from functools import lru_cache

from procrastinate import App

from .items import work_on
from .queue import ITEM, SEGMENT, queue_at
from .rendering import preview_segment
from .workshop import Workshop, workshop_from_environment

log = logging.getLogger("cutreel.worker")
DEAD_AFTER = 20.0
"""Seconds without a sign of life after which a worker's jobs are taken up again."""


@lru_cache(maxsize=1)
def workshop() -> Workshop:
    return workshop_from_environment()


def known_to(app: App) -> App:
    """Register all tasks with `app`."""

    @app.task(name=ITEM, queue="work")
    def item(item: int) -> None:
        work_on(workshop(), item)

    @app.task(name=SEGMENT, queue="work")
    def segment(key: str, plan: dict[str, object]) -> None:
        preview_segment(workshop(), key, plan)

    return app


async def run_worker() -> None:
    """Work until told to stop."""
    app = known_to(queue_at(os.environ["CUTREEL_DATABASE"]))
    async with app.open_async():
        rescue = asyncio.create_task(_rescue(app))
        try:
            await app.run_worker_async(
                queues=["work"],
                concurrency=1,
                wait=True,
                fetch_job_polling_interval=2.0,
                delete_jobs="successful",
                shutdown_graceful_timeout=2,
            )
        finally:
            rescue.cancel()


async def _rescue(app: App) -> None:
    while True:
        try:
            for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=DEAD_AFTER):
                log.warning("taking up job %s again, its worker is gone", job.id)
                await app.job_manager.retry_job(job)
        except Exception:
            log.exception("could not look for jobs left behind")
        await asyncio.sleep(5)


def main() -> None:
    logging.basicConfig(level=logging.WARNING, format="%(message)s")
    asyncio.run(run_worker())


if __name__ == "__main__":
    main()
