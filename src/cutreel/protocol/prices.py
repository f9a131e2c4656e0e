"""What a job costs at an offer's price, and how long its words are."""

from decimal import Decimal

from .jobs import JobInput
from .offers import Offer


def text_of(job: JobInput) -> str:
    """The words of a job that caps and prices count."""
    return str(getattr(job, "text", "") or getattr(job, "prompt", ""))


def price_of(offer: Offer, job: JobInput) -> Decimal:
    """What a job costs at an offer's price."""
    price = offer.price
    amounts = {
        "second": Decimal(str(getattr(job, "seconds", 1))),
        "character": Decimal(len(text_of(job))),
        "picture": Decimal(int(getattr(job, "count", 1))),
    }
    return price.amount * amounts.get(price.per, Decimal(1))


def over_cap(offer: Offer, job: JobInput) -> str:
    """By what a job goes beyond an offer's caps, in a sentence; empty when it does not."""
    caps, length = offer.caps, len(text_of(job))
    most = caps.text_characters if job.kind == "speech" else caps.prompt_characters
    if most and length > most:
        return f"{length} characters; at most {most} are taken."
    bounds = (("seconds", caps.seconds), ("width", caps.width), ("height", caps.height))
    for name, bound in bounds:
        asked = getattr(job, name, None)
        if bound and asked and asked > bound:
            return f"{name.capitalize()} {asked:g}; at most {bound:g} are taken."
    return ""
