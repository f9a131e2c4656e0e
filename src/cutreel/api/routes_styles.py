"""House styles: kept from a film, applied to another, taken out and brought in as one file."""

import base64

from fastapi import APIRouter, Response, UploadFile
from pydantic import BaseModel, Field, ValidationError

from cutreel.core.effects import read_cube
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    HouseStyle,
    StyleChange,
    StyleFile,
    changes_of,
    style_of,
    without_pictures,
)
from cutreel.core.lettering import read_face
from cutreel.making import FACE, reader
from cutreel.making.pictures import clear_png

from .door import Films, Shop

router = APIRouter(prefix="/api")
MOST_FILE = 100_000_000
"""Bytes of a style as a file."""


class StyleView(BaseModel):
    """A style that is kept."""

    id: str
    style: HouseStyle


class KeepStyle(BaseModel):
    """Keep the style of a film by a name; one of that name is replaced."""

    film: str = Field(max_length=40)
    name: str = Field(min_length=1, max_length=80)


@router.get("/styles")
def styles(shop: Shop) -> list[StyleView]:
    """All styles that are kept, last changed first."""
    return [StyleView(id=i, style=s) for i, s in shop.styles.all()]


@router.post("/styles")
def keep(wish: KeepStyle, shop: Shop, films: Films) -> StyleView:
    """Keep what a film has as a style."""
    style = style_of(films.now(wish.film).film.document, " ".join(wish.name.split()))
    return StyleView(id=shop.styles.put(style), style=style)


@router.delete("/styles/{style}")
def drop(style: str, shop: Shop) -> Response:
    """Let a style go; films keep what they have."""
    shop.styles.get(style)
    shop.styles.drop(style)
    return Response(status_code=204)


@router.get("/films/{film}/styles/{style}")
def compared(film: str, style: str, shop: Shop, films: Films) -> list[StyleChange]:
    """What a style would change in a film."""
    return changes_of(shop.styles.get(style), films.now(film).film.document)


@router.get("/styles/{style}/file")
def taken_out(style: str, shop: Shop) -> Response:
    """A style as one file (JSON), with the tables, faces and pictures it needs."""
    kept = without_pictures(shop.styles.get(style))
    cubes = {t.media: shop.media.get(t.media).decode() for t in kept.tables}
    fonts = {f.media: base64.b64encode(shop.media.get(f.media)) for f in kept.faces}
    pictures = {p.media: base64.b64encode(shop.media.get(p.media)) for p in kept.pictures}
    told = {"style": kept, "cubes": cubes, "fonts": fonts, "pictures": pictures}
    file = StyleFile.model_validate(told)
    headers = {"Content-Disposition": 'attachment; filename="style.json"'}
    return Response(file.model_dump_json(indent=1), media_type="application/json", headers=headers)


@router.post("/styles/file")
def brought(file: UploadFile, shop: Shop) -> StyleView:
    """A style from a file. A table, face or picture that is damaged is refused."""
    data = file.file.read(MOST_FILE + 1)
    if len(data) > MOST_FILE:
        raise BadInput("That file is too large for a style.")
    try:
        told = StyleFile.model_validate_json(data)
    except ValidationError as error:
        where = " ".join(str(p) for p in error.errors()[0]["loc"]) or "it"
        raise BadInput(f"That is no style as a file: {where} is not understood.") from error
    names = set()
    for text in told.cubes.values():
        read_cube(text)
        names.add(shop.media.put(text.encode(), "cube"))
    for font in told.fonts.values():
        names.add(shop.media.put(font, reader.read(read_face, font, what=FACE).ending))
    for picture in told.pictures.values():
        reader.read(clear_png, picture)
        names.add(shop.media.put(picture, "png"))
    needed = [(f"look-up table {t.name}", t.media) for t in told.style.tables]
    needed += [(f"face {f.name}", f.media) for f in told.style.faces]
    needed += [(f"picture {p.name}", p.media) for p in told.style.pictures]
    lacking = [what for what, media in needed if media not in names]
    if lacking:
        raise BadInput(f"The file lacks the {lacking[0]}, or has another under its name.")
    return StyleView(id=shop.styles.put(without_pictures(told.style)), style=told.style)
