"""Looking after media: each file that something tells of is looked at in turn, so that one that is gone or damaged is
known before somebody needs it."""

import logging
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from cutreel.store import prune_events

from .workshop import Workshop

log = logging.getLogger("cutreel.worker")
REMEMBERED = timedelta(days=90)
"""For which events are kept; a page that was away for longer opens its film anew."""
BATCH, BYTES = 200, 16_000_000
"""How many files are seen to be there, and how many bytes are read, at a time."""


@dataclass
class Caretaker:
    """Goes round, a few files at a time. Several may: each begins where it was told."""

    shop: Workshop
    after: str = ""
    rounds: int = 0

    def look(self) -> int:
        """Look at the next few files, and whether what is lost is there again; returns how many were newly lost."""
        self._regain()
        names = self.shop.lost.told_of(self.after, BATCH)
        left, lost = BYTES, 0
        for name in names:
            fault = "" if self.shop.media.has(name) else "gone"
            if not fault:
                left -= self.shop.media.size(name)
                fault = self.shop.media.fault(name)
            if fault == "damaged":
                self.shop.media.set_aside(name)
            if fault and self.shop.lost.lose(name, fault):
                log.warning("the media file %s is %s", name, fault)
                lost += 1
            self.after = name
            if left <= 0:
                return lost
        if len(names) < BATCH:
            self.after, self.rounds = "", self.rounds + 1
            self.shop.media.sweep()
            with self.shop.database.transaction() as session:
                prune_events(session, datetime.now(UTC) - REMEMBERED)
        return lost

    def _regain(self) -> None:
        for name in self.shop.lost.names():
            if self.shop.media.has(name) and not self.shop.media.fault(name):
                self.shop.lost.regain(name)
