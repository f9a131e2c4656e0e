"""Waiting for something to become so."""

import time
from collections.abc import Callable
from typing import TypeVar

T = TypeVar("T")


def until(ask: Callable[[], T | None], seconds: float = 60) -> T:
    """Ask until there is an answer."""
    end = time.monotonic() + seconds
    while True:
        answer = ask()
        if answer:
            return answer
        assert time.monotonic() < end, "waited too long"
        time.sleep(0.1)
