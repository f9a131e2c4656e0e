"""Rendering segments, for the film and for the preview."""

from collections.abc import Callable
from typing import Any

from cutreel.core.render import Planes, SegmentPlan, make_segment, planes_of

from .pictures import pixels_of
from .workshop import Workshop


class _Cancelled(Exception):
    pass


_planes: dict[tuple[str, float], Planes] = {}
MOST_PLANES = 24


def fetch_from(shop: Workshop) -> Callable[[str, float], Planes]:
    """Gives planes of media, keeping the last few: neighbouring segments show the same pictures."""

    def fetch(media: str, depth: float) -> Planes:
        name = (media, depth)
        if name not in _planes:
            while len(_planes) >= MOST_PLANES:
                _planes.pop(next(iter(_planes)))
            _planes[name] = planes_of(pixels_of(shop.media.get(media)), depth)
        return _planes[name]

    return fetch


def render_item(
    shop: Workshop,
    name: str,
    plan: dict[str, Any],
    progress: Callable[[float], None] = lambda share: None,
    cancelled: Callable[[], bool] = lambda: False,
) -> bool:
    """Render a segment unless it exists; False when it was cancelled on the way."""
    if shop.results.get(name) is not None:
        return True
    segment = SegmentPlan.model_validate(plan)
    step = max(24, segment.frames // 4)

    def each(done: int) -> None:
        if done % step == 0 and done < segment.frames:
            if cancelled():
                raise _Cancelled
            progress(done / segment.frames)

    try:
        data = make_segment(segment, fetch_from(shop), each)
    except _Cancelled:
        return False
    shop.results.put(name, "segment", shop.media.put(data, "mp4"), {"frames": segment.frames})
    return True


def preview_segment(shop: Workshop, name: str, plan: dict[str, Any]) -> None:
    """Render a segment that a player is waiting for."""
    render_item(shop, name, plan)
