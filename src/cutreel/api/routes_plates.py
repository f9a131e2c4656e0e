"""Plates that the words of a shot give a reason for."""

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.errors import NotFound
from cutreel.core.film import proposed_for
from cutreel.core.plates import Plate

from .door import Films

router = APIRouter(prefix="/api")


class ProposedView(BaseModel):
    """A plate that is proposed, and the words that it is proposed for."""

    plate: Plate
    why: str


@router.get("/films/{film}/shots/{shot}/plates")
def proposed(film: str, shot: int, films: Films) -> list[ProposedView]:
    """Plates for the words of a shot, the likeliest first."""
    read = films.now(film).film.read
    found = next((s for s in read.shots if s.shot.id == shot), None)
    if found is None:
        raise NotFound("That shot is not in the film any more.", "Load the page again.")
    return [ProposedView(plate=p.plate, why=p.why) for p in proposed_for(read, found)]
