"""Starts runs, moves them from stage to stage, ends them."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal
from typing import Any

from sqlalchemy import func, select

from cutreel.core.errors import BadInput
from cutreel.store import ItemSpec
from cutreel.store.events import announce
from cutreel.store.tables import Item

from .plans import KINDS, items_of, price_of, stages_of, unpaid
from .queue import COMPUTING, ITEM, SERVICES, door
from .workshop import Workshop

MUST_SUCCEED = {"mix", "segments", "join"}
OF_THE_FILM = {"mix", "segment", "join"}
"""Kinds of items that are computed here; all others wait for services."""


@dataclass(frozen=True)
class Estimate:
    """What a run would make, cost and take, as far as can be known before it starts."""

    items: int
    cost: Decimal
    seconds: float
    pictures: int = 0
    fits: int | None = None
    renews: datetime | None = None


def estimate(shop: Workshop, film: str, kind: str, options: dict[str, Any]) -> Estimate:
    """Cost and time of a run before it is started."""
    assembled = shop.assembled(film)
    items: list[ItemSpec] = []
    for stage in stages_of(_known(kind), options):
        if stage not in ("segments", "preview", "join"):
            items += items_of(stage, assembled, options, shop)
    wanted = [i.spec["offer"] for i in items if i.kind == "picture"]
    offer = next((o for o in shop.offers() if wanted and o.name == wanted[0]), None)
    return Estimate(
        len(items),
        price_of(unpaid(items, shop), shop.offers()),
        sum(i.weight for i in items) / 2,
        len(wanted),
        min(len(wanted), offer.quota.left) if offer else None,
        offer.quota.renews_at if offer else None,
    )


def start_run(shop: Workshop, film: str, kind: str, options: dict[str, Any]) -> str:
    """Start a run; returns its id. Raises BadInput for a kind or options that make no sense."""
    stages_of(_known(kind), options)
    shop.films.get(film)
    run = shop.runs.start(film, kind, options)
    advance(shop, run)
    return run


def cancel_run(shop: Workshop, run: str) -> None:
    """Stop a run. What was made stays made."""
    shop.runs.finish(run, "cancelled", "Cancelled; what was made is kept.")


def pause_run(shop: Workshop, run: str) -> None:
    """Let a run rest; what is being made is finished and kept."""
    shop.runs.pause(run)


def go_on_run(shop: Workshop, run: str) -> None:
    """Let a paused run go on where it was."""
    _defer(shop.runs.go_on(run))
    advance(shop, run)


def advance(shop: Workshop, run: str) -> None:
    """Move a run on when everything of its stage is finished. Safe to call at any time, by any
    worker."""
    while True:
        deferred: list[tuple[int, str]] = []
        with shop.database.transaction() as session:
            row = shop.runs.locked(session, run)
            if row is None or row.state != "going":
                return
            open_items = session.scalar(
                select(func.count()).where(
                    Item.run == run, Item.stage == row.stage, Item.state.in_(("waiting", "going"))
                )
            )
            if row.stage >= 0 and open_items:
                return
            stages = stages_of(row.kind, row.options)
            failed = list(
                session.scalars(select(Item.message).where(Item.run == run, Item.state == "failed"))
            )
            strict = row.kind == "delivery" and (
                row.options.get("strict") or (row.stage >= 0 and stages[row.stage] in MUST_SUCCEED)
            )
            ended = row.stage + 1 >= len(stages)
            if not (failed and strict) and not ended:
                row.stage += 1
                specs = items_of(stages[row.stage], shop.assembled(row.film), row.options, shop)
                items = [
                    Item(
                        run=run,
                        stage=row.stage,
                        kind=s.kind,
                        label=s.label,
                        shot=s.shot,
                        spec=s.spec,
                        weight=s.weight,
                    )
                    for s in specs
                ]
                session.add_all(items)
                session.flush()
                deferred = [(i.id, i.kind) for i in items]
                announce(session, row.film, "run", run=run)
        if failed and strict:
            shop.runs.finish(run, "failed", failed[0])
            return
        if ended:
            shop.runs.finish(
                run, "done", f"{len(failed)} could not be made: {failed[0]}" if failed else ""
            )
            return
        _defer(deferred)
        if deferred:
            return


def _defer(items: Iterable[tuple[int, str]]) -> None:
    for number, kind in items:
        door.defer(ITEM, item=number, queue=COMPUTING if kind in OF_THE_FILM else SERVICES)


def _known(kind: str) -> str:
    if kind not in KINDS:
        raise BadInput(f"There is no run of kind “{kind}”.", "Choose " + ", ".join(KINDS) + ".")
    return kind
