"""Sounds and music of the maker's own."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, Form, UploadFile

from cutreel.core.film import OwnSound
from cutreel.making import OWN, keep_own, opened_sound, reader

from .door import Films, Shop

router = APIRouter(prefix="/api")


@router.post("/films/{film}/sounds")
def bring(
    film: str,
    file: UploadFile,
    films: Films,
    shop: Shop,
    licence: Annotated[str, Form(max_length=120)] = "",
    credit: Annotated[str, Form(max_length=200)] = "",
) -> OwnSound:
    """Read a file of sound; it is the film's once it is kept there. Of what has beats its tempo is told."""
    films.now(film)
    opened = reader.read(opened_sound, file.file.read(), what=OWN)
    name = PurePath(file.filename or "sound").stem.replace("_", " ")[:120] or "sound"
    return OwnSound(
        name=name,
        media=keep_own(shop, opened),
        seconds=opened.seconds,
        tempo=opened.tempo,
        licence=licence.strip(),
        credit=credit.strip(),
    )
