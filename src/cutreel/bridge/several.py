"""Several makers as one: a job goes to whose offer it is."""

import time
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from decimal import Decimal
from functools import partial

from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput, Offer
from cutreel.services import Delivered, ServiceRefused

from .maker import Maker
from .plugged import Plugged, Spoken

LOST_FOR = 20.0
"""Seconds for which somebody who did not answer is not asked again for offers."""


@dataclass(frozen=True)
class In:
    """A maker that is plugged in."""

    plugged: Plugged
    maker: Maker


@dataclass
class _Lost:
    until: float
    why: str


class Makers:
    """The stand-ins, and what is plugged in beside them."""

    def __init__(self, first: Maker, plugged: Callable[[], Sequence[In]] = list) -> None:
        self.first, self._plugged = first, plugged
        self._seen: dict[str, list[Offer]] = {}
        self._lost: dict[str, _Lost] = {}

    def offers(self) -> list[Offer]:
        """All offers, at the page's money; of who does not answer those seen last. Raises CutReelError when nobody
        answers."""
        found: list[Offer] = []
        failed: list[CutReelError] = []
        plugged = [i for i in self._plugged() if i.plugged.on]
        try:
            found += self._of("", self.first.offers)
        except CutReelError as error:
            failed.append(error)
        for each in plugged:
            try:
                found += self._of(each.plugged.id, partial(_named, each))
            except CutReelError as error:
                failed.append(error)
        if failed and not found:
            raise failed[0]
        return found

    def at_hand(self) -> list[Offer]:
        """Offers that are known here, of which nobody else has to be asked: they are there also while somebody who is
        asked before them takes his time."""
        here = [
            i for i in self._plugged() if i.plugged.on and not isinstance(i.plugged.reached, Spoken)
        ]
        return [offer for each in here for offer in _named(each)]

    def troubles(self) -> dict[str, str]:
        """Who does not answer, by id ("" for the stand-ins), and why."""
        now = time.monotonic()
        return {name: lost.why for name, lost in self._lost.items() if lost.until > now}

    def silent(self) -> frozenset[str]:
        """Who did not answer when they were asked last, by id ("" for the stand-ins)."""
        asked = {i.plugged.id for i in self._plugged() if i.plugged.on} | {""}
        return frozenset(self._lost) & asked

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
        """See a job through with whose offer it is; the cost is in the page's money."""
        whose = next(
            (i for i in self._plugged() if offer.split("/", maxsplit=1)[0] == i.plugged.id), None
        )
        if whose is None:
            return self.first.do(
                offer, work, key, files=files, progress=progress, cancelled=cancelled
            )
        if not whose.plugged.on:
            raise ServiceRefused(
                f"“{whose.plugged.title}” is switched off.",
                "Switch it on, or choose another offer.",
            )
        done = whose.maker.do(
            offer.partition("/")[2] or offer,
            work,
            key,
            files=files,
            progress=progress,
            cancelled=cancelled,
        )
        if done is None:
            return None
        return Delivered(done.files, done.cost * whose.plugged.rate, done.unused_words)

    def _of(self, name: str, ask: Callable[[], list[Offer]]) -> list[Offer]:
        lost = self._lost.get(name)
        if lost is not None and lost.until > time.monotonic():
            if name in self._seen:
                return self._seen[name]
            raise CutReelError(lost.why, "See that it runs.")
        try:
            self._seen[name] = ask()
        except CutReelError as error:
            self._lost[name] = _Lost(time.monotonic() + LOST_FOR, str(error))
            if name in self._seen:
                return self._seen[name]
            raise
        self._lost.pop(name, None)
        return self._seen[name]


def _named(each: In) -> list[Offer]:
    return named(each.plugged, each.maker.offers())


def named(plugged: Plugged, offers: Sequence[Offer]) -> list[Offer]:
    """Offers of what is plugged in under names of their own, at the page's money."""
    return [
        o.model_copy(
            update={
                "name": o.name if o.name == plugged.id else f"{plugged.id}/{o.name}",
                "service": plugged.title,
                "terms": plugged.terms or o.terms,
                "credit": plugged.credit or o.credit,
                "price": o.price.model_copy(
                    update={"amount": (o.price.amount * plugged.rate).quantize(Decimal("0.00001"))}
                ),
            }
        )
        for o in offers
        if o.price.amount >= 0
    ]
