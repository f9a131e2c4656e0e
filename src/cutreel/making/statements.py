"""Statements of services, compared with the ledger."""

from collections.abc import Callable
from datetime import datetime
from decimal import Decimal

from cutreel.bridge import DescribedMaker, Maker
from cutreel.core.errors import CutReelError, NotFound
from cutreel.core.spending import Charge, Compared, compared
from cutreel.protocol import Statement
from cutreel.services import Services

from .services_desk import STANDINS
from .workshop import Workshop


class NoStatement(CutReelError):
    """A service does not say what it was paid."""

    code = "no-statement"
    status = 404


def compared_statement(shop: Workshop, service: str, since: datetime) -> Compared:
    """What a service says it was paid since a moment, beside what was counted here; "standins" are those that came with
    Cut Reel. Raises NotFound, NoStatement, and what the service says where it does not answer."""
    maker, rate = _maker(shop, service)
    ask = _asking(maker)
    told = ask(since) if ask else None
    if told is None:
        raise NoStatement(
            "That service does not say what it was paid.",
            "docs/services.md tells how a service says it; what was counted here stands above.",
        )
    entries = shop.spending.entries()
    ours = {e.key: Charge(e.at, e.amount) for e in entries if _is_of(e.offer, service, shop)}
    # What was paid through another offer since is still the same job.
    others = {e.key: Charge(e.at, e.amount) for e in entries}
    theirs = [(line.key, Charge(line.at, line.cost * rate)) for line in told.lines]
    ours |= {key: others[key] for key, _ in theirs if key in others and key not in ours}
    return compared(ours, theirs, since)


def _maker(shop: Workshop, service: str) -> tuple[Maker, Decimal]:
    if service == STANDINS:
        return shop.first, Decimal(1)
    found = next((i for i in shop.sockets.all() if i.plugged.id == service), None)
    if found is None:
        raise NotFound("That service is not plugged in any more.", "Load the page again.")
    return found.maker, found.plugged.rate


def _asking(maker: Maker) -> Callable[[datetime], Statement | None] | None:
    return maker.statement if isinstance(maker, Services | DescribedMaker) else None


def _is_of(offer: str, service: str, shop: Workshop) -> bool:
    """Whether an offer of the ledger is of a service."""
    of = offer.split("/", maxsplit=1)[0]
    plugged = {str(k.settings.get("id")) for k in shop.plugged.all()}
    return of == service if service != STANDINS else of not in plugged and "/" not in offer
