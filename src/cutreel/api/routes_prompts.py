"""Prompts of a film for outside tools, and their results brought back: reviewed first, placed when
the maker says."""

import asyncio

from fastapi import APIRouter, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel, Field

from cutreel.core.continuity import Prompt
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import PACK_TYPES, Change, match_files, pack_of, prompts_of
from cutreel.core.film.commands import CircleTakes
from cutreel.making import Origin, Picture, add_take, brought_picture
from cutreel.making.pictures import MOST_IN_ALL, bring_many, brought_clip

from .door import Films, Shop, Since
from .schemas import FilmDelta, Piece

router = APIRouter(prefix="/api/films/{film}")


class PromptView(BaseModel):
    """A prompt with where each piece of it came from, and what did not fit."""

    text: str
    pieces: list[Piece]
    left_out: list[str]
    fits: bool


class PromptsView(BaseModel):
    """The prompts of a shot beside its picture's."""

    motion: PromptView
    direction: PromptView
    sound: PromptView


class BroughtView(BaseModel):
    """A picture that was brought, or a `clip` with its first picture, and the shot that it seems to be for; `problem`
    says why it cannot be used."""

    name: str
    media: str
    thumb: str
    width: int
    height: int
    shot: int | None
    why: str
    problem: str
    clip: str = ""


class Placed(BaseModel):
    shot: int
    media: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    thumb: str = Field(pattern=r"^[0-9a-f]{64}\.jpg$")
    name: str = Field("", max_length=200)
    clip: str = Field("", pattern=r"^([0-9a-f]{64}\.mp4)?$")


class Placing(BaseModel):
    """Pictures to be placed, each on its shot."""

    pictures: list[Placed] = Field(min_length=1, max_length=500)


@router.get("/prompts.{format}")
def prompt_pack(film: str, format: str, shop: Shop) -> Response:
    """All prompts of the film, numbered: md, csv or json."""
    found = shop.assembled(film)
    text = pack_of(found.read, format)
    return Response(
        text.encode(),
        media_type=PACK_TYPES[format] + "; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="prompts.{format}"'},
    )


@router.get("/shots/{shot}/prompts")
def shot_prompts(film: str, shot: int, shop: Shop) -> PromptsView:
    """Motion, direction and sound prompts of a shot, composed or by hand."""
    found = shop.assembled(film).read
    read = next((s for s in found.shots if s.shot.id == shot), None)
    if read is None:
        raise NotFound("That shot is not in the film any more.")
    prompts = prompts_of(read, found)
    return PromptsView(
        motion=_view(prompts.motion), direction=_view(prompts.direction), sound=_view(prompts.sound)
    )


@router.post("/brought")
async def bring_back(film: str, files: list[UploadFile], shop: Shop) -> list[BroughtView]:
    """Read pictures and clips, or zips of them, and say which shot each seems to be for. Nothing is placed
    yet."""
    read: list[tuple[str, bytes]] = []
    for file in files:
        read.append(((file.filename or "picture")[:200], await file.read(MOST_IN_ALL)))
    pictures = await asyncio.to_thread(bring_many, shop, read, True)
    usable = [p.name for p in pictures if not p.problem]
    matches = iter(match_files(usable, await asyncio.to_thread(lambda: shop.assembled(film).read)))
    out = []
    for picture in pictures:
        match = None if picture.problem else next(matches)
        out.append(
            BroughtView(
                name=picture.name,
                media=picture.media,
                thumb=picture.thumb,
                width=picture.width,
                height=picture.height,
                shot=match.shot if match else None,
                why=match.why if match else "",
                problem=picture.problem,
                clip=picture.clip,
            )
        )
    return out


@router.post("/brought/place")
def place(film: str, placing: Placing, shop: Shop, films: Films, since: Since = "") -> FilmDelta:
    """Place brought pictures: each becomes a take of its shot and is circled, all in one change."""
    row = shop.films.get(film)
    known = {s.id for s in row.document.shots}
    brought: dict[int, tuple[str, Picture]] = {}
    for picture in placing.pictures:
        if picture.shot not in known:
            raise NotFound(
                "One of those shots is not in the film any more.", "Look at the list again."
            )
        if picture.shot in brought:
            raise BadInput("Two pictures are for one shot.", "Bring them one after the other.")
        kept = (
            brought_clip(shop, picture.clip)
            if picture.clip
            else brought_picture(shop, picture.media)
        )
        if kept is None:
            raise BadInput("One of those pictures is not kept any more.", "Bring it again.")
        brought[picture.shot] = (picture.name, kept)
    takes = {
        shot: add_take(shop, film, shot, kept, Origin(), {"file": name})
        for shot, (name, kept) in brought.items()
    }
    shop.films.change(film, Change(revision=row.revision, command=CircleTakes(takes=takes)))
    return films.since(film, since)


def _view(prompt: Prompt) -> PromptView:
    return PromptView(
        text=prompt.text,
        pieces=[Piece(origin=origin, words=words) for origin, words in prompt.pieces],
        left_out=list(prompt.left_out),
        fits=prompt.fits,
    )
