"""Sounds and music of the maker's own."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, Form, UploadFile

from cutreel.core.film import OwnSound
from cutreel.making import OWN, keep_own, opened_sound, reader, shelf

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
    told = {"name": name, "licence": licence.strip(), "credit": credit.strip()}
    return keep_own(shop, opened, told)


@router.get("/sounds")
def kept(shop: Shop) -> list[OwnSound]:
    """All sounds that were ever brought, for whatever film. A film takes one by keeping it."""
    return shelf(shop)
