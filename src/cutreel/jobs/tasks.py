"""The tasks that workers know, and how a worker brings back what a killed one left behind."""

import asyncio
import logging
import os
import signal
from functools import lru_cache

from procrastinate import App

from .items import work_on
from .queue import COMPUTING, ITEM, SEGMENT, SERVICES, queue_at
from .rendering import preview_segment
from .workshop import Workshop, workshop_from_environment

log = logging.getLogger("cutreel.worker")
AT_ONCE = {COMPUTING: 1, SERVICES: 4}
"""How many jobs of each queue a worker has in hand."""
DEAD_AFTER = 20.0
"""Seconds without a sign of life after which a worker's jobs are taken up again."""


@lru_cache(maxsize=1)
def workshop() -> Workshop:
    return workshop_from_environment()


def known_to(app: App) -> App:
    """Register all tasks with `app`."""

    @app.task(name=ITEM)
    def item(item: int) -> None:
        work_on(workshop(), item)

    @app.task(name=SEGMENT)
    def segment(key: str, plan: dict[str, object]) -> None:
        preview_segment(workshop(), key, plan)

    return app


async def run_worker() -> None:
    """Work until told to stop: one thing that is computed at a time, and a few that wait for
    services."""
    app = known_to(queue_at(os.environ["CUTREEL_DATABASE"]))
    async with app.open_async():
        working = [
            asyncio.create_task(_work(app, queue, at_once)) for queue, at_once in AT_ONCE.items()
        ]
        rescue = asyncio.create_task(_rescue(app))

        def stop() -> None:
            for task in working:
                task.cancel()

        for sign in (signal.SIGINT, signal.SIGTERM):
            asyncio.get_running_loop().add_signal_handler(sign, stop)
        # One that ends by an error must not leave the other to go on alone: the supervisor starts
        # both anew.
        ended, _ = await asyncio.wait(working, return_when=asyncio.FIRST_COMPLETED)
        stop()
        await asyncio.gather(*working, return_exceptions=True)
        rescue.cancel()
        for task in ended:
            if not task.cancelled():
                task.result()


async def _work(app: App, queue: str, at_once: int) -> None:
    await app.run_worker_async(
        queues=[queue],
        concurrency=at_once,
        wait=True,
        fetch_job_polling_interval=2.0,
        delete_jobs="successful",
        shutdown_graceful_timeout=2,
        install_signal_handlers=False,
    )


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
