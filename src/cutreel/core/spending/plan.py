"""Who makes which pieces, when, so that it is ready by a day, under a sum, with the best where it counts.

Pieces of one level are alike, so a plan is whole numbers: how many of each level an offer makes, and how many of an
offer on each day. It is found exactly, by HiGHS (through scipy.optimize.milp), one aim after another: as many pieces as
the limits allow; of those plans the best ones (stars of the offer times the level of the piece); of those the cheapest;
of those the soonest.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from decimal import Decimal

import numpy as np
from numpy.typing import NDArray

SCALE = 100_000
"""Money is counted in whole hundred-thousandths, as the ledger keeps it."""
F64 = NDArray[np.float64]


@dataclass(frozen=True)
class Maker:
    """An offer as a plan needs to know it: its price for a piece, how many are left today and renew each day (None: no
    limit), how many it makes in a day at its pace, and how good it is (1 … 5 stars, told by who uses it)."""

    offer: str
    price: Decimal
    stars: int
    left: int | None = None
    daily: int | None = None
    pace: int | None = None

    def room(self, day: int) -> int | None:
        """How many it makes on a day, counted from 0 for today; None: as many as are wanted."""
        bounds = [b for b in (self.left if day == 0 else self.daily, self.pace) if b is not None]
        return min(bounds) if bounds else None


@dataclass(frozen=True)
class PlanLimits:
    """At most so many days (today is the first), at most so much money (None: any)."""

    days: int = 1
    money: Decimal | None = None


@dataclass(frozen=True)
class Step:
    """So many pieces of a level, by an offer."""

    level: int
    offer: str
    count: int


@dataclass(frozen=True)
class Planned:
    """A plan: `days` is how many each offer makes on each day; `unmade` what no limit leaves room for, by level;
    `worth` is stars times level, summed."""

    steps: tuple[Step, ...]
    days: Mapping[str, tuple[int, ...]]
    unmade: Mapping[int, int]
    cost: Decimal
    worth: int

    @property
    def made(self) -> int:
        return sum(s.count for s in self.steps)

    @property
    def last_day(self) -> int:
        """The day on which all is ready, counted from 0."""
        used = [i for counts in self.days.values() for i, n in enumerate(counts) if n]
        return max(used, default=0)


@dataclass(frozen=True)
class _Problem:
    """The variables: x[level, maker], then y[maker, day], all whole numbers."""

    levels: Sequence[tuple[int, int]]
    makers: Sequence[Maker]
    limits: PlanLimits

    @property
    def n_x(self) -> int:
        return len(self.levels) * len(self.makers)

    @property
    def size(self) -> int:
        return self.n_x + len(self.makers) * self.limits.days

    def x(self, values: Sequence[Sequence[float]]) -> F64:
        """A row over x, of a value for each level and maker."""
        row = np.zeros(self.size)
        row[: self.n_x] = np.asarray(values, float).ravel()
        return row

    def prices(self) -> list[int]:
        return [int((m.price * SCALE).to_integral_value()) for m in self.makers]


def plan(
    pieces: Mapping[int, int],
    makers: Sequence[Maker],
    limits: PlanLimits,
    fixed: Mapping[tuple[int, str], int] | None = None,
) -> Planned:
    """The best plan for so many `pieces` of each level (higher counts more). `fixed` are numbers that somebody set by
    hand, for a level and an offer: they are kept as far as the limits leave room."""
    levels = sorted(((lv, n) for lv, n in pieces.items() if n > 0), reverse=True)
    makers = [m for m in makers if m.price >= 0]
    if not levels or not makers:
        return Planned((), {}, dict(levels), Decimal(0), 0)
    problem = _Problem(levels, makers, limits)
    rows, low, high = _limits(problem)
    upper = _upper(problem, fixed or {})
    aims = _aims(problem, fixed or {})
    found = np.zeros(problem.size)
    for aim in aims:
        found = _solved(-aim, rows, low, high, upper)
        # What an aim reached, none of the following gives up.
        rows, low, high = [*rows, aim], [*low, float(aim @ found)], [*high, np.inf]
    return _told(problem, found)


def _limits(problem: _Problem) -> tuple[list[F64], list[float], list[float]]:
    """The rows of the problem, each with the least and the most that it may be."""
    rows: list[F64] = []
    low: list[float] = []
    high: list[float] = []
    n, days = len(problem.makers), problem.limits.days
    for i, (_, count) in enumerate(problem.levels):
        row = np.zeros(problem.size)
        row[i * n : (i + 1) * n] = 1
        rows.append(row)
        low.append(0)
        high.append(count)
    for j in range(n):
        row = np.zeros(problem.size)
        row[j : problem.n_x : n] = 1
        row[problem.n_x + j * days : problem.n_x + (j + 1) * days] = -1
        rows.append(row)
        low.append(0)
        high.append(0)
    if problem.limits.money is not None:
        rows.append(problem.x([problem.prices()] * len(problem.levels)))
        low.append(0)
        high.append(float(int(problem.limits.money * SCALE)))
    return rows, low, high


def _upper(problem: _Problem, fixed: Mapping[tuple[int, str], int]) -> F64:
    """The most that each variable may be."""
    whole = sum(n for _, n in problem.levels)
    upper = np.full(problem.size, float(whole))
    for i, (level, count) in enumerate(problem.levels):
        for j, maker in enumerate(problem.makers):
            at = i * len(problem.makers) + j
            upper[at] = min(count, fixed.get((level, maker.offer), count))
    for j, maker in enumerate(problem.makers):
        for day in range(problem.limits.days):
            room = maker.room(day)
            if room is not None:
                upper[problem.n_x + j * problem.limits.days + day] = min(whole, max(0, room))
    return upper


def _aims(problem: _Problem, fixed: Mapping[tuple[int, str], int]) -> list[F64]:
    """What is aimed at, one after another, as rows to be made large."""
    shape = (len(problem.levels), len(problem.makers))
    by_hand = np.zeros(shape)
    for i, (level, _) in enumerate(problem.levels):
        for j, maker in enumerate(problem.makers):
            by_hand[i, j] = (level, maker.offer) in fixed
    levels = np.array([lv for lv, _ in problem.levels], float)[:, None]
    stars = np.array([m.stars for m in problem.makers], float)[None, :]
    sooner = np.zeros(problem.size)
    sooner[problem.n_x :] = -np.tile(np.arange(problem.limits.days), len(problem.makers))
    aims = [
        problem.x(np.ones(shape).tolist()),
        problem.x((levels * stars).tolist()),
        problem.x([[-float(p) for p in problem.prices()]] * shape[0]),
        sooner,
    ]
    return [problem.x(by_hand.tolist()), *aims] if by_hand.any() else aims


def _solved(
    aim: F64, rows: Sequence[F64], low: Sequence[float], high: Sequence[float], upper: F64
) -> F64:
    from scipy.optimize import (
        Bounds,
        LinearConstraint,
        milp,
    )  # here, since it takes a second to load

    answer = milp(
        aim,
        constraints=LinearConstraint(np.array(rows), np.array(low), np.array(high)),
        bounds=Bounds(np.zeros_like(upper), upper),
        integrality=np.ones_like(upper),
        options={"mip_rel_gap": 0.0},
    )
    # Making nothing keeps every limit, so there always is a plan.
    assert answer.x is not None, answer.message
    found: F64 = np.round(answer.x)
    return found


def _told(problem: _Problem, found: F64) -> Planned:
    n, days = len(problem.makers), problem.limits.days
    counts = found[: problem.n_x].astype(int).reshape(len(problem.levels), n)
    steps = tuple(
        Step(level, maker.offer, int(counts[i, j]))
        for i, (level, _) in enumerate(problem.levels)
        for j, maker in enumerate(problem.makers)
        if counts[i, j]
    )
    by_day = found[problem.n_x :].astype(int).reshape(n, days)
    star = {m.offer: m.stars for m in problem.makers}
    price = {m.offer: m.price for m in problem.makers}
    return Planned(
        steps,
        {
            m.offer: tuple(map(int, by_day[j]))
            for j, m in enumerate(problem.makers)
            if by_day[j].any()
        },
        {
            level: int(count - counts[i].sum())
            for i, (level, count) in enumerate(problem.levels)
            if count > counts[i].sum()
        },
        sum((price[s.offer] * s.count for s in steps), Decimal(0)),
        sum(star[s.offer] * s.level * s.count for s in steps),
    )


def cost_of_limits(
    pieces: Mapping[int, int], makers: Sequence[Maker], limits: PlanLimits
) -> dict[str, Planned]:
    """What each limit costs: the plan that would be without it. "money": any sum; "days": a week longer; and by the
    name of an offer, without its daily number. A limit that changes nothing is not named."""
    base = plan(pieces, makers, limits)
    found: dict[str, Planned] = {}
    if limits.money is not None:
        found["money"] = plan(pieces, makers, replace(limits, money=None))
    found["days"] = plan(pieces, makers, replace(limits, days=limits.days + 7))
    for i, maker in enumerate(makers):
        if maker.left is not None or maker.daily is not None:
            free = [*makers[:i], replace(maker, left=None, daily=None), *makers[i + 1 :]]
            found[maker.offer] = plan(pieces, free, limits)
    return {name: p for name, p in found.items() if (p.made, p.worth) != (base.made, base.worth)}
