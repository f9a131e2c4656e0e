"""A service's statement beside the ledger: what differs is found, and only that; by counting all over again."""

from datetime import UTC, datetime, timedelta
from decimal import Decimal

from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.spending import Charge, compared
from cutreel.core.spending.statement import EDGE

SINCE = datetime(2026, 11, 1, tzinfo=UTC)
LATER = SINCE + timedelta(days=3)


def charge(amount: str, at: datetime = LATER) -> Charge:
    return Charge(at, Decimal(amount))


def test_what_each_counts_alone_and_what_has_another_sum() -> None:
    ours = {"a": charge("0.05"), "b": charge("0.05"), "c": charge("0.002"), "free": charge("0")}
    theirs = [
        ("a", charge("0.05")),
        ("b", charge("0.07")),
        ("d", charge("0.01")),
        ("e", charge("0")),
    ]
    found = compared(ours, theirs, SINCE)
    assert found.same == 1
    assert {(d.key, d.which) for d in found.differences} == {
        ("b", "another sum"),
        ("c", "ours alone"),
        ("d", "theirs alone"),
    }
    assert found.ours == Decimal("0.102") and found.theirs == Decimal("0.13")


def test_a_job_that_is_stated_twice_was_paid_twice() -> None:
    found = compared({"a": charge("0.05")}, [("a", charge("0.05"))] * 2, SINCE)
    (twice,) = found.differences
    assert (twice.which, twice.ours, twice.theirs) == (
        "another sum",
        Decimal("0.05"),
        Decimal("0.10"),
    )


def test_on_the_edge_of_a_period_nothing_is_missed_that_is_counted_on_the_other_side() -> None:
    before, on = SINCE - timedelta(minutes=2), SINCE + EDGE / 2
    ours = {"begun before": charge("0.05", before), "not yet stated": charge("0.05", on)}
    found = compared(ours, [("begun before", charge("0.05", on))], SINCE)
    assert found.same == 1 and found.differences == ()
    # Beyond the edge it is told.
    late = {**ours, "lost": charge("0.05", SINCE + EDGE * 2)}
    assert [d.key for d in compared(late, [], SINCE).differences] == ["lost"]


def test_sums_that_differ_by_less_than_the_ledger_keeps_are_the_same() -> None:
    found = compared({"a": charge("0.00123")}, [("a", charge("0.001234"))], SINCE)
    assert found.same == 1 and not found.differences


BOOKS = st.dictionaries(
    st.sampled_from("abcdefgh"), st.integers(0, 4).map(lambda n: Decimal(n) / 100), max_size=8
)


@given(BOOKS, BOOKS)
def test_against_counting_by_hand(mine: dict[str, Decimal], yours: dict[str, Decimal]) -> None:
    ours = {k: Charge(LATER, a) for k, a in mine.items()}
    theirs = [(k, Charge(LATER, a)) for k, a in yours.items()]
    found = compared(ours, theirs, SINCE)
    differs = {k for k in mine.keys() | yours.keys() if mine.get(k, 0) != yours.get(k, 0)}
    assert {d.key for d in found.differences} == differs
    assert found.same == len(mine.keys() & yours.keys() - differs)
    assert found.theirs == sum(yours.values()) and found.ours == sum(mine.values())
    assert found.theirs - found.ours == sum(d.theirs - d.ours for d in found.differences)
