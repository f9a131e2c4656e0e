"""What was spent, summed up in the ways that are asked about."""

from collections import defaultdict
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal


@dataclass(frozen=True)
class Paid:
    """One line of the ledger."""

    at: datetime
    film: str
    kind: str
    offer: str
    amount: Decimal
    shot: int | None = None


@dataclass(frozen=True)
class Totals:
    """Sums, the largest first; days and months in their order (ISO 8601)."""

    whole: Decimal
    films: list[tuple[str, Decimal]]
    kinds: list[tuple[str, Decimal]]
    offers: list[tuple[str, Decimal]]
    days: list[tuple[str, Decimal]]
    months: list[tuple[str, Decimal]]


def totals(paid: Iterable[Paid]) -> Totals:
    """The ledger summed up. Lines that cost nothing do not appear."""
    lines = [p for p in paid if p.amount]

    def by(part: Callable[[Paid], str]) -> list[tuple[str, Decimal]]:
        sums: dict[str, Decimal] = defaultdict(Decimal)
        for line in lines:
            sums[part(line)] += line.amount
        return sorted(sums.items(), key=lambda s: (-s[1], s[0]))

    return Totals(
        whole=sum((p.amount for p in lines), Decimal(0)),
        films=by(lambda p: p.film),
        kinds=by(lambda p: p.kind),
        offers=by(lambda p: p.offer),
        days=sorted(by(lambda p: f"{p.at:%Y-%m-%d}")),
        months=sorted(by(lambda p: f"{p.at:%Y-%m}")),
    )


def by_shot(paid: Iterable[Paid]) -> list[tuple[int, Decimal]]:
    """What was spent on each shot of a film, by its number, the dearest first."""
    sums: dict[int, Decimal] = defaultdict(Decimal)
    for line in paid:
        if line.shot is not None and line.amount:
            sums[line.shot] += line.amount
    return sorted(sums.items(), key=lambda s: (-s[1], s[0]))


@dataclass(frozen=True)
class FilmMoney:
    """A film's money: all that was spent; of that on takes that the film uses, and on takes that it does not; for a
    finished minute; and what the whole will have cost at this rate."""

    spent: Decimal
    used: Decimal
    unused: Decimal
    per_minute: Decimal
    forecast: Decimal


def film_money(
    spent: Decimal,
    takes: Iterable[tuple[Decimal, bool]],
    seconds: float,
    done: float,
    left: Decimal | None = None,
) -> FilmMoney:
    """The money of a film of so many `seconds`, of which the share `done` is made. `takes` are what each cost and
    whether it is used. `left` is what the services will ask for the rest, where that is known: the forecast adds to it
    as much again as was made and not used so far. Without it the forecast is the rate so far."""
    used = unused = Decimal(0)
    for cost, is_used in takes:
        used += cost if is_used else Decimal(0)
        unused += Decimal(0) if is_used else cost
    made = Decimal(str(seconds * done / 60))
    per_minute = spent / made if made > 0 else Decimal(0)
    if left is not None:
        waste = unused / used if used > 0 else Decimal(0)
        forecast = spent + left * (1 + waste)
    else:
        forecast = spent / Decimal(str(done)) if done > 0 else spent
    return FilmMoney(spent, used, unused, per_minute, forecast)
