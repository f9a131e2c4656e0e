"""Grades to and from other programs: look-up tables as .cube files."""

from pathlib import PurePath

from fastapi import APIRouter, UploadFile
from fastapi.responses import PlainTextResponse

from cutreel.core.effects import cube_of, cube_text, read_cube, tables_of
from cutreel.core.errors import BadInput
from cutreel.core.film import OwnTable

from .door import Films, Shop
from .files import bytes_of

router = APIRouter(prefix="/api")
MOST_TABLE = 80_000_000
"""Bytes: a table of 129 points along an edge, with all its digits."""


@router.post("/films/{film}/tables")
def bring(film: str, file: UploadFile, films: Films, shop: Shop) -> OwnTable:
    """Read a look-up table (.cube); it is the film's once it is kept there."""
    films.now(film)
    data = bytes_of(file, MOST_TABLE, "table")
    try:
        text = data.decode()
    except UnicodeDecodeError as error:
        raise BadInput("That is no look-up table.", "Take a .cube file.") from error
    title = read_cube(text).title
    name = title or PurePath(file.filename or "table").stem.replace("_", " ") or "table"
    return OwnTable(name=name[:120], media=shop.media.put(data, "cube"))


@router.get("/films/{film}/grade.cube")
def taken_out(film: str, films: Films) -> PlainTextResponse:
    """The film's own grade as a look-up table for other programs."""
    document = films.now(film).film.document
    cube = cube_of(tables_of(document.settings.grade), document.title.replace('"', "”"))
    headers = {"Content-Disposition": 'attachment; filename="grade.cube"'}
    return PlainTextResponse(cube_text(cube), headers=headers)
