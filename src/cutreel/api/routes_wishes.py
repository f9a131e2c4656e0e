"""Wishes for a whole film, said in plain words."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from cutreel.core.film import Command, chosen_by, understood
from cutreel.making import understood_by_writer

from .door import Films, Shop

router = APIRouter(prefix="/api/films/{film}")


class Wish(BaseModel):
    """What is to be otherwise, in plain words, and who is to understand them: our own rules, or a writer,
    which costs."""

    words: str = Field(max_length=1_000)
    by: Literal["rules", "writer"] = "rules"


class ProposalView(BaseModel):
    """A change that a wish comes to: what it does, and the words that it was understood from."""

    command: Command
    says: str
    why: str


class UnderstoodView(BaseModel):
    """The changes of a wish, to be made or not; and the parts of it that were not understood."""

    proposals: list[ProposalView]
    unclear: list[str]


@router.post("/wishes")
def wished(film: str, wish: Wish, films: Films, shop: Shop) -> UnderstoodView:
    """What a wish comes to in the film as it stands. Nothing is changed."""
    here = films.now(film).film
    if wish.by == "writer" and wish.words.strip():
        found = understood_by_writer(shop, here, wish.words)
    else:
        found = understood(wish.words, here)
    return UnderstoodView(
        proposals=[
            ProposalView(command=p.command, says=p.says, why=p.why) for p in found.proposals
        ],
        unclear=found.unclear,
    )


class ShotsChosenView(BaseModel):
    """Shots that some words choose, by their numbers; how they were understood, and what was not."""

    shots: list[int]
    told: list[str]
    unknown: list[str]


@router.get("/chosen")
def chosen(
    film: str, films: Films, words: Annotated[str, Query(min_length=1, max_length=300)]
) -> ShotsChosenView:
    """The shots that some words choose: “wide shots without movement”."""
    found = chosen_by(words, films.now(film).film)
    return ShotsChosenView(
        shots=list(found.shots), told=list(found.told), unknown=list(found.unknown)
    )
