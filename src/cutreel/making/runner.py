"""Starts runs, moves them from stage to stage, ends them."""

from collections.abc import Mapping
from typing import Any

from .registry import Stage
from .workshop import Workshop


def start_run(shop: Workshop, film: str, kind: str, options: Mapping[str, Any]) -> str:
    """Start a run; returns its id. Raises BadInput for a kind or options that make no sense."""
    wanted = shop.registry.wanted(kind, options)
    shop.films.get(film)
    run = shop.runs.start(film, kind, wanted.model_dump(mode="json", exclude_defaults=True))
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
    shop.runs.go_on(run, shop.queue)
    advance(shop, run)


def try_now(shop: Workshop, run: str) -> None:
    """Try at once what waits for a service or a quota."""
    shop.runs.try_now(run, shop.queue)


def advance(shop: Workshop, run: str) -> None:
    """Move a run on when everything of its stage is finished. Safe to call at any time, by any
    worker: what a stage consists of is worked out with nothing locked, and then taken only if
    nobody was faster."""
    while True:
        standing = shop.runs.standing(run)
        if standing is None or (standing[0].stage >= 0 and standing[1]):
            return
        row = standing[0]
        wanted = shop.registry.wanted(row.kind, row.options)
        stages = shop.registry.stages(wanted)
        if row.stage >= 0 and stages[row.stage].needs_all:
            failed = shop.runs.failures(run, row.stage)
            if failed:
                shop.runs.finish(run, "failed", _told(failed))
                return
        if row.stage + 1 >= len(stages):
            shop.runs.finish(run, "done", _told(shop.runs.failures(run)))
            return
        if not _begin(shop, run, row.film, row.stage + 1, stages[row.stage + 1], wanted):
            return


def _begin(shop: Workshop, run: str, film: str, number: int, stage: Stage, wanted: Any) -> bool:
    """Begin a stage; whether the run may be looked at again, since the stage has nothing to do."""
    items = stage.items(shop.assembled(film), wanted, shop)
    queues = [shop.registry.kinds[i.kind].queue for i in items]
    return shop.runs.open_stage(run, number, items, queues, shop.queue) and not items


def _told(failed: list[str]) -> str:
    if not failed:
        return ""
    return failed[0] if len(failed) == 1 else f"{len(failed)} could not be made: {failed[0]}"
