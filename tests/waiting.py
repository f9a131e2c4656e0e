"""Waiting for something to become so."""

import time
from collections.abc import Callable
from typing import TypeVar

T = TypeVar("T")
PATIENCE = 4
"""How much longer than on a quiet machine anything may take. Two cores that others use too were seen to work
at a fifth of their speed for an hour; a test says what happens, not how soon."""


def until(ask: Callable[[], T | None], seconds: float = 60) -> T:
    """Ask until there is an answer; `seconds` are those of a quiet machine."""
    end = time.monotonic() + PATIENCE * seconds
    while True:
        answer = ask()
        if answer:
            return answer
        assert time.monotonic() < end, "waited too long"
        time.sleep(0.1)


def steady(ask: Callable[[], T], seconds: float = 2, most: float = 60) -> T:
    """Ask until the answer has stayed the same for so long."""
    end, since, last = time.monotonic() + PATIENCE * most, time.monotonic(), ask()
    while time.monotonic() - since < seconds:
        assert time.monotonic() < end, "it never settled"
        time.sleep(0.1)
        if (answer := ask()) != last:
            since, last = time.monotonic(), answer
    return last
