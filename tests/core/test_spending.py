"""Money: the plan under limits against every plan there is, and the ledger's sums against plain adding."""

import itertools
from datetime import UTC, datetime
from decimal import Decimal

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.spending import (
    Maker,
    Paid,
    PlanLimits,
    by_shot,
    cost_of_limits,
    film_money,
    plan,
    totals,
)

MAKERS = st.lists(
    st.builds(
        Maker,
        offer=st.sampled_from(["fine", "quick", "hand"]),
        price=st.sampled_from([Decimal(0), Decimal("0.01"), Decimal("0.04")]),
        stars=st.integers(1, 5),
        left=st.none() | st.integers(0, 3),
        daily=st.none() | st.integers(0, 3),
        pace=st.none() | st.integers(1, 3),
    ),
    min_size=1,
    max_size=3,
    unique_by=lambda m: m.offer,
)
PIECES = st.dictionaries(st.integers(1, 3), st.integers(1, 2), min_size=1, max_size=3)
LIMITS = st.builds(
    PlanLimits,
    days=st.integers(1, 2),
    money=st.none() | st.sampled_from([Decimal(0), Decimal("0.05"), Decimal("0.09")]),
)


def best_of_all(pieces, makers, limits):
    """The best plan by looking at every one: (made, worth, -cost) of whoever makes each piece, or nobody."""
    levels = [lv for lv, n in pieces.items() for _ in range(n)]
    room = [
        sum(m.room(d) if m.room(d) is not None else 99 for d in range(limits.days)) for m in makers
    ]
    best = None
    for who in itertools.product(range(-1, len(makers)), repeat=len(levels)):
        if any(who.count(j) > room[j] for j in range(len(makers))):
            continue
        cost = sum((makers[j].price for j in who if j >= 0), Decimal(0))
        if limits.money is not None and cost > limits.money:
            continue
        made = sum(j >= 0 for j in who)
        worth = sum(makers[j].stars * lv for j, lv in zip(who, levels, strict=True) if j >= 0)
        best = max(best or (-1,), (made, worth, -cost))
    return best


@pytest.mark.thorough
@settings(max_examples=150)
@given(PIECES, MAKERS, LIMITS)
def test_the_plan_is_the_best_there_is(pieces, makers, limits) -> None:
    found = plan(pieces, makers, limits)
    assert (found.made, found.worth, -found.cost) == best_of_all(pieces, makers, limits)
    for maker in makers:
        counts = found.days.get(maker.offer, (0,) * limits.days)
        assert all(maker.room(d) is None or n <= maker.room(d) for d, n in enumerate(counts))
        assert sum(counts) == sum(s.count for s in found.steps if s.offer == maker.offer)


FINE = Maker("fine", Decimal("0.04"), 5, left=10, daily=30)
QUICK = Maker("quick", Decimal("0.01"), 3)
FILM = {3: 12, 2: 40, 1: 300}


def test_the_best_goes_where_it_counts_and_what_each_limit_costs_is_told() -> None:
    limits = PlanLimits(1, Decimal("5"))
    found = plan(FILM, [FINE, QUICK], limits)
    assert {(s.level, s.offer): s.count for s in found.steps} == {
        (3, "fine"): 10, (3, "quick"): 2, (2, "quick"): 40, (1, "quick"): 300,
    }  # fmt: skip
    without = cost_of_limits(FILM, [FINE, QUICK], limits)
    assert "money" not in without, "the sum is not what holds it back"
    assert without["fine"].worth > found.worth and without["days"].worth > found.worth


def test_what_is_set_by_hand_is_kept_and_the_rest_follows() -> None:
    found = plan(FILM, [FINE, QUICK], PlanLimits(1), {(1, "fine"): 7, (3, "fine"): 3})
    counts = {(s.level, s.offer): s.count for s in found.steps}
    assert counts[1, "fine"] == 7 and counts[3, "fine"] == 3 and counts[3, "quick"] == 9
    assert found.made == 352


def test_where_money_or_days_leave_no_room_it_says_what_is_not_made() -> None:
    found = plan(FILM, [FINE, QUICK], PlanLimits(1, Decimal("1")))
    assert found.made == 100 and sum(found.unmade.values()) == 252
    assert found.cost <= 1
    assert plan({}, [FINE], PlanLimits()).made == 0
    assert plan(FILM, [], PlanLimits()).unmade == FILM


PAID = st.lists(
    st.builds(
        Paid,
        at=st.datetimes(datetime(2026, 1, 1), datetime(2027, 1, 1), timezones=st.just(UTC)),
        film=st.sampled_from("ab"),
        kind=st.sampled_from(["picture", "speech"]),
        offer=st.sampled_from(["fine", "quick"]),
        amount=st.decimals(0, 9, places=5),
    ),
    max_size=30,
)


@pytest.mark.thorough
@given(PAID)
def test_every_sum_is_the_whole(paid) -> None:
    found = totals(paid)
    whole = sum((p.amount for p in paid), Decimal(0))
    for sums in (found.films, found.kinds, found.offers, found.days, found.months):
        assert sum((a for _, a in sums), Decimal(0)) == whole == found.whole
    assert found.days == sorted(found.days) and all(a for _, a in found.films)


@pytest.mark.parametrize(
    ("spent", "takes", "left", "forecast", "per_minute"),
    [
        # Half of four minutes for 2.00; what is left costs 2.00, and as much again is thrown away as so far.
        ("2", [("1", True), ("1", False)], "2", "6", "1"),
        ("2", [("2", True)], "2", "4", "1"),
        ("2", [("2", True)], None, "4", "1"),
    ],
)
def test_what_a_film_will_have_cost(spent, takes, left, forecast, per_minute) -> None:
    found = film_money(
        Decimal(spent),
        [(Decimal(a), used) for a, used in takes],
        240,
        0.5,
        None if left is None else Decimal(left),
    )
    assert (found.forecast, found.per_minute) == (Decimal(forecast), Decimal(per_minute))
    assert found.used + found.unused == Decimal(spent)


@given(st.lists(st.tuples(st.none() | st.integers(1, 4), st.integers(0, 9)), max_size=20))
def test_what_each_shot_cost_by_plain_adding(lines: list[tuple[int | None, int]]) -> None:
    at = datetime(2026, 11, 1, tzinfo=UTC)
    paid = [Paid(at, "f", "picture", "quick", Decimal(n) / 100, shot) for shot, n in lines]
    plain = {
        shot: sum(Decimal(n) / 100 for s, n in lines if s == shot)
        for shot in {s for s, n in lines if s is not None and n}
    }
    found = by_shot(paid)
    assert dict(found) == plain
    assert [a for _, a in found] == sorted(plain.values(), reverse=True)
