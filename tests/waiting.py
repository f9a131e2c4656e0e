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


def steady(ask: Callable[[], T], seconds: float = 2, most: float = 60) -> T:
    """Ask until the answer has stayed the same for so long."""
    end, since, last = time.monotonic() + most, time.monotonic(), ask()
    while time.monotonic() - since < seconds:
        assert time.monotonic() < end, "it never settled"
        time.sleep(0.1)
        if (answer := ask()) != last:
            since, last = time.monotonic(), answer
    return last
