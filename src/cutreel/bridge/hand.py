"""A maker's own browser or pencil as an offer: what is asked for becomes a list, and what comes back finds its place by
its number."""

import re
from collections.abc import Callable, Mapping
from pathlib import PurePath
from typing import Protocol

from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput, Offer
from cutreel.services import Delivered, ServiceRefused

from .one_file import delivered, within_caps
from .plugged import ByHand, Plugged


class OnTheList(CutReelError):
    """A job that waits for somebody's hand; it is not a failure."""

    code = "by-hand"
    status = 409


class HandList(Protocol):
    """Where jobs for a hand are kept."""

    def brought(self, key: str) -> bytes | None:
        """The file that was brought for a job; None while there is none."""

    def put(self, key: str, service: str, work: JobInput) -> bool:
        """Put a job on the list, if it is not there already. False where it was taken off."""


class HandMaker:
    """Puts jobs on a list, and takes what is brought."""

    def __init__(
        self, plugged: Plugged, hand: HandList, used: Callable[[], int] = lambda: 0
    ) -> None:
        assert isinstance(plugged.reached, ByHand)
        self.plugged, self.reached, self._hand, self._used = plugged, plugged.reached, hand, used

    def offers(self) -> list[Offer]:
        return [self.reached.offer.offer(self.plugged.id, self.plugged.title, self._used())]

    def do(
        self,
        offer: str,
        work: JobInput,
        key: str,
        *,
        files: Mapping[str, bytes] | None = None,
        progress: Callable[[float], None] = lambda share: None,
        cancelled: Callable[[], bool] = lambda: False,
    ) -> Delivered | None:
        """What was brought for a job. Raises OnTheList while nothing was."""
        known = self.offers()[0]
        within_caps(known, work)
        data = self._hand.brought(key)
        if data is None:
            if not self._hand.put(key, self.plugged.id, work):
                raise ServiceRefused(
                    f"It was taken off the list of “{self.plugged.title}”.",
                    "Ask for it again, or choose another offer.",
                )
            raise OnTheList(
                f"It is on the list of “{self.plugged.title}”.",
                "Make it there, and bring the file under Services.",
            )
        return delivered(known, work, data)


def number_of(name: str) -> int | None:
    """The number that a file's name begins with: `12.png`, `012 the jetty.png`, `12-b.jpg`; None for no number."""
    found = re.match(r"#?0*(\d{1,9})(?!\d)", PurePath(name.replace("\\", "/")).name)
    return int(found[1]) if found else None
