"""A worker: the tasks it knows, and how it sees that everything which should move does."""

import asyncio
import ctypes
import logging
import random
import signal
import time
from collections.abc import Callable
from typing import Any

from procrastinate import App
from procrastinate.exceptions import ConnectorException

from cutreel.logs import set_up as set_up_logs

from .batches import move_batches
from .by_hand import look_in_folders
from .care import Caretaker
from .queue import ITEM, WAITED
from .registry import COMPUTING, SERVICES
from .runner import advance
from .telling import tell_due
from .work import make_waited, work_on
from .workshop import Workshop, workshop_from_environment

log = logging.getLogger("cutreel.worker")
AT_ONCE = {COMPUTING: 1, SERVICES: 4}
"""How many jobs of each queue a worker has in hand."""
SWEEP_EVERY = 4.0
STEADY, MOST_TRIES = 20.0, 5
"""Seconds after which a worker that was cut off had been well; and how often in a row it is taken up again."""
STALLED_AFTER = 20.0
"""Seconds without a sign of life after which what a page waits for is taken up by another worker."""


def known_to(app: App, shop: Workshop) -> App:
    """Register all tasks with `app`."""

    @app.task(name=ITEM)
    def item(item: int) -> None:
        work_on(shop, item)
        _give_back()

    @app.task(name=WAITED)
    def waited(kind: str, spec: dict[str, Any]) -> None:
        make_waited(shop, kind, spec)
        _give_back()

    return app


def _give_back() -> None:
    """Let the machine have the memory that the last piece of work needed: the C library keeps it otherwise, and a
    worker would be as large as the largest of everything that it ever did."""
    trim = getattr(ctypes.CDLL(None), "malloc_trim", None)
    if trim is not None:  # of the GNU C library
        trim(0)


async def run_worker(shop: Workshop) -> None:
    """Work until told to stop: one thing that is computed at a time, and a few that wait for
    services."""
    app = known_to(shop.queue.worker_app, shop)
    async with app.open_async():
        working = [
            asyncio.create_task(_work(app, queue, at_once)) for queue, at_once in AT_ONCE.items()
        ]
        beside = [
            asyncio.create_task(_sweep_on(app, shop)),
            asyncio.create_task(_again_and_again(tell_due, shop)),
            asyncio.create_task(_again_and_again(move_batches, shop)),
        ]

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
        for task in beside:
            task.cancel()
        for task in ended:
            if not task.cancelled():
                task.result()


async def _work(app: App, queue: str, at_once: int) -> None:
    await app.run_worker_async(
        queues=[queue],
        concurrency=at_once,
        wait=True,
        fetch_job_polling_interval=2.0,
        delete_jobs="always",
        shutdown_graceful_timeout=2,
        install_signal_handlers=False,
    )


def sweep(shop: Workshop) -> int:
    """Move what should move and does not, seen by what is there and not by what was meant: items
    that nobody works on, and runs whose stage is over. Returns how many were moved."""
    moved = shop.runs.requeue_lost(shop.queue)
    stuck = shop.runs.stuck_runs(shop.registry.runs)
    for run in stuck:
        advance(shop, run)
    return moved + len(stuck)


async def _sweep_on(app: App, shop: Workshop) -> None:
    # Each worker goes round from somewhere else, so that two need half the time.
    caretaker = Caretaker(shop, after=f"{random.randrange(256):02x}")
    while True:
        try:
            await asyncio.to_thread(sweep, shop)
            await asyncio.to_thread(caretaker.look)
            await asyncio.to_thread(look_in_folders, shop)
            stalled = await app.job_manager.get_stalled_jobs(
                seconds_since_heartbeat=STALLED_AFTER, task_name=WAITED
            )
            for job in stalled:
                await app.job_manager.retry_job(job)
        except Exception:
            log.exception("could not look for what was left behind")
        await asyncio.sleep(SWEEP_EVERY)


async def _again_and_again(do: Callable[[Workshop], object], shop: Workshop) -> None:
    """What takes its time, apart from what sweeps: to tell who is told outside, to begin the next film of a batch."""
    while True:
        try:
            await asyncio.to_thread(do, shop)
        except Exception:
            log.exception("%s did not succeed", do.__name__)
        await asyncio.sleep(SWEEP_EVERY)


def main() -> None:
    set_up_logs()
    tries = 0
    while True:
        began = time.monotonic()
        try:
            asyncio.run(run_worker(workshop_from_environment()))
            return
        except ConnectorException:
            # Cut off from the database while it looked for work: it goes on, unless that happens again and again.
            tries = 1 if time.monotonic() - began > STEADY else tries + 1
            if tries > MOST_TRIES:
                raise
            log.warning("cut off from the database; going on")
            time.sleep(1)


if __name__ == "__main__":
    main()
