"""Cuts: one film, several arrangements of it beside each other."""

from typing import Any, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from cutreel.core.film import Aspect, Change, cut_differences, excerpt_of
from cutreel.core.film.commands import EditPlaces, SetSettings

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


class ExcerptWanted(CutName):
    """A part of the film, from a frame up to another, in a shape (None: as the film has it)."""

    start: int = Field(ge=0)
    end: int = Field(gt=0)
    aspect: Aspect | None = None


@router.post("/excerpts", status_code=201)
def excerpt(film: str, wish: ExcerptWanted, shop: Shop, films: Films) -> CutView:
    """Keep a part of the film as a cut of its own: a teaser, a short. It has whole sentences, no titles, and the
    pictures and voices that there are; all of it can be changed, or undone there."""
    found = excerpt_of(films.now(film).film, wish.start, wish.end)
    view = keep(film, CutName(name=wish.name), shop, films)
    take_out = EditPlaces(edits=found.edits, what="keep a part")
    values: dict[str, Any] = {"titles": "off"}
    if wish.aspect is not None:
        values["aspect"] = wish.aspect
    for command in (take_out, SetSettings(values=values)):
        revision = shop.films.get(view.film).revision
        shop.films.change(view.film, Change(revision=revision, command=command))
    head = films.now(view.film).head
    return CutView(
        film=view.film, name=view.name, aspect=head.settings.aspect, seconds=head.seconds
    )


@router.get("/cuts/{other}/differences")
def differences(film: str, other: str, films: Films) -> list[DifferenceView]:
    """What another cut has otherwise."""
    found = cut_differences(films.now(film).film, films.now(other).film)
    return [DifferenceView(**d._asdict()) for d in found]
