"""What a run would make, cost and take, as far as can be known before it starts."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal
from typing import Any

from cutreel.store import Assembled, ItemSpec

from .registry import offer_for
from .workshop import Workshop

AT_ONCE = 2
"""Workers of one machine, about: what it says is only shown as time."""


@dataclass(frozen=True)
class Estimate:
    """Items that can be known now; of the `pictures` among them, `fits` are within what is left at
    their offer until it `renews`. `lacks` is what the film has not, in sentences."""

    items: int
    cost: Decimal
    seconds: float
    pictures: int = 0
    fits: int | None = None
    renews: datetime | None = None
    lacks: tuple[str, ...] = ()


def estimate(
    shop: Workshop,
    film: str,
    kind: str,
    options: Mapping[str, Any],
    assembled: Assembled | None = None,
) -> Estimate:
    """Cost and time of a run before it is started, of the film `assembled` as it stands, or laid out
    for it. Raises BadInput for options that make no sense."""
    wanted = shop.registry.wanted(kind, options)
    assembled = assembled or shop.assembled(film)
    items: list[ItemSpec] = []
    for stage in shop.registry.stages(wanted):
        if stage.estimated:
            items += stage.items(assembled, wanted, shop)
    pictures = [i for i in items if i.kind == "picture"]
    offer = offer_for("picture", shop.offers(), pictures[0].spec.offer) if pictures else None
    return Estimate(
        items=len(items),
        cost=price_of(shop, items),
        seconds=sum(i.weight for i in items) / AT_ONCE,
        pictures=len(pictures),
        fits=min(len(pictures), offer.quota.left) if offer and offer.quota else None,
        renews=offer.quota.renews_at if offer and offer.quota else None,
        lacks=tuple(shop.registry.run(kind).lacks(assembled, wanted)),
    )


def price_of(shop: Workshop, items: list[ItemSpec]) -> Decimal:
    """What the services will ask for `items`: what was made for another reason, as a picture that
    is a sample of a look, is not paid again."""
    by_key = {i.spec.key: i for i in items}
    made = shop.results.known(list(by_key))
    unpaid = [i for name, i in by_key.items() if name not in made]
    return shop.registry.price(unpaid, shop.offers())
