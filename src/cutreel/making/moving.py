"""How one shot moves, to be looked at without making anything: its path, and frames of it."""

import io
from bisect import bisect_right
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

import numpy as np
from PIL import Image

from cutreel.core import render
from cutreel.core.keys import key
from cutreel.core.motion import OwnPath, PathFrame, applied, moment_of, path_along, path_for
from cutreel.core.timeline import PictureClip, Span
from cutreel.store import Assembled

from .planning import frame_size, planned_at
from .rendering import figure_of, planes_of_media
from .workshop import Workshop

COLUMNS = 8
"""Frames side by side on a sheet."""
BEFORE_END = 14
"""Frames before its end at which a shot is seen whole: everything has come in, and no join has begun."""
CHAINED = 720
"""The shorter side in pixels of a frame that a clip begins with."""


def usual_path(film: Assembled, at: int) -> OwnPath:
    """The camera's path over a shot: the maker's own, else its move as one."""
    clip = film.timeline.clips[at]
    if clip.path is not None:
        return clip.path
    seconds = film.rate.seconds(clip.span.end - clip.span.start)
    path = path_for(clip.move, seconds, clip.focus)
    first, last = (
        PathFrame(x=round(w.x, 4), y=round(w.y, 4), zoom=round(w.zoom, 4))
        for w in (path.start, path.end)
    )
    return OwnPath(first=first, last=last)


LEAST_WAY = 0.04
"""Shares of the picture's width that somebody has to go before a camera can go along."""


def ways_along(shop: Workshop, film: Assembled, at: int) -> dict[str, OwnPath]:
    """For each figure of a shot that goes anywhere, by its name, the camera's path that goes along."""
    clip = film.timeline.clips[at]
    seconds = film.rate.seconds(clip.span.end - clip.span.start)
    out: dict[str, OwnPath] = {}
    for strip in clip.strips:
        if not (strip.figure and strip.acting and strip.size):
            continue
        figure = figure_of(shop, strip.figure)
        pin = figure.pins.get("neck") or figure.pins.get("hips")
        if pin is None:
            continue
        (x0, y0), (x1, y1) = (
            applied(moment_of(figure, strip.acting, t).bones["torso"], pin) for t in (0.0, seconds)
        )
        wide, high = strip.size
        if abs(x1 - x0) > LEAST_WAY * wide:
            out[figure.name] = path_along((x0 / wide, y0 / high), (x1 / wide, y1 / high))
    return out


def frames_of_shot(
    shop: Workshop, film: Assembled, at: int, count: int, high: int, camera: bool = False
) -> Image.Image:
    """`count` frames of a shot, evenly over its time, in rows of eight, each `high` pixels at its shorter side;
    `camera`: the camera alone moves."""
    clip = film.timeline.clips[at]
    if camera:
        clip = replace(clip, strips=(), air=(), flames=())
    width, height = frame_size(film.document.settings.aspect, high)
    draw, life = _drawn(shop, film, clip, width, height)
    columns = min(count, COLUMNS)
    sheet = Image.new("RGB", (width * columns, height * -(-count // columns)))
    for n in range(count):
        shown = draw(min(life - 1, round(n * (life - 1) / max(1, count - 1))))
        sheet.paste(shown, (n % columns * width, n // columns * height))
    return sheet


def frame_of_film(
    shop: Workshop,
    film: Assembled,
    frame: int,
    high: int,
    captions: bool = True,
    still: bool = False,
) -> Image.Image:
    """A frame of the film as a viewer sees it, with its joins and `captions`, `high` pixels at its shorter side;
    `still`: with the camera on the whole picture."""
    plans = planned_at(film, "preview", high)
    first, plan = next(p for p in reversed(plans) if p[0] <= frame)
    if not captions:
        plan = plan.model_copy(update={"captions": []})
    if still:
        shot = plan.one.shot.model_copy(update={"move": "still", "path": None})
        plan = plan.model_copy(update={"one": plan.one.model_copy(update={"shot": shot})})
    return painted(shop, plan)(min(plan.frames - 1, frame - first))


def stills_of(
    shop: Workshop, film: Assembled, high: int, dropped: Callable[[], bool]
) -> Iterator[Image.Image]:
    """Each shot as it is seen near its end, without captions; ends early when nobody wants them any more."""
    frames = [max(span.start, span.end - BEFORE_END) for span in film.spans]
    return seen_at(shop, film, frames, high, False, dropped)


def seen_at(
    shop: Workshop,
    film: Assembled,
    frames: Sequence[int],
    high: int,
    captions: bool,
    dropped: Callable[[], bool],
) -> Iterator[Image.Image]:
    """Frames of the film as a viewer sees them, in rising order, `high` pixels at their shorter side; with the film's
    captions burned in, or without. Ends early when nobody wants them any more."""
    plans = planned_at(film, "preview", high, "burn" if captions else "off")
    starts = [first for first, _ in plans]
    open_plan, paint = -1, None
    for frame in frames:
        if dropped():
            return
        at = max(0, bisect_right(starts, frame) - 1)
        first, plan = plans[at]
        if paint is None or at != open_plan:
            open_plan, paint = at, painted(shop, plan)
        yield paint(min(plan.frames - 1, frame - first))


def ending_of(film: Assembled, at: int) -> str:
    """A key of how a shot ends: the same again is the same last frame."""
    clip = film.timeline.clips[at]
    shown = render.PlannedShot.of(clip).model_dump(mode="json", exclude_defaults=True)
    frames = clip.span.end - clip.span.start
    return key("ending", 1, shown=shown, frames=frames, aspect=film.document.settings.aspect)


def last_frame(shop: Workshop, film: Assembled, at: int) -> str:
    """The last frame of a shot as a kept picture: what comes next may begin with it, without a jump."""
    width, height = frame_size(film.document.settings.aspect, CHAINED)
    draw, life = _drawn(shop, film, film.timeline.clips[at], width, height)
    out = io.BytesIO()
    draw(life - 1).save(out, "PNG", compress_level=3)
    return shop.media.put(out.getvalue(), "png")


def _drawn(
    shop: Workshop, film: Assembled, clip: PictureClip, width: int, height: int
) -> tuple[Callable[[int], Image.Image], int]:
    """What draws the frames of a clip of the timeline by their numbers, and how many there are."""
    life = clip.span.end - clip.span.start
    shot = render.PlannedShot.of(clip)
    ((_, plan),) = render.plan_segments(
        [shot], [Span(0, life)], [], (), film.rate, width, height, "preview"
    )

    return painted(shop, plan), life


def painted(shop: Workshop, plan: render.SegmentPlan) -> Callable[[int], Image.Image]:
    """What draws the frames of a segment as pictures."""

    def fetch(media: str, depth: float) -> "render.Planes":
        return planes_of_media(shop, media, depth)

    paint = render.painter(plan, fetch, lambda media: figure_of(shop, media), shop.media.get)
    frame = render.Compositor(plan.width, plan.height).new_frame()

    def draw(number: int) -> Image.Image:
        paint(number, frame)
        return Image.fromarray(np.ascontiguousarray(render.rgb_of(frame)))

    return draw
