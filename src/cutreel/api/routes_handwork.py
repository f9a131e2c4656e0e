"""What is done to a take by hand: its figures, poses, cut-outs, frames and sketches."""

import asyncio
from typing import Annotated, Literal

from fastapi import APIRouter, Query, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import Change, CutOut
from cutreel.core.film.commands import KeepCutOut
from cutreel.core.pictures import (
    Box,
    Placing,
    in_pixels,
    in_shares,
    moved,
    reach_of,
    take_pose,
    usual_joints,
)
from cutreel.making import SHORT_SIDE, frame_size
from cutreel.making.pictures import (
    cut_from,
    figures_of_take,
    frame_for,
    kept_sketch,
    look_of,
    mask_of_figure,
    openraster_of,
    place_in,
    reshape,
)
from cutreel.protocol import POSES, FigurePose, Joint

from .door import Films, Shop, Since
from .schemas import FilmDelta

router = APIRouter(prefix="/api")
MOST_BYTES = 30_000_000


class TakenFigure(BaseModel):
    """A figure that is known in a take: its box and its joints as shares of the frame; `way` 1
    looks right. `cut` says whether it can be cut out as it was drawn."""

    name: str
    box: Box
    joints: dict[Joint, tuple[float, float]]
    way: Literal[1, -1]
    cut: bool


class ReachView(BaseModel):
    """How close the camera comes (`zoom`), how many pixels of the picture and of the film then
    lie across the frame, their ratio, and by how much to enlarge (1: no need), for a size of
    delivery."""

    size: str
    zoom: float
    across: int
    frame: int
    ratio: float
    factor: int


class HandView(BaseModel):
    """What there is to work on in a take: its figures, whether its pixels are enough, a frame of
    the film's shape."""

    figures: list[TakenFigure]
    reach: list[ReachView]
    frame: Box
    fits: bool


class PoseMove(BaseModel):
    """Drag a joint of a figure, or take a pose of the stock; `aspect` is the picture's width over
    its height."""

    pose: FigurePose
    aspect: float = Field(gt=0.1, lt=10)
    joint: Joint | None = None
    to: tuple[float, float] = (0.5, 0.5)
    stock: str = Field("", max_length=40)


class CutWish(BaseModel):
    """What to cut out of a take: a figure by its number, or a kept mask."""

    name: str = Field(min_length=1, max_length=80)
    figure: int | None = None
    mask: str | None = Field(None, pattern=r"^[0-9a-f]{64}\.png$")
    feather: float = Field(1.5, ge=0, le=60)
    revision: int


class PlaceWish(BaseModel):
    """Where a cut-out goes: the middle of its foot and its height as shares of the frame, and how
    far (0 … 1) its light is adapted."""

    cutout: int
    x: float = Field(ge=-0.5, le=1.5)
    y: float = Field(ge=-0.5, le=2.5)
    height: float = Field(gt=0.01, le=3)
    flip: bool = False
    light: float = Field(0.7, ge=0, le=1)

    def where(self) -> Placing:
        return Placing(self.x, self.y, self.height, self.flip, self.light)


class FrameWish(BaseModel):
    """A frame in shares of the picture (left, top, right, bottom); it may reach beyond."""

    frame: Box


class KeptPicture(BaseModel):
    media: str


@router.get("/films/{film}/takes/{take}/hand")
def hand(film: str, take: str, shop: Shop) -> HandView:
    """What there is to work on in a take."""
    row = shop.takes.get(take, film)
    assembled = shop.assembled(film)
    settings = assembled.document.settings
    at = next(i for i, s in enumerate(assembled.read.shots) if s.shot.id == row.shot)
    seconds = assembled.rate.seconds(assembled.spans[at].end - assembled.spans[at].start)
    width = int(row.about.get("width") or 0)
    reach = []
    for size in ("1080p", "2160p"):
        across, _ = frame_size(settings.aspect, SHORT_SIDE[size])
        found = reach_of(width or across, assembled.read.shots[at].move, seconds, across)
        reach.append(
            ReachView(
                size=size,
                zoom=found.zoom,
                across=found.across,
                frame=found.frame,
                ratio=found.ratio,
                factor=found.factor,
            )
        )
    layered = any(0.25 < depth < 0.9 for _, depth in row.layers)
    frame = frame_for(assembled.document, row)
    # Services tell names as they read them, often without capitals; here they are the cast's.
    known = {p.name.lower(): p.name for p in assembled.document.cast}
    return HandView(
        figures=[
            TakenFigure(**{**f, "name": known.get(f["name"].lower(), f["name"])}, cut=layered)
            for f in figures_of_take(row)
        ],
        reach=reach,
        frame=frame,
        fits=frame == (0.0, 0.0, 1.0, 1.0),
    )


@router.get("/films/{film}/takes/{take}/figures/{number}/mask")
def figure_mask(film: str, take: str, number: int, shop: Shop) -> Response:
    """White where a figure is, as it was drawn."""
    data = mask_of_figure(shop, shop.takes.get(take, film), number)
    return Response(
        data, media_type="image/png", headers={"Cache-Control": "private, max-age=3600"}
    )


@router.get("/films/{film}/takes/{take}/openraster")
def openraster(film: str, take: str, shop: Shop) -> Response:
    """A take with its layers, depths, figures and joints, to be worked on elsewhere and brought
    back."""
    row = shop.takes.get(take, film)
    edge = next((s.edge for s in shop.films.get(film).document.shots if s.id == row.shot), "0")
    name = f"shot-{edge}-take-{row.number}.ora"
    told = {"Content-Disposition": f'attachment; filename="{name}"'}
    return Response(openraster_of(shop, row), media_type="image/openraster", headers=told)


@router.get("/poses")
def poses() -> list[str]:
    """The stock of poses."""
    return list(POSES)


@router.post("/poses")
def move_pose(wish: PoseMove) -> FigurePose:
    """A figure's joints after one was dragged, or in a pose of the stock; limbs keep their lengths.
    Without any joints it is a grown person in the middle of the frame."""
    joints = in_pixels(wish.pose, wish.aspect) or usual_joints(
        (0.5 * wish.aspect, 0.55), 0.7, wish.pose.way
    )
    if wish.joint:
        joints = moved(joints, wish.joint, (wish.to[0] * wish.aspect, wish.to[1]))
    if wish.stock:
        joints = take_pose(joints, wish.pose.way, wish.stock)
    return wish.pose.model_copy(update={"joints": in_shares(joints, wish.aspect)})


@router.post("/films/{film}/takes/{take}/cutouts", status_code=201)
def cut(
    film: str, take: str, wish: CutWish, shop: Shop, films: Films, since: Since = ""
) -> FilmDelta:
    """Cut a figure out, and keep it in the film."""
    row = shop.takes.get(take, film)
    media, width, height = cut_from(shop, row, wish.figure, wish.mask, wish.feather)
    command = KeepCutOut(
        name=" ".join(wish.name.split()), media=media, width=width, height=height, shot=row.shot
    )
    shop.films.change(film, Change(revision=wish.revision, command=command))
    return films.since(film, since)


@router.post("/films/{film}/takes/{take}/placed", status_code=201)
def place(
    film: str, take: str, wish: PlaceWish, shop: Shop, films: Films, since: Since = ""
) -> FilmDelta:
    """Lay a cut-out into a take, as a new take."""
    place_in(shop, film, shop.takes.get(take, film), _cutout(shop, film, wish.cutout), wish.where())
    return films.since(film, since)


@router.get("/films/{film}/takes/{take}/placed")
def seen_placed(film: str, take: str, wish: Annotated[PlaceWish, Query()], shop: Shop) -> Response:
    """How a cut-out would look in a take (JPEG); nothing is kept."""
    data = look_of(shop, shop.takes.get(take, film), _cutout(shop, film, wish.cutout), wish.where())
    return Response(
        data, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"}
    )


@router.post("/films/{film}/takes/{take}/reshaped", status_code=201)
def reframe(
    film: str, take: str, wish: FrameWish, shop: Shop, films: Films, since: Since = ""
) -> FilmDelta:
    """What a frame holds of a take, as a new take."""
    reshape(shop, film, shop.takes.get(take, film), wish.frame)
    return films.since(film, since)


@router.post("/films/{film}/sketches", status_code=201)
async def sketch(film: str, file: UploadFile, shop: Shop) -> KeptPicture:
    """Keep a sketch that pictures are to follow: drawn here, or a picture file of one's own."""
    data = await file.read(MOST_BYTES + 1)
    if len(data) > MOST_BYTES:
        raise BadInput("The sketch is too large.", "Bring one of at most 30 megabytes.")

    def keep() -> KeptPicture:
        shop.films.get(film)
        return KeptPicture(media=kept_sketch(shop, data))

    return await asyncio.to_thread(keep)


def _cutout(shop: Shop, film: str, number: int) -> CutOut:
    known = next((c for c in shop.films.get(film).document.cutouts if c.id == number), None)
    if known is None:
        raise NotFound("That cut-out is not in the film any more.", "Cut it out again.")
    return known
