"""Thumbnails from the pictures of a film."""

import io
from collections.abc import Mapping
from typing import NamedTuple

from PIL import Image

from cutreel.core.errors import NotFound
from cutreel.core.film import Aspect, TakeRow, heads_in
from cutreel.core.publishing import Drawn, Thumbnail, ThumbnailMeasures, draw_thumbnail, measured
from cutreel.store import Assembled

from .moving import frame_of_film
from .pictures import FIGURES
from .workshop import Workshop

SIZES: Mapping[Aspect, tuple[int, int]] = {
    "16:9": (1280, 720), "9:16": (720, 1280), "4:5": (1080, 1350), "1:1": (1080, 1080),
}  # fmt: skip
"""Pixels of a thumbnail, by its shape (common practice: 1280 by 720)."""
MOST_BYTES = 2_000_000
QUALITIES = (92, 85, 75, 60)


class MadeThumbnail(NamedTuple):
    """A thumbnail as a JPEG, and what is left of it where it is small."""

    jpeg: bytes
    measures: ThumbnailMeasures


def thumbnail_of(
    shop: Workshop, film: Assembled, told: Thumbnail, shape: Aspect, wide: int | None = None
) -> MadeThumbnail:
    """Draw a thumbnail, as good as finds room in two million bytes; at its size, or so many pixels `wide`. Raises
    NotFound."""
    at = next((i for i, s in enumerate(film.read.shots) if s.shot.id == told.shot), None)
    if at is None:
        raise NotFound("That shot is not in the film any more.", "Choose another.")
    take = film.used[at]
    layers, figures = _layers(shop, film, at)
    size = SIZES[shape]
    if wide is not None:
        size = (wide, round(wide * size[1] / size[0]))
    drawn = draw_thumbnail(told, layers, figures, size)
    jpeg = _as_jpeg(drawn)
    face = _face(take, told, layers[0].size, shape) if take is not None else None
    return MadeThumbnail(jpeg, measured(drawn, told.words, face, len(jpeg)))


def _layers(shop: Workshop, film: Assembled, at: int) -> tuple[list[Image.Image], int | None]:
    """The layers of a shot's picture, from back to front, and the index of the one that its figures are on; a plate,
    and a shot without a picture, as it is seen."""
    take = film.used[at]
    if take is None or film.read.shots[at].shot.id in film.plates:
        middle = (film.spans[at].start + film.spans[at].end) // 2
        return [frame_of_film(shop, film, middle, 720, captions=False, still=True)], None
    told = take.layers or ((take.media, 0.0),)
    figures = next((i for i, (_, d) in enumerate(told) if FIGURES[0] < d < FIGURES[1]), None)
    return [Image.open(io.BytesIO(shop.media.get(m))) for m, _ in told], figures


def _face(take: TakeRow, told: Thumbnail, picture: tuple[int, int], shape: Aspect) -> float | None:
    """How high the largest face is, as a share of the thumbnail's height."""
    heads = heads_in(take)
    if not heads:
        return None
    wide, high = SIZES[shape]
    ratio, whole = wide / high, picture[0] / picture[1]
    seen = (1.0 if whole > ratio else whole / ratio) / told.zoom
    return min(1.0, max(h.low - h.top for h in heads) / seen)


def _as_jpeg(drawn: Drawn) -> bytes:
    for quality in QUALITIES:
        out = io.BytesIO()
        drawn.picture.save(out, "JPEG", quality=quality, optimize=True)
        if out.tell() < MOST_BYTES:
            break
    return out.getvalue()
