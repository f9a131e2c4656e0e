"""Faces of the maker's own."""

from pathlib import PurePath

from fastapi import APIRouter, UploadFile

from cutreel.core.film import OwnFace
from cutreel.core.lettering import LARGEST, read_face
from cutreel.making import FACE, reader

from .door import Films, Shop
from .files import bytes_of

router = APIRouter(prefix="/api")


@router.post("/films/{film}/faces")
def bring_face(film: str, file: UploadFile, films: Films, shop: Shop) -> OwnFace:
    """Look at a face (TTF, OTF); it is the film's once it is kept there."""
    films.now(film)
    data = bytes_of(file, LARGEST, "face")
    found = reader.read(read_face, data, what=FACE)
    name = found.name or PurePath(file.filename or "face").stem
    return OwnFace(name=name[:120], media=shop.media.put(data, found.ending))
