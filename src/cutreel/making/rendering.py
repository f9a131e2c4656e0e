"""Rendering segments, for the film and for the preview."""

from collections.abc import Callable
from threading import Lock

from cachetools import LRUCache, cached

from cutreel.core import render
from cutreel.protocol import JointedFigure

from .pictures import pixels_of
from .workshop import Workshop

MOST_FIGURES = 64
MOST_PLANES = 56_000_000
"""Bytes of layers that are kept ready: neighbouring segments show the same pictures."""


class Cancelled(Exception):
    """Nobody wants it any more."""


def rendered(
    shop: Workshop,
    segment: render.SegmentPlan,
    progress: Callable[[float], None] = lambda share: None,
    cancelled: Callable[[], bool] = lambda: False,
) -> bytes:
    """The encoded segment. Raises Cancelled when it was cancelled on the way."""
    step = max(24, segment.frames // 4)

    def each(done: int) -> None:
        if done % step == 0 and done < segment.frames:
            if cancelled():
                raise Cancelled
            progress(done / segment.frames)

    return render.make_segment(
        segment,
        lambda media, depth: planes_of_media(shop, media, depth),
        each,
        lambda media: figure_of(shop, media),
        shop.media.get,
    )


@cached(LRUCache(MOST_FIGURES), key=lambda shop, media: media, lock=Lock())
def figure_of(shop: Workshop, media: str) -> JointedFigure:
    """A figure in pieces, by the media file that tells of it."""
    return JointedFigure.model_validate_json(shop.media.get(media))


@cached(LRUCache(MOST_PLANES, getsizeof=lambda planes: planes.bytes), lock=Lock())
def planes_of_media(shop: Workshop, media: str, depth: float) -> "render.Planes":
    """The planes of a layer that is kept."""
    return render.planes_of(pixels_of(shop.media.get(media)), depth)
