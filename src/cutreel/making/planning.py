"""The film's segments at a size."""

from cutreel.core.errors import BadInput
from cutreel.core.film import title_look_of
from cutreel.core.render import Quality, SegmentPlan, plan_film
from cutreel.store import Assembled

from .registry import Captions

SHORT_SIDE = {"360p": 360, "720p": 720, "1080p": 1080, "1440p": 1440, "2160p": 2160}
PREVIEW_SIZE = "360p"


def frame_size(aspect: str, short_side: int) -> tuple[int, int]:
    """Width and height in pixels, both even, of a film whose shorter side is `short_side`."""
    wide, high = (int(n) for n in aspect.split(":"))
    long_side = round(short_side * max(wide, high) / min(wide, high) / 2) * 2
    return (long_side, short_side) if wide >= high else (short_side, long_side)


def planned_segments(
    film: Assembled, quality: Quality, size: str = PREVIEW_SIZE, captions: Captions | None = None
) -> list[tuple[int, SegmentPlan]]:
    """The film's segments with their first frames; `captions` None: as the film has them."""
    if size not in SHORT_SIDE:
        raise BadInput(f"There is no size “{size}”.", "Choose " + ", ".join(SHORT_SIDE) + ".")
    return planned_at(film, quality, SHORT_SIDE[size], captions)


def planned_at(
    film: Assembled, quality: Quality, high: int, captions: Captions | None = None
) -> list[tuple[int, SegmentPlan]]:
    """The same where the shorter side is `high` pixels."""
    settings = film.document.settings
    burn = (captions or settings.captions) == "burn"
    width, height = frame_size(settings.aspect, high)
    titles = title_look_of(film.document)
    return plan_film(film.timeline, width, height, quality, burn, settings.caption_style, titles)
