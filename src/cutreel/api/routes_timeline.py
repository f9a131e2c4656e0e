"""The film's timeline for other programs, and one that comes back from them."""

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from cutreel.core.errors import NotFound
from cutreel.core.film import Command, changes_back
from cutreel.core.interchange import shots_back, to_edl, to_otio
from cutreel.making import timeline_of

from .door import Films, Shop

router = APIRouter(prefix="/api/films/{film}")
MOST_TIMELINE = 20_000_000
"""Characters of a timeline that comes back."""

MOST_TRIED = 12
"""Changed lengths that are tried before they are proposed; beyond that, what is left over is told when one is taken."""


class TimelineBack(BaseModel):
    """A timeline as a file's text: OpenTimelineIO, or a CMX 3600 edit list."""

    text: str = Field(min_length=1, max_length=MOST_TIMELINE)


class BackChangeView(BaseModel):
    """What a timeline has otherwise: which shot, in words, and the change that takes it over (None: it cannot be
    taken)."""

    edge: str
    says: str
    command: Command | None


@router.get("/timeline.{kind}")
def timeline(film: str, kind: str, shop: Shop, films: Films) -> Response:
    """The film as `otio` or `edl`; its files are those of its parts."""
    if kind not in ("otio", "edl"):
        raise NotFound("A timeline is not written so.", "Choose otio or edl.")
    whole = timeline_of(shop, films.now(film).film)
    text = to_otio(whole) if kind == "otio" else to_edl(whole)
    headers = {"Content-Disposition": f'attachment; filename="film.{kind}"'}
    return Response(text, media_type="application/octet-stream", headers=headers)


@router.post("/timeline/back")
def back(film: str, brought: TimelineBack, shop: Shop, films: Films) -> list[BackChangeView]:
    """What a timeline that comes back would change; nothing is changed by that."""
    found = films.now(film).film
    rate = found.rate.fraction.numerator / found.rate.fraction.denominator
    came = shots_back(brought.text, rate)
    changes = changes_back(found, came)
    if sum(c.command is not None for c in changes) <= MOST_TRIED:
        changes = changes_back(found, came, lambda document: shop.laid_out(found.film, document))
    return [BackChangeView(edge=c.edge, says=c.says, command=c.command) for c in changes]
