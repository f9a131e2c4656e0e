"""Services: offers, and what was spent."""

from datetime import UTC, datetime

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.colour import colour_in
from cutreel.core.continuity import LOOKS, Look
from cutreel.making import is_warm
from cutreel.protocol import Offer

from .door import Shop
from .schemas import Spending

router = APIRouter(prefix="/api")


@router.get("/offers")
def offers(shop: Shop) -> list[Offer]:
    return shop.offers()


@router.get("/looks")
def looks() -> list[Look]:
    return list(LOOKS)


class ColourView(BaseModel):
    """The colour that words name, as #rrggbb; None: they name none."""

    css: str | None


@router.get("/colour")
def colour(words: str) -> ColourView:
    """What words of a trait mean as a colour."""
    rgb = colour_in(words[:200])
    return ColourView(css="#{:02x}{:02x}{:02x}".format(*rgb) if rgb else None)


@router.get("/films/{film}/spending")
def spending(film: str, shop: Shop) -> Spending:
    """Money spent on this film, and on all today (UTC)."""
    today = datetime.now(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
    return Spending(
        film=float(shop.spending.total(film)),
        today=float(shop.spending.total(since=today)),
        by_offer={k: float(v) for k, v in shop.spending.by_offer().items()},
    )


@router.get("/health")
def health() -> dict[str, str]:
    """That the server answers; and whether the parser is loaded, so that a short story is read at once."""
    return {"state": "ready", "reading": "ready" if is_warm() else "loading"}
