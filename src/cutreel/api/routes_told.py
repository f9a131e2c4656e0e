"""Addresses outside that are told when something is ready."""

from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel, Field

from cutreel.making import add_told, try_told

from .door import Shop

router = APIRouter(prefix="/api/told")


class ToldView(BaseModel):
    """An address that is told; when it was `last` told something, whether that `arrived`, what it answered, how much
    it is still to be told. `secret` is what it knows us by: shown once, when it is new."""

    id: str
    address: str
    last: datetime | None
    arrived: bool
    says: str
    waits: int
    secret: str = ""


class ToldWanted(BaseModel):
    address: str = Field(min_length=8, max_length=2000)


def _views(shop: Shop) -> list[ToldView]:
    return [
        ToldView(
            id=t.id, address=t.address, last=t.last, arrived=t.arrived, says=t.says, waits=t.waits
        )
        for t in shop.told.all()
    ]


@router.get("")
def told(shop: Shop) -> list[ToldView]:
    return _views(shop)


@router.post("", status_code=201)
def add(wanted: ToldWanted, shop: Shop) -> list[ToldView]:
    """Let an address be told from now on; its secret is in the answer, and never again."""
    id, secret = add_told(shop, wanted.address)
    return [v.model_copy(update={"secret": secret}) if v.id == id else v for v in _views(shop)]


@router.delete("/{id}")
def drop(id: str, shop: Shop) -> list[ToldView]:
    shop.told.drop(id)
    return _views(shop)


@router.post("/{id}/try")
def try_it(id: str, shop: Shop) -> list[ToldView]:
    """Send it a word now."""
    try_told(shop, id)
    return _views(shop)
