"""Encoders share the machine with everything else."""

import os
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path

_THREADS = Path("/proc/self/task")


def _threads() -> set[int]:
    return {int(thread.name) for thread in _THREADS.iterdir()}


@contextmanager
def sharing_the_machine() -> Iterator[None]:
    """While an encoder opens: what it does to the scheduling of this thread is taken back, and its own threads are
    scheduled as this one was.

    SVT-AV1 makes the calling thread a real-time one of the highest priority where it may (pthread_setschedparam with
    SCHED_FIFO, as root always), and its threads inherit that, as does every process begun afterwards: pages and
    database stand still then.
    """
    if not hasattr(os, "sched_setscheduler") or not _THREADS.is_dir():  # not on Linux
        yield
        return
    before = _threads()
    policy, priority = os.sched_getscheduler(0), os.sched_getparam(0)
    try:
        yield
    finally:
        os.sched_setscheduler(0, policy, priority)
        for thread in _threads() - before:
            with suppress(ProcessLookupError):  # it has ended
                os.sched_setscheduler(thread, policy, priority)
