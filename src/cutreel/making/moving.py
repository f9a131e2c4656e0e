"""How one shot moves, to be looked at without making anything: its path, and frames of it."""

from dataclasses import replace

import numpy as np
from PIL import Image

from cutreel.core.motion import OwnPath, PathFrame, path_for
from cutreel.core.render import Compositor, Planes, PlannedShot, painter, plan_segments, rgb_of
from cutreel.core.timeline import Span
from cutreel.store import Assembled

from .planning import frame_size
from .rendering import figure_of, planes_of_media
from .workshop import Workshop

COLUMNS = 8
"""Frames side by side on a sheet."""


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


def frames_of_shot(
    shop: Workshop, film: Assembled, at: int, count: int, high: int, camera: bool = False
) -> Image.Image:
    """`count` frames of a shot, evenly over its time, in rows of eight, each `high` pixels at its shorter side;
    `camera`: the camera alone moves."""
    clip = film.timeline.clips[at]
    if camera:
        clip = replace(clip, strips=(), air=(), flames=())
    shot = PlannedShot.of(clip)
    width, height = frame_size(film.document.settings.aspect, high)
    life = clip.span.end - clip.span.start
    ((_, plan),) = plan_segments(
        [shot], [Span(0, life)], [], (), film.rate, width, height, "preview"
    )

    def fetch(media: str, depth: float) -> Planes:
        return planes_of_media(shop, media, depth)

    draw = painter(plan, fetch, lambda media: figure_of(shop, media), shop.media.get)
    frame = Compositor(width, height).new_frame()
    columns = min(count, COLUMNS)
    sheet = Image.new("RGB", (width * columns, height * -(-count // columns)))
    for n in range(count):
        draw(min(life - 1, round(n * (life - 1) / max(1, count - 1))), frame)
        at_sheet = (n % columns * width, n // columns * height)
        sheet.paste(Image.fromarray(np.ascontiguousarray(rgb_of(frame))), at_sheet)
    return sheet
