"""Captions of a film: which of them cannot be read in time."""

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.captions import CaptionFaultKind
from cutreel.core.film import Command, captions_unread

from .door import Films

router = APIRouter(prefix="/api/films/{film}")


class UnreadView(BaseModel):
    """A caption that cannot be read in time: its shot, the second it comes at, its text; what is wrong, in words a
    minute or seconds, as found and as aimed at; what would mend it, and that in words."""

    shot: int
    at: float
    text: str
    kind: CaptionFaultKind
    found: float
    aim: float
    remedy: Command | None
    says: str


class CaptionsRead(BaseModel):
    """How many captions there are, and those that cannot be read in time."""

    captions: int
    unread: list[UnreadView]


@router.get("/captions/read")
def read(film: str, films: Films) -> CaptionsRead:
    """Whether captions can be read in time, by the DCMP Captioning Key."""
    found = films.now(film).film
    unread = [UnreadView(**u._asdict()) for u in captions_unread(found)]
    return CaptionsRead(captions=len(found.captions), unread=unread)
