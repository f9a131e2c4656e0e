"""One item worked on: what a kind may use while it makes a thing, and the way every item goes,
whatever its kind.

What exists under the item's key is taken, never made nor paid again; so an item can be repeated at
any time.
"""

import json
import logging
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from decimal import Decimal
from typing import Any

from sqlalchemy.exc import OperationalError

from cutreel.bridge import OnTheList
from cutreel.core.errors import CutReelError
from cutreel.logs import about, place_of
from cutreel.protocol import JobInput, Offer
from cutreel.services import Delivered, ServiceDown, ServiceRefused
from cutreel.store import ClaimedItem, OverLimit, Question, media_in

from .paying import AskFirst, Order, ordered
from .registry import Made, Spec
from .room import DISK_FULL, no_room
from .runner import advance
from .workshop import Workshop

log = logging.getLogger("cutreel.worker")
ROOM_EVERY = 20
"""Seconds after which somebody looks whether there is room on the disk again."""
BY_HAND = timedelta(days=60)
"""For which something that is made by hand, or an answer, is waited for."""


@dataclass
class Work:
    """One item as it is worked on."""

    shop: Workshop
    item: ClaimedItem

    @property
    def film(self) -> str:
        return self.item.film

    @property
    def shot(self) -> int | None:
        return self.item.shot

    def progress(self, share: float) -> None:
        """Say how far it is, 0 … 1; small steps are not told."""
        if share - self.item.progress >= 0.1:
            self.item.progress = share
            self.shop.runs.note(self.item, progress=share)

    def dropped(self) -> bool:
        """Whether nobody wants the run any more; one that rests finishes what it began."""
        return self.shop.runs.state_of(self.item.run) not in ("going", "paused")

    def second(self, kind: str) -> bool | None:
        """Whether the second choice may make it; None: nobody said so yet."""
        return self.item.answers.get(kind)

    def ask(
        self, offer: str, job: JobInput, spec: Spec, files: Mapping[str, bytes] | None = None
    ) -> Delivered | None:
        """Have a service do it, with progress and cancelling; what it cost is counted once. None
        when cancelled."""
        return ordered(
            self.shop,
            Order(
                film=self.film,
                offer=offer,
                work=job,
                key=spec.key,
                shot=self.shot,
                second=self.second(job.kind),
                files=files,
                progress=self.progress,
                cancelled=self.dropped,
            ),
        )

    def offer_of(self, kind: str, name: str = "") -> Offer:
        return self.shop.offer_of(kind, name)


class Waited(Work):
    """What a page waits for, outside of any run: nobody is told how far it is, and nobody drops it."""

    def __init__(self, shop: Workshop) -> None:
        self.shop = shop

    def progress(self, share: float) -> None:
        return

    def second(self, kind: str) -> bool | None:
        return False

    def dropped(self) -> bool:
        return False


def make_waited(shop: Workshop, name: str, spec: Mapping[str, Any]) -> None:
    """Make what a page waits for, unless it is there."""
    kind = shop.registry.kinds[name]
    wanted = kind.spec.model_validate(spec)
    if shop.results.get(wanted.key) is None:
        made = kind.make(wanted, Waited(shop))
        if made is not None:
            shop.results.put(wanted.key, name, made.media, dict(made.data))


def work_on(shop: Workshop, number: int) -> None:
    """Do one item of a run, then move the run on."""
    claimed = shop.runs.claim(number)
    if claimed is not None:
        with about(run=claimed.run, item=claimed.id, kind=claimed.kind):
            _work_on(shop, claimed)


def _work_on(shop: Workshop, claimed: ClaimedItem) -> None:
    work = Work(shop, claimed)
    try:
        with shop.runs.beating(claimed):
            _do(work)
    except ServiceDown as error:
        shop.runs.wait(claimed, error.message, shop.queue)
        return
    except ServiceRefused as error:
        if error.renews_at and claimed.options.get("wait"):
            when = f"The quota is used up; it goes on at {error.renews_at:%H:%M} UTC."
            shop.runs.wait(claimed, when, shop.queue, until=error.renews_at)
            return
        shop.runs.note(claimed, state="failed", message=str(error))
    except AskFirst as asked:
        _ask(shop, claimed, asked)
        return
    except OnTheList as error:
        spec = shop.registry.kinds[claimed.kind].spec.model_validate(claimed.spec)
        shop.hand.whose(spec.key, claimed.film, claimed.shot, claimed.id, claimed.label)
        shop.runs.wait(claimed, str(error), shop.queue, until=datetime.now(UTC) + BY_HAND)
        return
    except OverLimit as error:
        # Whoever set the limit is asked: the run rests, and goes on with this very item; why is told before.
        in_an_hour = datetime.now(UTC) + timedelta(hours=1)
        shop.runs.wait(claimed, str(error), shop.queue, until=in_an_hour)
        shop.runs.pause(claimed.run)
        return
    except CutReelError as error:
        if no_room(shop, error):
            _wait_for_room(shop, claimed)
            return
        shop.runs.note(claimed, state="failed", message=str(error))
    except OperationalError:
        # The database went away: nothing is known to have failed, and the item is taken up again.
        raise
    except Exception as error:
        if no_room(shop, error):
            _wait_for_room(shop, claimed)
            return
        log.error("an item failed: %s", place_of(error))
        shop.runs.note(
            claimed, state="failed", message=f"{claimed.label}: {type(error).__name__}: {error}"
        )
    advance(shop, claimed.run)


def _ask(shop: Workshop, item: ClaimedItem, asked: AskFirst) -> None:
    """Put the question, and let the item wait for the answer; it goes on by itself where the first can again."""
    error = asked.error
    shop.runs.ask(item.run, Question(kind=asked.kind, then=asked.second.title, why=error.message))
    until = None
    if isinstance(error, ServiceRefused):
        until = error.renews_at or datetime.now(UTC) + BY_HAND
    shop.runs.wait(item, str(asked), shop.queue, until=until)
    # Another item may have put it, and it may have been answered while this one did not wait yet.
    if shop.runs.is_answered(item.run, asked.kind):
        shop.runs.try_now(item.run, shop.queue)


def _wait_for_room(shop: Workshop, item: ClaimedItem) -> None:
    soon = datetime.now(UTC) + timedelta(seconds=ROOM_EVERY)
    shop.runs.wait(item, DISK_FULL, shop.queue, until=soon)


def _do(work: Work) -> None:
    shop, item = work.shop, work.item
    kind = shop.registry.kinds[item.kind]
    spec = kind.spec.model_validate(item.spec)
    shop.lost.look_again()
    result, cost = shop.results.get(spec.key), Decimal(0)
    if result is None:
        made = kind.make(spec, work)
        if made is None:
            shop.runs.note(item, state="cancelled")
            return
        _is_there_again(shop, made)
        shop.results.put(spec.key, kind.name, made.media, dict(made.data), made.cost)
        result, cost = shop.results.get(spec.key), made.cost
        assert result is not None
    kind.place(spec, result, cost, work)
    shop.runs.note(item, state="done", progress=1.0, cost=cost)


def _is_there_again(shop: Workshop, made: Made) -> None:
    """What was lost and is made again as it was is lost no more, from now on and not from when somebody looks."""
    lost = shop.lost.names()
    if not lost:
        return
    for name in media_in(f"{made.media} {json.dumps(dict(made.data))}") & lost:
        if shop.media.has(name):
            shop.lost.regain(name)
