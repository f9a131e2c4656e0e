"""What a maker delivers that knows nothing of Cut Reel: one file, whose price is what its owner said."""

import hashlib
from decimal import Decimal

from cutreel.protocol import JobInput, Offer, Result, over_cap, price_of
from cutreel.services import Delivered, ServiceRefused

from .sniffed import checked


def delivered(offer: Offer, work: JobInput, data: bytes, cost: Decimal | None = None) -> Delivered:
    """A file as delivered, looked at first. Raises ServiceRefused where it is not what was asked for."""
    kind = checked(work.kind, data, offer.title)
    told = Result(
        name=work.kind, media_type=kind, sha256=hashlib.sha256(data).hexdigest(), size=len(data)
    )
    return Delivered([(told, data)], price_of(offer, work) if cost is None else cost, [])


def within_caps(offer: Offer, work: JobInput) -> None:
    """Raises ServiceRefused for more than an offer takes: the maker would cut it, or charge for a failure."""
    over = over_cap(offer, work)
    if over:
        refused = ServiceRefused(
            f"“{offer.title}”: {over}", "Shorten the prompt, or choose another offer."
        )
        refused.reason = "over-cap"
        raise refused
