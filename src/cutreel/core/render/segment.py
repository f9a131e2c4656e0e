"""Making one segment: its plan and its pictures in, encoded bytes out."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

from cutreel.core.captions import PLAIN, CaptionStyle
from cutreel.core.lettering import bring_face, is_own
from cutreel.core.motion import Walked, path_for
from cutreel.core.timeline import FrameRate, JoinHow
from cutreel.core.titles import TitleLook
from cutreel.protocol import JointedFigure

from .captioned import Part, caption_planes
from .carded import MARGIN, THERE, card_at
from .compositor import Compositor, Layers, Shown
from .encode import Draw, encode_segment
from .finishing import finishing_for
from .footage import footage_layer
from .frame import Frame
from .grains import AirLayer
from .insetting import Insets, mark_planes
from .joining import Joining
from .marking import Marks
from .pages import paper_page
from .plan import PlannedShot, Scene, SegmentPlan
from .planes import Planes, planes_of
from .plated import plate_layer
from .puppet import Puppet
from .regions import with_regions
from .worded import Worded
from .words import CaptionSpan

MARK = 0.1
"""How high a picture is that stands in a corner, in shares of the frame's shorter side."""
Fetch = Callable[[str, float], Planes]
"""Gives the planes of a layer by its media name and depth."""
Files = Callable[[str], bytes]
"""Gives a media file by its name."""
Figures = Callable[[str], JointedFigure]
"""Gives a figure in pieces by the media name of what is told of it."""


def nobody(media: str) -> JointedFigure:
    """For films in which nobody acts."""
    raise KeyError(media)


def nothing(media: str) -> bytes:
    """For films without clips."""
    raise KeyError(media)


def make_segment(
    plan: SegmentPlan,
    fetch: Fetch,
    progress: Callable[[int], None] = lambda done: None,
    figures: Figures = nobody,
    files: Files = nothing,
) -> bytes:
    """Fragmented MP4 of the planned segment."""
    rate = FrameRate.parse(plan.fps).fraction
    draw = painter(plan, fetch, figures, files)
    return encode_segment(draw, plan.frames, plan.width, plan.height, rate, plan.quality, progress)


def painter(
    plan: SegmentPlan, fetch: Fetch, figures: Figures = nobody, files: Files = nothing
) -> Draw:
    """What draws the frames of a segment."""
    _bring_faces(plan, files)
    desk = Compositor(plan.width, plan.height)
    one = _shown(plan.one, plan, fetch, figures, files)
    other = _shown(plan.other, plan, fetch, figures, files) if plan.other else None
    style, fps = plan.style or PLAIN, float(FrameRate.parse(plan.fps).fraction)
    joining = Joining(desk, plan.join or JoinHow())
    look = plan.title_look or TitleLook()
    mark = _mark(plan, files)

    def draw(number: int, out: Frame) -> None:
        if other is None or plan.other is None:
            desk.draw(one, plan.one.at + number, out)
        else:
            share = (number + 1) / (plan.frames + 1)
            joining.draw(one, plan.one.at + number, other, plan.other.at + number, share, out)
        if mark is not None:
            desk.caption(*mark, out)
        for card in plan.cards:
            if card.begin <= number < card.end:
                words = card_at(card, look, number, fps, plan.width, plan.height)
                if words is not None:
                    desk.caption(*words, out)
        for caption in plan.captions:
            if caption.start <= number < caption.end:
                own, lines = caption.styled(style), tuple(caption.lines)
                said = _said(caption, number, style)
                strong, under = tuple(caption.stressed), tuple(caption.beneath)
                planes = caption_planes(lines, plan.width, plan.height, own, said, strong, under)
                desk.caption(*planes, out)

    return draw


def _mark(plan: SegmentPlan, files: Files) -> tuple[Planes, int, int] | None:
    """The picture that stands in a corner, with its top and left (even)."""
    if plan.mark is None:
        return None
    planes = mark_planes(files(plan.mark.media), plan.width, plan.height, MARK, THERE)
    high, wide = planes.y.shape
    free = round(MARGIN * 0.6 * min(plan.width, plan.height))
    left, top = (
        min(max(free, round(at * whole - side / 2)), whole - side - free) // 2 * 2
        for at, whole, side in zip(
            plan.mark.at, (plan.width, plan.height), (wide, high), strict=True
        )
    )
    return planes, top, left


def _bring_faces(plan: SegmentPlan, files: Files) -> None:
    """Faces of the maker's own that the words of a segment are set in."""
    looks = [plan.title_look, *(c.title_look for c in plan.cards)]
    faces = {look.face for look in looks if look is not None}
    if plan.style is not None:
        faces.add(plan.style.face)
    for name in sorted(faces):
        if is_own(name):
            bring_face(name, files(name))


def _said(caption: CaptionSpan, number: int, style: CaptionStyle) -> tuple[Part, ...]:
    """The words of a caption that are marked in a frame: the one that is said then, or all so far."""
    begun = [(line, a, b) for line, a, b, at in caption.said if at <= number]
    return tuple(begun if style.said == "so far" else begun[-1:])


def frames_of(
    plan: SegmentPlan, fetch: Fetch, figures: Figures = nobody, files: Files = nothing
) -> Iterator[Frame]:
    """The frames of a segment, one at a time; each is overwritten by the next."""
    draw, frame = (
        painter(plan, fetch, figures, files),
        Compositor(plan.width, plan.height).new_frame(),
    )
    for number in range(plan.frames):
        draw(number, frame)
        yield frame


def _shown(scene: Scene, plan: SegmentPlan, fetch: Fetch, figures: Figures, files: Files) -> Shown:
    shot = scene.shot
    drawn = bool(shot.layers or shot.plate)
    path = (
        Walked(shot.path, scene.seconds)
        if shot.path and drawn
        else path_for(shot.move if drawn else "still", scene.seconds, shot.focus)
    )
    rate = float(FrameRate.parse(plan.fps).fraction)
    if shot.plate is not None:
        layers: Layers = [plate_layer(shot.plate, plan.width, plan.height)]
    elif shot.footage is not None:
        spoken = scene.seconds - scene.lead / rate
        told = shot.footage
        layers = [footage_layer(told, spoken, files)]
    else:
        flat = _layers(shot, plan, fetch, figures)
        if shot.ground is not None and isinstance(flat[0], Planes):
            flat = [replace(flat[0], ground=shot.ground), *flat[1:]]
        spoken = scene.seconds - scene.lead / rate
        layers = with_regions(flat, shot.regions, spoken, files) if shot.regions else flat
    air = [AirLayer(a, plan.width, plan.height) for a in scene.shot.air]
    flames = tuple(scene.shot.flames)
    finish, lut = scene.shot.finish, scene.shot.finish.grade.lut
    finishing = finishing_for(finish, plan.width, plan.height, rate, files(lut) if lut else b"")
    marks = Marks(shot.marks, plan.width, plan.height) if shot.marks else None
    insets = None
    if shot.insets:
        spoken = scene.seconds - scene.lead / rate
        insets = Insets(shot.insets, spoken, plan.width, plan.height, files)
    words = None
    if scene.words:
        look = plan.title_look or TitleLook()
        words = Worded(scene.words, look, rate, plan.width, plan.height)
    return Shown(
        layers,
        path,
        scene.life,
        scene.lead,
        rate,
        air,
        flames,
        finishing,
        insets,
        marks,
        shot.crop,
        words,
    )


def _layers(
    shot: PlannedShot, plan: SegmentPlan, fetch: Fetch, figures: Figures
) -> Sequence[Planes | Puppet]:
    if shot.strips:
        out: list[Planes | Puppet] = []
        for strip in shot.strips:
            planes = fetch(strip.media, strip.depth)
            if strip.figure and strip.acting:
                assert isinstance(out[0], Planes), "a figure stands in front of something"
                height, width = out[0].y.shape
                size = strip.size or (width, height)
                out.append(Puppet(figures(strip.figure), planes, strip.acting, size))
            else:
                out.append(replace(planes, water=strip.water) if strip.water else planes)
        return out
    if shot.layers:
        return [fetch(media, depth) for media, depth in shot.layers]
    words, edge = shot.page or ("", "")
    return [planes_of(paper_page(words, edge, plan.width, plan.height))]
