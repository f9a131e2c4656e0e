"""A run always ends: whatever dies on the way, what should move is moved within twenty seconds."""

import os
import signal
import subprocess
import time

import httpx
import pytest
from sqlalchemy import select, text, update

from cutreel.core.film import Settings, new_film
from cutreel.making import Workshop, start_run, try_now
from cutreel.making.worker import sweep
from cutreel.running import commands
from cutreel.running.temporary import Temporary
from cutreel.store.tables import Item, Run, now
from tests.making.nobody import read_and_added
from tests.waiting import until

STORY = "The {} was dark. Ada rowed out to it at dusk. Bram held the lantern. Nobody answered them."


def film(shop: Workshop, word: str, **settings: object) -> str:
    document, edges = new_film(word, STORY.format(word), Settings(pace=2, music="none", **settings))
    return read_and_added(shop, document, edges)


def ended(shop: Workshop, run: str, seconds: float = 60) -> object:
    return until(lambda: (v := shop.runs.view(run)).state not in ("going", "paused") and v, seconds)


def test_state_and_queue_are_one_transaction(stack: Temporary) -> None:
    """Items that are there have jobs; where the transaction fails, there are neither."""
    shop = stack.shop
    beacon = film(shop, "beacon")
    items = shop.registry.stages(shop.registry.wanted("speech", {}))[-1].items(
        shop.assembled(beacon), None, shop
    )
    # Not before: a sweeper would open the stage itself.
    run = shop.runs.start(beacon, "speech", {})

    class Broken:
        def put_items(self, session, items, at=None, priority=0) -> None:
            shop.queue.put_items(session, items, at)
            raise RuntimeError("the wire was cut")

        def hurry(self, session, items) -> None: ...

        def rank(self, session, items, priority) -> None: ...

    with pytest.raises(RuntimeError):
        shop.runs.open_stage(run, 0, items, ["services"] * len(items), Broken())
    with shop.database.transaction() as session:
        assert not list(session.scalars(select(Item).where(Item.run == run)))
        assert session.get(Run, run).stage == -1
    assert shop.runs.view(run).state == "going"
    assert ended(shop, run, 30).state == "done", "a sweeper moved it on"


@pytest.mark.long
def test_an_item_whose_worker_vanished_is_taken_up_again(stack: Temporary) -> None:
    """As after the database was killed under a worker: the item says it is going, and nobody has it."""
    shop = stack.shop
    run = shop.runs.start(film(shop, "causeway"), "speech", {})
    items = shop.registry.stages(shop.registry.wanted("speech", {}))[-1].items(
        shop.assembled(shop.runs.view(run).film), None, shop
    )

    class Nowhere:
        def put_items(self, session, items, at=None, priority=0) -> None: ...

        def hurry(self, session, items) -> None: ...

    assert shop.runs.open_stage(run, 0, items, ["services"] * len(items), Nowhere())
    with shop.database.transaction() as session:
        session.execute(update(Item).where(Item.run == run).values(state="going", beat=now()))
    begun = time.monotonic()
    assert ended(shop, run, 40).state == "done"
    assert time.monotonic() - begun < 30, "12 s without a beat, then at the next look"


def test_a_run_whose_last_step_nobody_took_is_moved_on(stack: Temporary) -> None:
    """A worker killed between an item's end and the run's next step."""
    shop = stack.shop
    run = shop.runs.start(film(shop, "breakwater"), "speech", {})
    with shop.database.transaction() as session:
        session.execute(update(Run).where(Run.id == run).values(stage=1))
    assert run in shop.runs.stuck_runs(["speech"])
    sweep(shop)
    assert shop.runs.view(run).state == "done"


@pytest.mark.long
def test_a_database_that_is_killed_leaves_nothing_going(stack: Temporary) -> None:
    """Every connection is cut, three times, while pictures are made; the run ends whole."""
    shop = stack.shop
    name = film(shop, "lightship", seed=51_001, look="stick-figures", takes=4)
    httpx.put(stack.services + "/simulation", json={"delay_seconds": 1.0}).raise_for_status()
    try:
        run = start_run(shop, name, "pictures", {})
        for done in (1, 3, 6):
            until(lambda done=done: shop.runs.view(run).done >= done, 60)
            _cut_all(shop)
    finally:
        httpx.put(stack.services + "/simulation", json={}).raise_for_status()
    view = ended(shop, run, 120)
    assert view.state == "done" and not view.failures
    assert all(len(t) == 4 for t in shop.takes.of_film(name).values())


def _cut_all(shop: Workshop) -> None:
    with shop.database.transaction() as session:
        session.execute(
            text(
                "SELECT pg_terminate_backend(pid) FROM pg_stat_activity "
                "WHERE datname = current_database() AND pid <> pg_backend_pid()"
            )
        )


@pytest.mark.long
def test_a_service_that_is_down_is_waited_for_and_can_be_tried_now(stack: Temporary) -> None:
    shop = stack.shop
    name = film(shop, "signal fire", seed=51_002, look="stick-figures")
    shop.offers()
    _kill(stack.processes["stand-ins"])
    try:
        run = start_run(shop, name, "pictures", {"shots": [1]})
        waits = until(lambda: shop.runs.view(run).waits, 60)
        assert "do not answer" in waits and "tried again at" in waits
        assert shop.runs.view(run).state == "going" and not shop.runs.view(run).failures
        with shop.database.transaction() as session:
            later = "UPDATE procrastinate_jobs SET scheduled_at = now() + interval '1 hour' "
            session.execute(text(later + "WHERE status = 'todo'"))
    finally:
        stack.start("stand-ins", commands.standins(stack.services))
        commands.wait_for(lambda: commands.answers(stack.services + "/offers"), 60, "The services")
    sweep(shop)
    assert shop.runs.view(run).waits and shop.runs.view(run).done == 0, "it waits for its hour"
    try_now(shop, run)
    assert ended(shop, run, 30).done == 1


def test_a_delivery_stops_at_what_lacks_or_goes_on_with_what_stands_in(stack: Temporary) -> None:
    shop = stack.shop
    name = film(shop, "weathervane", seed=51_003, look="stick-figures")
    httpx.put(stack.services + "/simulation", json={"refuse_words": ["lantern"]}).raise_for_status()
    try:
        strict = ended(shop, start_run(shop, name, "delivery", {"size": "360p"}), 120)
        assert strict.state == "failed" and "lantern" in strict.message
        assert strict.stage == 1, "said before anything is mixed or rendered"
        wish = {"size": "360p", "lacking": "stand in"}
        loose = ended(shop, start_run(shop, name, "delivery", wish), 120)
    finally:
        httpx.put(stack.services + "/simulation", json={}).raise_for_status()
    assert loose.state == "done" and "lantern" in loose.message
    assert "1 shot has no picture" in loose.outcome["stood_in"]
    assert all(check["good"] for check in loose.outcome["checks"])


def _kill(process: "subprocess.Popen[bytes]") -> None:
    os.killpg(process.pid, signal.SIGKILL)
    process.wait()
