"""Films brought in from their archives."""

from fastapi import APIRouter, UploadFile

from cutreel.making import BroughtFilm, bring_archive

from .door import Shop

router = APIRouter(prefix="/api")


@router.post("/archives", status_code=201)
def brought(file: UploadFile, shop: Shop) -> BroughtFilm:
    """A film from its archive. Media that are damaged or missing are told; the rest is kept."""
    return bring_archive(shop, file.file)
