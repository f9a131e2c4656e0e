"""How often somebody may ask: a bucket that fills steadily for each name (an address, a link)."""

import threading
import time
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass

MOST_NAMES = 20_000
"""Names that are remembered; whoever was not heard of for longest is forgotten first."""


@dataclass(frozen=True)
class Rate:
    """So many at once, and so many more each minute."""

    at_once: int
    a_minute: float


class Limits:
    """Buckets by name."""

    def __init__(self, rate: Rate, clock: Callable[[], float] = time.monotonic) -> None:
        self.rate, self._clock = rate, clock
        self._left: OrderedDict[str, tuple[float, float]] = OrderedDict()
        self._lock = threading.Lock()

    def takes(self, name: str) -> bool:
        """Whether one more of a name is let in."""
        now = self._clock()
        with self._lock:
            left, at = self._left.pop(name, (float(self.rate.at_once), now))
            left = min(self.rate.at_once, left + (now - at) * self.rate.a_minute / 60)
            let_in = left >= 1
            self._left[name] = (left - 1 if let_in else left, now)
            if len(self._left) > MOST_NAMES:
                self._left.popitem(last=False)
        return let_in
