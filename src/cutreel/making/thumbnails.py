"""Thumbnails from the pictures of a film."""

import io
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from PIL import Image

from cutreel.core.errors import NotFound
from cutreel.core.film import Aspect, Head, heads_in
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
    shown = _shown(shop, film, told)
    size = SIZES[shape]
    if wide is not None:
        size = (wide, round(wide * size[1] / size[0]))
    drawn = draw_thumbnail(told, shown.layers, shown.figures, size, _figure(shop, film, told))
    jpeg = _as_jpeg(drawn)
    face = _face(shown, told, shape) if shown.heads else None
    return MadeThumbnail(jpeg, measured(drawn, told.words, face, len(jpeg)))


def _figure(shop: Workshop, film: Assembled, told: Thumbnail) -> Image.Image | None:
    if told.figure is None:
        return None
    kept = {t.figure for t in film.document.thumbnails}
    if told.figure not in {c.media for c in film.document.cutouts} | kept:
        raise NotFound("That cut-out was taken away.", "Choose another.")
    return Image.open(io.BytesIO(shop.media.get(told.figure)))


class _Shown(NamedTuple):
    """The layers of a picture, from back to front, the index of the one that its figures are on (None: not known
    apart), and its heads."""

    layers: list[Image.Image]
    figures: int | None
    heads: Sequence[Head]


def _shown(shop: Workshop, film: Assembled, told: Thumbnail) -> _Shown:
    """What a thumbnail is of: a picture that was made for it, or a shot's; a plate, and a shot without a picture, as it
    is seen in the film."""
    if told.picture is not None:
        made = next((p for p in film.document.thumbnail_pictures if p.media == told.picture), None)
        if made is None:
            raise NotFound("That picture was taken away.", "Choose another.")
        heads = [Head(*h) for h in made.heads]
        return _opened(shop, made.layers or [(made.media, 0.0)], heads)
    at = next((i for i, s in enumerate(film.read.shots) if s.shot.id == told.shot), None)
    if at is None:
        raise NotFound("That shot is not in the film any more.", "Choose another.")
    take = film.used[at]
    heads = [] if take is None else heads_in(take)
    if take is None or film.read.shots[at].shot.id in film.plates:
        middle = (film.spans[at].start + film.spans[at].end) // 2
        seen = frame_of_film(shop, film, middle, 720, captions=False, still=True)
        return _Shown([seen], None, heads)
    return _opened(shop, take.layers or ((take.media, 0.0),), heads)


def _opened(shop: Workshop, layers: Sequence[tuple[str, float]], heads: Sequence[Head]) -> _Shown:
    figures = next((i for i, (_, d) in enumerate(layers) if FIGURES[0] < d < FIGURES[1]), None)
    return _Shown([Image.open(io.BytesIO(shop.media.get(m))) for m, _ in layers], figures, heads)


def _face(shown: _Shown, told: Thumbnail, shape: Aspect) -> float:
    """How high the largest face is, as a share of the thumbnail's height."""
    wide, high = SIZES[shape]
    picture = shown.layers[0].size
    ratio, whole = wide / high, picture[0] / picture[1]
    seen = (1.0 if whole > ratio else whole / ratio) / told.zoom
    return min(1.0, max(h.low - h.top for h in shown.heads) / seen)


def _as_jpeg(drawn: Drawn) -> bytes:
    for quality in QUALITIES:
        out = io.BytesIO()
        drawn.picture.save(out, "JPEG", quality=quality, optimize=True)
        if out.tell() < MOST_BYTES:
            break
    return out.getvalue()
