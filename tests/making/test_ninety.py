"""Ninety pictures made from end to end while services fail, a worker is killed, and the services themselves are killed.

What was paid is read from the services' own books, not from ours.
"""

import os
import signal
from decimal import Decimal

import httpx
import pytest

from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import CutAgain
from cutreel.making import start_run
from cutreel.running import commands
from cutreel.running.temporary import Temporary
from tests.books import paid_for
from tests.conftest import STORY
from tests.making.nobody import read_and_added
from tests.waiting import until

COUNT, PRICE, OFFER = 90, Decimal("0.003"), "illustrator-quick"


def misbehave(stack: Temporary, **how: object) -> None:
    httpx.put(stack.services + "/simulation", json=how).raise_for_status()


def kill(stack: Temporary, name: str) -> None:
    """Without a warning, and everything that it started."""
    os.killpg(stack.processes[name].pid, signal.SIGKILL)
    stack.processes[name].wait()


# Three minutes on two idle cores; the other half of the tests runs beside it.
@pytest.mark.long
@pytest.mark.timeout(1800)
def test_ninety_pictures_survive_failures_a_killed_worker_and_killed_services(
    stack: Temporary,
) -> None:
    settings = Settings(look="stick-figures", aspect="1:1", music="none", offer=OFFER, seed=90_090)
    uncut, used = new_film("Ninety", STORY, settings)
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=COUNT), used)
    shop = stack.shop
    film = read_and_added(shop, document, [s.edge for s in document.shots])
    before = paid_for(stack, OFFER)
    misbehave(stack, fail_share=0.2, seed=90)
    try:
        run = start_run(shop, film, "pictures", {"takes": 1})
        until(lambda: shop.runs.view(run).done >= 8, 120)
        kill(stack, "worker-1")
        stack.start_worker("worker-1")
        until(lambda: shop.runs.view(run).done >= 30, 120)
        kill(stack, "stand-ins")
        stack.start("stand-ins", commands.standins(stack.services))
        commands.wait_for(lambda: commands.answers(stack.services + "/offers"), 60, "The services")
        misbehave(stack, fail_share=0.2, seed=91)
        ended = until(lambda: (v := shop.runs.view(run)).state != "going" and v, 240)
    finally:
        misbehave(stack)
    assert (ended.state, ended.done, ended.failures) == ("done", COUNT, [])
    takes = shop.takes.of_film(film)
    assert sorted(takes) == sorted(s.id for s in document.shots) and {
        len(t) for t in takes.values()
    } == {1}, "nothing is lost"
    pictures = {t.media for made in takes.values() for t in made}
    assert len(pictures) > 80 and all(shop.media.has(name) for name in pictures)
    # Source of what was paid: the services' own count of pictures.
    distinct = len({s.picture_key for s in read_film(document, Offered(400)).shots})
    assert paid_for(stack, OFFER) - before == distinct, "nothing is paid twice"
    assert shop.spending.total(film) == pytest.approx(PRICE * distinct, abs=Decimal("0.000001"))
