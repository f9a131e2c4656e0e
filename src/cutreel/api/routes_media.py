"""Media files, and pictures that the maker brings."""

import asyncio
import re

from fastapi import APIRouter, Request, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel

from cutreel.core.errors import BadInput, NotFound
from cutreel.making import CLIP, Origin, add_take, keep_brought, reader, size_of
from cutreel.making.pictures import (
    MOST_CLIP,
    OwnClip,
    OwnPicture,
    brought,
    is_clip,
    keep_clip,
    kept_mask,
    opened_clip,
)
from cutreel.store import TYPES

from .door import Films, Shop, Since
from .schemas import FilmDelta
from .sending import sent

router = APIRouter()
MOST_BYTES = 60_000_000
_NAME = re.compile(r"[0-9a-f]{64}\.(png|jpg|flac|mid|mp4|m4a|srt|vtt|json)")


@router.get("/media/{name}")
def media(name: str, shop: Shop, request: Request) -> Response:
    """A media file by its name, or a part of it. Names are hashes, so what was fetched once never
    changes."""
    match = _NAME.fullmatch(name)
    if not match:
        raise NotFound("There is no such media file.")
    headers = {"Cache-Control": "public, max-age=31536000, immutable"}
    asked = request.headers.get("range", "")
    return sent(shop.media, name, TYPES[match.group(1)], headers, asked)


@router.post("/api/films/{film}/shots/{shot}/takes", status_code=201)
async def bring_picture(
    film: str,
    shot: int,
    file: UploadFile,
    shop: Shop,
    films: Films,
    request: Request,
    since: Since = "",
) -> FilmDelta:
    """Bring a picture or a clip of one's own as a take. It is read in a process of its own, since any file
    may come."""
    data = await file.read(MOST_CLIP + 1)
    moving = is_clip(data)
    if len(data) > MOST_CLIP:
        raise BadInput("The clip is too large.", "Bring one of at most 200 megabytes.")
    if len(data) > MOST_BYTES and not moving:
        raise BadInput("The picture file is too large.", "Bring one of at most 60 megabytes.")
    known = await asyncio.to_thread(shop.films.get, film)
    if shot not in [s.id for s in known.document.shots]:
        raise NotFound("That shot is not in the film any more.")
    opened: OwnClip | OwnPicture = (
        await asyncio.to_thread(reader.read, opened_clip, data, what=CLIP)
        if moving
        else await asyncio.to_thread(reader.read, brought, data)
    )

    def keep() -> FilmDelta:
        kept = (
            keep_clip(shop, opened) if isinstance(opened, OwnClip) else keep_brought(shop, opened)
        )
        # Two clips may begin with the same picture.
        same = (
            t
            for t in shop.takes.of_shot(film, shot)
            if t.brought
            and t.media == kept.media
            and t.about.get("clip", {}).get("media") == kept.about.get("clip", {}).get("media")
        )
        if twin := next(same, None):
            what = "clip" if moving else "picture"
            raise BadInput(
                f"That {what} is take {twin.number} of the shot already.", "Circle it there."
            )
        add_take(shop, film, shot, kept, Origin(), {"file": (file.filename or "")[:200]})
        return films.since(film, since)

    return await asyncio.to_thread(keep)


class MaskView(BaseModel):
    media: str


@router.post("/api/films/{film}/takes/{take}/masks")
async def mask(film: str, take: str, file: UploadFile, shop: Shop) -> MaskView:
    """Keep what was marked in a take's picture: white changes, black stays."""
    data = await file.read(MOST_BYTES + 1)
    if len(data) > MOST_BYTES:
        raise BadInput("The mask is too large.", "Mark it again.")

    def keep() -> MaskView:
        wide, high = size_of(shop, shop.takes.get(take, film))
        return MaskView(media=kept_mask(data, wide, high, shop))

    return await asyncio.to_thread(keep)
