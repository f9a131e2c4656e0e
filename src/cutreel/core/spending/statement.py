"""What a service says it was paid, beside what was counted here."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from decimal import Decimal
from typing import Literal

EDGE = timedelta(hours=1)
"""Around the beginning of a period, within which a job may fall into it here and not there."""
ROUNDED = Decimal("0.00001")
"""Sums that differ by no more are the same: the ledger keeps five places."""


@dataclass(frozen=True)
class Charge:
    """One job as somebody counted it."""

    at: datetime
    amount: Decimal


@dataclass(frozen=True)
class Difference:
    """A job that is counted otherwise here and there: by whom it is counted at all, or with which sums."""

    key: str
    at: datetime
    which: Literal["theirs alone", "ours alone", "another sum"]
    ours: Decimal
    theirs: Decimal


@dataclass(frozen=True)
class Compared:
    """A statement beside the ledger: how many jobs are the same in both, both sums, what differs (the newest first)."""

    same: int
    ours: Decimal
    theirs: Decimal
    differences: tuple[Difference, ...]


def compared(
    ours: Mapping[str, Charge], theirs: Iterable[tuple[str, Charge]], since: datetime
) -> Compared:
    """Compare by key what was paid `since` a moment. `ours` may reach further back, so that a job on the edge is found.
    Jobs that cost nothing are no difference. A key that a statement has twice is summed: that was paid twice."""
    told: dict[str, Charge] = {}
    for key, charge in theirs:
        before = told.get(key)
        told[key] = Charge(charge.at, charge.amount + (before.amount if before else 0))
    found: list[Difference] = []
    same, sum_ours = 0, Decimal(0)
    for key, charge in told.items():
        own = ours.get(key)
        if own is None:
            if charge.amount > 0:
                found.append(Difference(key, charge.at, "theirs alone", Decimal(0), charge.amount))
            continue
        sum_ours += own.amount
        if abs(own.amount - charge.amount) <= ROUNDED:
            same += 1
        else:
            found.append(Difference(key, own.at, "another sum", own.amount, charge.amount))
    for key, own in ours.items():
        if key not in told and own.amount > 0 and own.at >= since + EDGE:
            sum_ours += own.amount
            found.append(Difference(key, own.at, "ours alone", own.amount, Decimal(0)))
    sum_theirs = sum((c.amount for c in told.values()), Decimal(0))
    return Compared(same, sum_ours, sum_theirs, tuple(sorted(found, key=lambda d: d.at))[::-1])
