"""Making one segment: its plan and its pictures in, encoded bytes out."""

from collections.abc import Callable, Iterator, Sequence

from cutreel.core.motion import path_for
from cutreel.core.timeline import FrameRate

from .compositor import Compositor, Frame, Shown
from .encode import Draw, encode_segment
from .pages import caption_planes, paper_page
from .plan import PlannedShot, Scene, SegmentPlan
from .planes import Planes, planes_of

Fetch = Callable[[str, float], Planes]
"""Gives the planes of a layer by its media name and depth."""


def make_segment(
    plan: SegmentPlan, fetch: Fetch, progress: Callable[[int], None] = lambda done: None
) -> bytes:
    """Fragmented MP4 of the planned segment."""
    rate = FrameRate.parse(plan.fps).fraction
    return encode_segment(
        painter(plan, fetch), plan.frames, plan.width, plan.height, rate, plan.quality, progress
    )


def painter(plan: SegmentPlan, fetch: Fetch) -> Draw:
    """What draws the frames of a segment."""
    desk = Compositor(plan.width, plan.height)
    one = _shown(plan.one, plan, fetch)
    other = _shown(plan.other, plan, fetch) if plan.other else None

    def draw(number: int, out: Frame) -> None:
        desk.draw(one, plan.one.at + number, out)
        if other is not None and plan.other is not None:
            desk.dissolve(other, plan.other.at + number, (number + 1) / (plan.frames + 1), out)
        for caption in plan.captions:
            if caption.start <= number < caption.end:
                desk.caption(*caption_planes(tuple(caption.lines), plan.width, plan.height), out)

    return draw


def frames_of(plan: SegmentPlan, fetch: Fetch) -> Iterator[Frame]:
    """The frames of a segment, one at a time; each is overwritten by the next."""
    draw, frame = painter(plan, fetch), Compositor(plan.width, plan.height).new_frame()
    for number in range(plan.frames):
        draw(number, frame)
        yield frame


def _shown(scene: Scene, plan: SegmentPlan, fetch: Fetch) -> Shown:
    path = path_for(
        scene.shot.move if scene.shot.layers else "still", scene.seconds, scene.shot.focus
    )
    return Shown(_layers(scene.shot, plan, fetch), path, scene.life)


def _layers(shot: PlannedShot, plan: SegmentPlan, fetch: Fetch) -> Sequence[Planes]:
    if shot.layers:
        return [fetch(media, depth) for media, depth in shot.layers]
    words, edge = shot.page or ("", "")
    return [planes_of(paper_page(words, edge, plan.width, plan.height))]
