"""What is done to pictures by hand, at once and without a service: figures cut out and laid
elsewhere, frames moved."""

import gzip
import io
from typing import Any

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import CutOut, FilmDocument, proportion
from cutreel.core.pictures import (
    Box,
    Layer,
    LayeredPicture,
    Placing,
    cut_out,
    face_of,
    feathered,
    figure_share,
    frame_keeping,
    packed,
    placed,
    reshaped,
)
from cutreel.store import TakeRow

from ..apart import reader
from ..workshop import Workshop
from .keeping import Origin, add_take, kept_picture
from .measuring import pixels_of
from .opening import opened

FIGURES = (0.25, 0.9)
"""Between these depths lies the layer that figures are drawn on (0 far, 1 near)."""
SKETCH, SEEN = 1280, 1280
"""The longest side in pixels of a sketch that is kept, and of a picture that is only looked at."""


def figures_of_take(take: TakeRow) -> list[dict[str, Any]]:
    """The figures that are known in a take: name, box, joints and way."""
    return [
        {"name": r["name"], "box": r["box"], "joints": r.get("joints", {}), "way": r.get("way", 1)}
        for r in take.about.get("regions", [])
    ]


def share_of_figure(shop: Workshop, take: TakeRow, number: int) -> NDArray[np.float32]:
    """What of each pixel belongs to a figure of a take, from the layer it was drawn on. Raises
    BadInput without one."""
    figures = figures_of_take(take)
    if not 0 <= number < len(figures):
        raise NotFound("That figure is not in the picture.")
    layer = next((m for m, depth in take.layers if FIGURES[0] < depth < FIGURES[1]), None)
    if layer is None:
        raise BadInput(
            "Where the figure ends is not known in this picture.", "Paint over it instead."
        )
    pixels = pixels_of(shop.media.get(layer))
    if pixels.shape[2] < 4:
        raise BadInput(
            "Where the figure ends is not known in this picture.", "Paint over it instead."
        )
    left, top, right, bottom = figures[number]["box"]
    return figure_share(pixels, (left, top, right, bottom))


def mask_of_figure(shop: Workshop, take: TakeRow, number: int) -> bytes:
    """The same as a PNG: white where the figure is."""
    return _png((share_of_figure(shop, take, number) * 255).round().astype(np.uint8))


def cut_from(
    shop: Workshop, take: TakeRow, figure: int | None, mask: str | None, feather: float
) -> tuple[str, int, int]:
    """Cut a figure of a take out, or what a kept mask marks; returns its media name, width and
    height."""
    pixels = pixels_of(shop.media.get(take.media))[..., :3]
    if figure is not None:
        share = share_of_figure(shop, take, figure)
        if share.shape != pixels.shape[:2]:
            raise BadInput(
                "Where the figure ends is not known in this picture.", "Paint over it instead."
            )
    elif mask and shop.media.has(mask):
        share = feathered(pixels_of(shop.media.get(mask))[..., 0], feather)
    else:
        raise BadInput("Nothing is marked.", "Choose a figure, or paint over what to cut out.")
    out = cut_out(pixels, share)
    return shop.media.put(_png(out), "png"), out.shape[1], out.shape[0]


def place_in(shop: Workshop, film: str, take: TakeRow, cutout: CutOut, where: Placing) -> None:
    """Lay a cut-out into a take, as a take of its own."""
    pixels = _laid(shop, take, cutout, where)
    png = _png(pixels)
    wide = cutout.width / cutout.height * where.height * pixels.shape[0] / pixels.shape[1]
    box = [where.x - wide / 2, where.y - where.height, where.x + wide / 2, where.y]
    region = {"name": cutout.name, "box": [round(min(1.0, max(0.0, v)), 4) for v in box]}
    told = {"placed": {"from": take.number, "name": cutout.name}}
    _keep(shop, film, take, png, told, [*take.about.get("regions", []), region])


def look_of(shop: Workshop, take: TakeRow, cutout: CutOut, where: Placing) -> bytes:
    """How a cut-out would look there, as a JPEG for the screen."""
    image = Image.fromarray(_laid(shop, take, cutout, where))
    image.thumbnail((SEEN, SEEN))
    out = io.BytesIO()
    image.save(out, "JPEG", quality=88)
    return out.getvalue()


def _laid(shop: Workshop, take: TakeRow, cutout: CutOut, where: Placing) -> NDArray[np.uint8]:
    base = pixels_of(shop.media.get(take.media))[..., :3]
    return placed(base, pixels_of(shop.media.get(cutout.media)), where)


def reshape(shop: Workshop, film: str, take: TakeRow, frame: Box) -> None:
    """What a frame holds of a take, as a take of its own; beyond the picture its edge is
    continued."""
    png = _png(reshaped(pixels_of(shop.media.get(take.media))[..., :3], frame))
    left, top, right, bottom = frame
    moved = []
    for r in take.about.get("regions", []):
        l, t, rr, b = r["box"]  # noqa: E741
        box = [
            (l - left) / (right - left),
            (t - top) / (bottom - top),
            (rr - left) / (right - left),
        ]
        box.append((b - top) / (bottom - top))
        clipped = [min(1.0, max(0.0, v)) for v in box]
        if clipped[2] > clipped[0] and clipped[3] > clipped[1]:
            moved.append({"name": r["name"], "box": [round(v, 4) for v in clipped]})
    _keep(shop, film, take, png, {"reshaped": {"from": take.number, "frame": list(frame)}}, moved)


def frame_for(document: FilmDocument, take: TakeRow) -> Box:
    """Where a frame of the film's shape begins to be: the largest one in a take that keeps the
    faces known in it."""
    shape = proportion(document.settings.aspect)
    picture = take.about["width"] / take.about["height"] if "height" in take.about else shape
    faces = [face_of(r["box"]) for r in take.about.get("regions", [])]
    return frame_keeping(picture, shape, faces)


def openraster_of(shop: Workshop, take: TakeRow) -> bytes:
    """A take as an OpenRaster file: its layers with their depths and drawings, its figures with
    their joints."""
    drawings = [gzip.decompress(shop.media.get(m)) for m in take.about.get("drawings", [])]
    known = drawings if len(drawings) == len(take.layers) else [None] * len(take.layers)
    layers = [
        Layer(shop.media.get(m), depth, svg)
        for (m, depth), svg in zip(take.layers, known, strict=True)
    ]
    return packed(LayeredPicture(shop.media.get(take.media), layers, figures_of_take(take)))


def kept_sketch(shop: Workshop, data: bytes) -> str:
    """Keep a sketch that pictures are to follow, no larger than it is of use; returns its media
    name."""
    return shop.media.put(reader.read(sketched, data), "png")


def sketched(data: bytes) -> bytes:
    """A sketch from outside as a small PNG. Raises BadInput for what is no picture."""
    image = opened(data)
    image.thumbnail((SKETCH, SKETCH))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def _keep(
    shop: Workshop,
    film: str,
    base: TakeRow,
    png: bytes,
    told: dict[str, Any],
    regions: list[dict[str, Any]],
) -> None:
    picture = kept_picture(shop, png, regions=regions)
    add_take(shop, film, base.shot, picture, Origin.of(base), told)


def _png(pixels: NDArray[np.uint8]) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", compress_level=3)
    return out.getvalue()
