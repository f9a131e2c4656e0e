"""Rendering segments, for the film and for the preview."""

from collections.abc import Callable
from threading import Lock

from cachetools import LRUCache, cached

from cutreel.core.render import Planes, SegmentPlan, make_segment, planes_of
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
    segment: SegmentPlan,
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

    return make_segment(
        segment,
        lambda media, depth: _planes(shop, media, depth),
        each,
        lambda media: _figure(shop, media),
    )


@cached(LRUCache(MOST_FIGURES), key=lambda shop, media: media, lock=Lock())
def _figure(shop: Workshop, media: str) -> JointedFigure:
    return JointedFigure.model_validate_json(shop.media.get(media))


@cached(LRUCache(MOST_PLANES, getsizeof=lambda planes: planes.bytes), lock=Lock())
def _planes(shop: Workshop, media: str, depth: float) -> Planes:
    return planes_of(pixels_of(shop.media.get(media)), depth)
