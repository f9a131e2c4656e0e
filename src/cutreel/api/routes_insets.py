"""Pictures of the maker's own that are laid over shots, or are the film's mark."""

from pathlib import PurePath

from fastapi import APIRouter, UploadFile

from cutreel.core.insets import LaidPicture
from cutreel.making import reader
from cutreel.making.pictures import clear_png

from .door import Films, Shop
from .files import bytes_of

router = APIRouter(prefix="/api")
MOST_PICTURE = 30_000_000


@router.post("/films/{film}/own-pictures")
def bring_picture(film: str, file: UploadFile, films: Films, shop: Shop) -> LaidPicture:
    """Look at a picture; what is transparent in it stays so. It is the film's once it is kept there."""
    films.now(film)
    data = bytes_of(file, MOST_PICTURE, "picture")
    found = reader.read(clear_png, data)
    name = PurePath(file.filename or "").stem.strip() or "picture"
    media = shop.media.put(found.png, "png")
    return LaidPicture(name=name[:120], media=media, width=found.width, height=found.height)
