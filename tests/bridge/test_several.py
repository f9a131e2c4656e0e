"""Several makers as one: whose offers are told while somebody is silent, whose a job is, and at whose money."""

from collections.abc import Callable, Mapping
from decimal import Decimal
from typing import Any

import pytest

from cutreel.bridge import In, Makers, Plugged
from cutreel.bridge import several as module
from cutreel.core.errors import CutReelError
from cutreel.protocol import Caps, JobInput, Offer, Price, SoundInput
from cutreel.services import Delivered, ServiceDown, ServiceRefused

WORK = SoundInput(prompt="wind", seconds=1)


class Maker:
    """A maker that is asked for one sound, and may be away."""

    def __init__(self, name: str, price: str = "0.01") -> None:
        self.name, self.price = name, price
        self.away = False
        self.asked: list[str] = []
        self.looked = 0

    def offers(self) -> list[Offer]:
        self.looked += 1
        if self.away:
            raise ServiceDown(f"{self.name} is away.", "Wait.")
        price = Price(amount=Decimal(self.price), per="sound")
        return [
            Offer(name=self.name, kind="sound", title=self.name.title(), price=price, caps=Caps())
        ]

    def do(self, offer: str, work: JobInput, key: str, **more: Any) -> Delivered | None:
        self.asked.append(offer)
        return Delivered([], Decimal(self.price), [])


def plugged(name: str, maker: Maker, **more: Any) -> In:
    reached: Mapping[str, Any] = {"how": "protocol", "address": "http://127.0.0.1:9"}
    settings = Plugged.model_validate(
        {"id": name, "title": name.title(), "reached": reached, **more}
    )
    return In(settings, maker)


@pytest.fixture
def clock(monkeypatch: pytest.MonkeyPatch) -> Callable[[float], None]:
    """Lets time pass."""
    now = [1_000.0]
    monkeypatch.setattr(module.time, "monotonic", lambda: now[0])

    def pass_(seconds: float) -> None:
        now[0] += seconds

    return pass_


def names(makers: Makers) -> set[str]:
    return {o.name for o in makers.offers()}


def test_who_is_silent_keeps_the_offers_seen_last_and_is_not_asked_all_the_time(clock) -> None:
    first, far = Maker("foley"), Maker("wind")
    makers = Makers(first, lambda: [plugged("far", far)])
    assert names(makers) == {"foley", "far/wind"} and makers.silent() == frozenset()
    far.away = True
    assert names(makers) == {"foley", "far/wind"}, "as they were seen"
    assert makers.silent() == {"far"} and makers.troubles() == {"far": "wind is away. Wait."}
    looked = far.looked
    assert names(makers) and far.looked == looked, "not again so soon"
    clock(module.LOST_FOR + 1)
    assert names(makers) and far.looked == looked + 1
    far.away = False
    clock(module.LOST_FOR + 1)
    assert names(makers) == {"foley", "far/wind"} and makers.silent() == frozenset()


def test_who_never_answered_is_silent_and_offers_nothing_and_the_others_do(clock) -> None:
    first, far = Maker("foley"), Maker("wind")
    far.away = True
    makers = Makers(first, lambda: [plugged("far", far)])
    assert names(makers) == {"foley"} and makers.silent() == {"far"}
    first.away = True
    clock(module.LOST_FOR + 1)
    assert names(makers) == {"foley"} and makers.silent() == {"far", ""}
    alone = Makers(far)
    with pytest.raises(CutReelError, match="wind is away"):
        alone.offers()


def test_who_is_taken_out_or_switched_off_is_not_silent(clock) -> None:
    far = Maker("wind")
    far.away = True
    there = [plugged("far", far)]
    makers = Makers(Maker("foley"), lambda: there)
    assert names(makers) == {"foley"} and makers.silent() == {"far"}
    there[:] = [plugged("far", far, on=False)]
    assert makers.silent() == frozenset() and names(makers) == {"foley"}
    there.clear()
    assert makers.silent() == frozenset()


def test_a_job_goes_to_whose_offer_it_is_at_the_pages_money() -> None:
    first, far, off = Maker("foley"), Maker("wind", "2"), Maker("rain")
    makers = Makers(first, lambda: [plugged("far", far, rate="0.1"), plugged("off", off, on=False)])
    (theirs,) = [o for o in makers.offers() if o.service == "Far"]
    assert theirs.price.amount == Decimal("0.2")
    done = makers.do("far/wind", WORK, "k")
    assert done is not None and done.cost == Decimal("0.2") and far.asked == ["wind"]
    done = makers.do("foley", WORK, "k")
    assert done is not None and done.cost == Decimal("0.01") and first.asked == ["foley"]
    with pytest.raises(ServiceRefused, match="switched off"):
        makers.do("off/rain", WORK, "k")


def test_an_offer_below_nothing_is_no_offer() -> None:
    makers = Makers(Maker("foley"), lambda: [plugged("far", Maker("wind", "-1"))])
    assert names(makers) == {"foley"}
