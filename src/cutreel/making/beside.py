"""Work that takes a core for seconds, done on all cores: many calls of one function, in processes beside this one."""

import os
from collections import deque
from collections.abc import Callable, Generator, Iterable
from multiprocessing import get_context
from typing import Any, TypeVar

from pebble import ProcessPool

T = TypeVar("T")
AHEAD = 2
"""Calls in hand for each core: enough that none waits, few enough that what goes with them is small."""


def beside(
    work: Callable[..., T], calls: Iterable[tuple[Any, ...]]
) -> Generator[T | BaseException]:
    """What `work` makes of each call, or the error that it raised, in their order. `work` and all that goes with it
    must be picklable. Whoever stops asking ends the processes."""
    cores = os.cpu_count() or 1
    pool: Any = ProcessPool(max_workers=cores, context=get_context("spawn"))
    try:
        going: deque[Any] = deque()
        for call in calls:
            going.append(pool.schedule(work, args=call))
            if len(going) >= AHEAD * cores:
                yield _ended(going.popleft())
        while going:
            yield _ended(going.popleft())
    finally:
        pool.stop()
        pool.join()


def _ended(future: Any) -> Any:
    error = future.exception()
    return future.result() if error is None else error
