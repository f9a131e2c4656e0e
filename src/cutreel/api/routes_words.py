"""Words on the screen: how well they can be read."""

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core import render
from cutreel.making import contrasts

from .door import Films, Shop
from .found import shot_at

router = APIRouter(prefix="/api")


class WordsReadView(BaseModel):
    """The contrast of each of the words on a shot's screen, in their order (null: not measured), and what large letters
    need. `layered`: words can stand behind something in its picture."""

    needed: float
    layered: bool
    contrasts: list[float | None]


@router.get("/films/{film}/shots/{shot}/words")
def words_read(film: str, shot: int, films: Films, shop: Shop) -> WordsReadView:
    """How well the words on a shot's screen can be read against what is behind them."""
    assembled = films.now(film).film
    at = shot_at(assembled, shot)
    clip = assembled.timeline.clips[at]
    layered = len(clip.layers) > 1 and clip.plate is None and clip.footage is None
    found = contrasts(shop, assembled, at)
    return WordsReadView(needed=render.LEAST_CONTRAST, layered=layered, contrasts=found)
