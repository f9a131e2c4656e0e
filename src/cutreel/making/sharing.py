"""A film's pictures shared out among offers, under limits: what is still to be made, by how much it counts, and which
offers there are for it."""

from collections.abc import Mapping
from dataclasses import dataclass
from decimal import Decimal

from cutreel.core.film import levels_of
from cutreel.core.spending import Maker, PlanLimits, Planned, cost_of_limits, plan
from cutreel.store import Assembled

from .picking import PicturesWanted, wanted_pictures
from .workshop import Workshop

DAY_SECONDS = 10 * 3600
"""Seconds of a day in which a machine, or somebody, makes pictures."""
USUAL_STARS = 3


@dataclass(frozen=True)
class Shared:
    """A plan for the pictures of a film, with the shots that each step stands for, in their order. `chosen` are shots
    for which somebody was chosen, whom no plan takes them from, at the `price` that those ask."""

    plan: Planned
    shots: Mapping[tuple[int, str], list[int]]
    without: Mapping[str, Planned]
    pieces: Mapping[int, int]
    chosen: list[int]
    price: Decimal


def makers_of(shop: Workshop, stars: Mapping[str, int]) -> list[Maker]:
    """The offers of pictures as a plan knows them."""
    return [
        Maker(
            o.name,
            o.price.amount,
            stars.get(o.name, USUAL_STARS),
            o.quota.left if o.quota else None,
            o.quota.limit if o.quota else None,
            max(1, int(DAY_SECONDS * o.parallel / max(0.1, o.seconds_each))),
        )
        for o in shop.offers()
        if o.kind == "picture"
    ]


def shared(
    shop: Workshop,
    film: Assembled,
    limits: PlanLimits,
    stars: Mapping[str, int],
    fixed: Mapping[tuple[int, str], int] | None = None,
    only: frozenset[str] | None = None,
) -> Shared:
    """Who makes which of the pictures that a film still needs, one take each; with `only` by these offers."""
    wanted = wanted_pictures(film, PicturesWanted(takes=1), shop.offers())
    level = dict(
        zip(
            (s.shot.id for s in film.read.shots),
            levels_of(film.read.shots, film.spans, film.rate),
            strict=True,
        )
    )
    usual = film.document.settings.offer
    by_whom = {s.shot.id: s.offer for s in film.read.shots}
    chosen = [i.shot for i in wanted if i.shot is not None and by_whom[i.shot] != usual]
    prices = {o.name: o.price.amount for o in shop.offers() if o.kind == "picture"}
    by_level: dict[int, list[int]] = {}
    for item in wanted:
        if item.shot is not None and by_whom[item.shot] == usual:
            by_level.setdefault(level[item.shot], []).append(item.shot)
    pieces = {lv: len(shots) for lv, shots in by_level.items()}
    makers = [m for m in makers_of(shop, stars) if only is None or m.offer in only]
    found = plan(pieces, makers, limits, fixed)
    shots: dict[tuple[int, str], list[int]] = {}
    # Who has the most stars makes what comes first: the opening opens with the best.
    best = {m.offer: -m.stars for m in makers}
    for step in sorted(found.steps, key=lambda s: (-s.level, best[s.offer])):
        rest = by_level[step.level]
        shots[step.level, step.offer], by_level[step.level] = rest[: step.count], rest[step.count :]
    price = sum((prices.get(by_whom[s], Decimal(0)) for s in chosen), Decimal(0))
    return Shared(found, shots, cost_of_limits(pieces, makers, limits), pieces, chosen, price)
