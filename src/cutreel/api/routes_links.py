"""Links for others: made, copied, withdrawn. What is behind one is served by the door, a server of its own."""

import os
from datetime import UTC, datetime

from fastapi import APIRouter
from pydantic import BaseModel, Field

from cutreel.making import film_to_show, make_link

from .door import Shop

router = APIRouter(prefix="/api/films/{film}/links")


class LinkView(BaseModel):
    """A link: for whom, what it may, until when, how often it was opened; its `address` as far as the door knows its
    own."""

    id: str
    label: str
    may_note: bool
    has_password: bool
    until: datetime
    over: bool
    opened: int
    last_opened: datetime | None
    address: str


class LinksView(BaseModel):
    """A film's links; whether the door is `open`, and whether there is a film to show."""

    open: bool
    made: bool
    links: list[LinkView]


class LinkWanted(BaseModel):
    label: str = Field("", max_length=80)
    days: int = Field(14, ge=1, le=180)
    may_note: bool = False
    password: str = Field("", max_length=200, repr=False)


@router.get("")
def links(film: str, shop: Shop) -> LinksView:
    """Every link that was not withdrawn."""
    shop.films.get(film)
    door, at = os.environ.get("CUTREEL_DOOR", ""), datetime.now(UTC)
    return LinksView(
        open=bool(door),
        made=film_to_show(shop, film) is not None,
        links=[
            LinkView(
                id=link.id,
                label=link.label,
                may_note=link.may_note,
                has_password=link.password is not None,
                until=link.until,
                over=not link.is_open(at),
                opened=link.opened,
                last_opened=link.last_opened,
                address=f"{door}/s/{shop.secrets.open(link.sealed)}",
            )
            for link in shop.links.of_film(film)
        ],
    )


@router.post("", status_code=201)
def add(film: str, wanted: LinkWanted, shop: Shop) -> LinksView:
    """Make a link: unguessable, for a time, to this film alone."""
    make_link(shop, film, wanted.label, wanted.days, wanted.may_note, wanted.password)
    return links(film, shop)


@router.delete("/{link}")
def withdraw(film: str, link: str, shop: Shop) -> LinksView:
    """Take a link back: from now on it shows nothing."""
    shop.links.withdraw(film, link)
    return links(film, shop)
