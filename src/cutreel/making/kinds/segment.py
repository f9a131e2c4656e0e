"""Segments: stretches of the film as encoded pictures, for the film itself and for the preview."""

from collections.abc import Sequence
from typing import ClassVar

from cutreel.core.render import Quality, SegmentPlan
from cutreel.store import Assembled, ItemSpec

from ..planning import planned_segments
from ..registry import COMPUTING, Captions, Kind, Made, Spec, item
from ..rendering import Cancelled, rendered
from ..work import Work
from ..workshop import Workshop

FILM_SPEED, PREVIEW_SPEED = 2.4e7, 2e8
"""Pixels a second that one worker renders, about: what it says is only shown as time left."""


class SegmentSpec(Spec):
    """A segment, complete: what is seen in each of its frames, at which size."""

    kind: ClassVar[str] = "segment"
    plan: SegmentPlan

    @property
    def key(self) -> str:
        return self.plan.key


class SegmentKind(Kind[SegmentSpec]):
    spec = SegmentSpec
    queue = COMPUTING

    def make(self, spec: SegmentSpec, work: Work) -> Made | None:
        try:
            data = rendered(work.shop, spec.plan, work.progress, work.dropped)
        except Cancelled:
            return None
        ending = "mp4" if spec.plan.quality in ("preview", "film", "archive") else "mkv"
        return Made(work.shop.media.put(data, ending), {"frames": spec.plan.frames})


def missing_segments(
    film: Assembled, quality: Quality, shop: Workshop, size: str, captions: Captions | None
) -> list[ItemSpec]:
    """Segments that were not rendered yet, each different one once."""
    return segments_of(planned_segments(film, quality, size, captions), shop, quality)


def segments_of(
    plans: Sequence[tuple[int, SegmentPlan]], shop: Workshop, quality: Quality
) -> list[ItemSpec]:
    """Those of some segments that were not rendered yet, each different one once."""
    made = shop.results.known([plan.key for _, plan in plans])
    return list(_items(plans, made, PREVIEW_SPEED if quality == "preview" else FILM_SPEED).values())


def _items(
    plans: Sequence[tuple[int, SegmentPlan]], made: set[str], speed: float
) -> dict[str, ItemSpec]:
    out: dict[str, ItemSpec] = {}
    for first, plan in plans:
        if plan.key not in made:
            weight = plan.frames * plan.width * plan.height / speed
            out[plan.key] = item(SegmentSpec(plan=plan), f"frames from {first}", weight=weight)
    return out
