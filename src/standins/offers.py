"""What the stand-ins offer now, and what a job costs."""

from collections.abc import Mapping
from datetime import UTC, datetime, timedelta
from decimal import Decimal

from cutreel.protocol import JobInput, Offer, Quota

from .kinds import MAKERS

QUOTAS = {name: most for maker in MAKERS.values() for name, most in maker.quotas.items()}


def renewal(now: datetime) -> datetime:
    """Quotas renew at the next midnight, UTC."""
    return (
        (now + timedelta(days=1)).astimezone(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
    )


def offers(used: Mapping[str, int], quotas: Mapping[str, int], now: datetime) -> list[Offer]:
    """All offers, with what is left of each quota."""

    def quota(name: str) -> Quota:
        return Quota(
            limit=quotas[name],
            left=max(0, quotas[name] - used.get(name, 0)),
            renews_at=renewal(now),
        )

    return [offer for maker in MAKERS.values() for offer in maker.offers(quota)]


def cost_of(offer: Offer, job: JobInput) -> Decimal:
    """The price of a job that is done."""
    return (offer.price.amount * MAKERS[job.kind].units(job, offer)).quantize(Decimal("0.00001"))
