"""Cuts: one film, several arrangements of it beside each other."""

from typing import Any, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from cutreel.core.film import cut_differences

from .door import Films, Shop

router = APIRouter(prefix="/api/films/{film}")


class CutView(BaseModel):
    """A cut: the id under which it is opened, its name, its shape, frames and seconds."""

    film: str
    name: str
    aspect: str
    seconds: float


class CutName(BaseModel):
    name: str = Field(min_length=1, max_length=60)


class DifferenceView(BaseModel):
    """Something that two cuts have otherwise: of what sort, of which shot (None: of the film), and how it is `here` and
    `there`."""

    sort: Literal["setting", "title", "gone", "new", "words", "picture", "time", "made", "order"]
    shot: int | None
    edge: str
    what: str
    here: Any
    there: Any


@router.get("/cuts")
def cuts(film: str, shop: Shop, films: Films) -> list[CutView]:
    """All cuts of the film, this one among them, as they were made."""
    out = []
    for cut in shop.whole.cuts(film):
        state = films.now(cut.film)
        aspect = state.head.settings.aspect
        out.append(CutView(film=cut.film, name=cut.name, aspect=aspect, seconds=state.head.seconds))
    return out


@router.post("/cuts", status_code=201)
def keep(film: str, wish: CutName, shop: Shop, films: Films) -> CutView:
    """Keep the film as it is now as a cut with a name; both go on apart, and share what was made."""
    name = " ".join(wish.name.split())
    made = shop.whole.keep_cut(film, name)
    head = films.now(made).head
    return CutView(film=made, name=name, aspect=head.settings.aspect, seconds=head.seconds)


@router.get("/cuts/{other}/differences")
def differences(film: str, other: str, films: Films) -> list[DifferenceView]:
    """What another cut has otherwise."""
    found = cut_differences(films.now(film).film, films.now(other).film)
    return [DifferenceView(**d._asdict()) for d in found]
