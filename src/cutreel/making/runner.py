"""Starts runs, moves them from stage to stage, ends them."""

import logging
from collections.abc import Mapping
from typing import Any

from sqlalchemy.exc import OperationalError

from cutreel.core.errors import CutReelError
from cutreel.services import ServiceDown
from cutreel.store import ItemSpec

from .workshop import Workshop

log = logging.getLogger(__name__)


def start_run(shop: Workshop, film: str, kind: str, options: Mapping[str, Any]) -> str:
    """Start a run; returns its id. Raises BadInput for a kind or options that make no sense."""
    wanted = shop.registry.wanted(kind, options)
    # Worked out before anything is noted: what makes no sense is refused and leaves nothing behind.
    document = shop.films.get(film).document
    first = shop.registry.before.items(film, document, shop)
    stands = shop.laid_out(film, document, read_on=not first)
    items = shop.registry.stages(wanted)[1].items(stands, wanted, shop)
    at = 0 if first else 1
    options = wanted.model_dump(mode="json", exclude_defaults=True)
    run = shop.runs.start(film, kind, options, done=at)
    if _open(shop, run, at, first or items):
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


def answer_run(shop: Workshop, run: str, kind: str, second: bool) -> None:
    """Say whether the second choice makes what the first can't; what waits for that is tried at once."""
    shop.runs.answer(run, kind, second)
    shop.runs.try_now(run, shop.queue)


def advance(shop: Workshop, run: str) -> None:
    """Move a run on when everything of its stage is finished. Safe to call at any time, by any
    worker: what a stage consists of is worked out with nothing locked, and then taken only if
    nobody was faster."""
    try:
        while _moved(shop, run):
            pass
    except OperationalError:
        # The database went away: nothing is known to be wrong, and the run is looked at again.
        raise
    except ServiceDown:
        log.info("run %s waits for a service before its next step", run)
    except CutReelError as error:
        shop.runs.finish(run, "failed", str(error))
    except Exception as error:
        log.exception("run %s could not be moved on", run)
        shop.runs.finish(
            run, "failed", f"The next step could not be worked out: {type(error).__name__}: {error}"
        )


def _moved(shop: Workshop, run: str) -> bool:
    """Move a run by one step; whether it may be looked at again."""
    standing = shop.runs.standing(run)
    if standing is None or (standing[0].stage >= 0 and standing[1]):
        return False
    row = standing[0]
    wanted = shop.registry.wanted(row.kind, row.options)
    stages = shop.registry.stages(wanted)
    if row.stage >= 0 and stages[row.stage].needs_all:
        failed = shop.runs.failures(run, row.stage)
        if failed:
            shop.runs.finish(run, "failed", _told(failed))
            return False
    if row.stage + 1 >= len(stages):
        shop.runs.finish(run, "done", _told(shop.runs.failures(run)))
        return False
    items = stages[row.stage + 1].items(shop.assembled(row.film), wanted, shop)
    return _open(shop, run, row.stage + 1, items)


def _open(shop: Workshop, run: str, stage: int, items: list[ItemSpec]) -> bool:
    """Open a stage with its items; whether the run may be looked at again, having nothing to do."""
    queues = [shop.registry.kinds[i.kind].queue for i in items]
    return shop.runs.open_stage(run, stage, items, queues, shop.queue) and not items


def _told(failed: list[str]) -> str:
    if not failed:
        return ""
    return failed[0] if len(failed) == 1 else f"{len(failed)} could not be made: {failed[0]}"
