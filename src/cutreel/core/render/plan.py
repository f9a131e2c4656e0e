"""The render plan: a film's frames as segments, each with everything it is made from, and its key.

A segment does not know where in the film it stands: the same stretch moved elsewhere is the same
segment.
"""

from bisect import bisect_right
from collections.abc import Sequence
from itertools import takewhile
from typing import NamedTuple

from pydantic import BaseModel

from cutreel.core.captions import AS_OTHERS, PLAIN, Caption, CaptionShown, CaptionStyle
from cutreel.core.effects import MOMENTS, Finish
from cutreel.core.insets import Inset
from cutreel.core.keys import key
from cutreel.core.marks import Mark
from cutreel.core.motion import Air, Flame, Ground, Move, OwnPath
from cutreel.core.plates import ShownPlate
from cutreel.core.timeline import (
    CaptionClip,
    CardClip,
    Footage,
    FrameRate,
    Join,
    JoinHow,
    PictureClip,
    Region,
    Span,
    Stretch,
    Strip,
    Timeline,
    stretches,
)
from cutreel.core.titles import TitleLook

from .encode import ENCODER_VERSION
from .forms import Quality
from .words import CaptionSpan, CardSpan, PictureWords, card_span

RENDER_VERSION = 1


class PlannedShot(BaseModel):
    """What a shot shows: layers of the circled take as (media, depth), or the words of its paper
    page. Of a take whose figures act, what its picture is made of instead (`strips`); which parts move by
    themselves (`regions`), and where there is `ground`; what is in the `air`, and where light trembles (`flames`);
    how it is graded, and what is done to it (`finish`); a `plate` in place of all that;
    `insets` laid over it, `marks` drawn. Of a picture of another shape the part around `crop` is seen."""

    layers: list[tuple[str, float]] = []
    strips: list[Strip] = []
    regions: list[Region] = []
    ground: Ground | None = None
    air: list[Air] = []
    flames: list[Flame] = []
    path: OwnPath | None = None
    footage: Footage | None = None
    page: tuple[str, str] | None = None
    move: Move = "push"
    focus: tuple[float, float] = (0.5, 0.5)
    finish: Finish = Finish()
    plate: ShownPlate | None = None
    insets: list[Inset] = []
    marks: list[Mark] = []
    crop: tuple[float, float] | None = None

    @classmethod
    def of(cls, clip: PictureClip) -> "PlannedShot":
        """What a clip of the timeline shows."""
        return cls(
            layers=list(clip.layers),
            strips=list(clip.strips),
            regions=list(clip.regions),
            ground=clip.ground,
            air=list(clip.air),
            flames=list(clip.flames),
            path=clip.path,
            footage=clip.footage,
            page=clip.page,
            move=clip.move,
            focus=clip.focus,
            finish=clip.finish,
            plate=clip.plate,
            insets=list(clip.insets),
            marks=list(clip.marks),
            crop=clip.crop,
        )

    @property
    def moves_by_itself(self) -> bool:
        """Whether anything moves in the picture, and not the camera alone."""
        drawn = self.plate or self.marks or self.insets
        itself = self.strips or self.air or self.flames or self.footage or self.regions or drawn
        return bool(itself or any(e.kind in MOMENTS for e in self.finish.effects))


class Scene(BaseModel):
    """A shot's picture in a segment: frames `at` … of its life of `life` frames (`seconds` long); its words begin after
    `lead` of them."""

    shot: PlannedShot
    at: int
    life: int
    seconds: float
    lead: int = 0
    words: list[PictureWords] = []


class PlannedMark(BaseModel):
    """A picture that stands in a corner: its media file, and where its middle would be."""

    media: str
    at: tuple[float, float]


class SegmentPlan(BaseModel):
    """One segment: a shot alone, or with `other` how it goes over into the next: by a `join`, or by an even
    dissolve."""

    width: int
    height: int
    fps: str
    quality: Quality
    frames: int
    one: Scene
    other: Scene | None = None
    join: JoinHow | None = None
    captions: list[CaptionSpan] = []
    style: CaptionStyle | None = None
    """None: plain; only where there are captions."""
    cards: list[CardSpan] = []
    title_look: TitleLook | None = None
    mark: PlannedMark | None = None

    @property
    def key(self) -> str:
        return key(
            "segment",
            RENDER_VERSION * 100 + ENCODER_VERSION,
            # What is as it is by default is no part of the key: a new field renders nothing again.
            plan=self.model_dump(mode="json", exclude_defaults=True),
        )


def plan_film(
    film: Timeline,
    width: int,
    height: int,
    quality: Quality,
    burn: bool = True,
    style: CaptionStyle = PLAIN,
    titles: TitleLook = TitleLook(),
) -> list[tuple[int, SegmentPlan]]:
    """(first frame, segment) for a whole film at a size; captions are burned in, in a `style`, where
    `burn` says so."""
    shots = [PlannedShot.of(c) for c in film.clips]
    return plan_segments(
        shots,
        [c.span for c in film.clips],
        film.joins,
        film.captions if burn else (),
        film.rate,
        width,
        height,
        quality,
        style,
        film.cards,
        titles,
        PlannedMark(media=film.mark.media, at=film.mark.at) if film.mark else None,
    )


def plan_segments(
    shots: Sequence[PlannedShot],
    spans: Sequence[Span],
    joins: Sequence[Join],
    captions: Sequence[Caption | CaptionClip],
    rate: FrameRate,
    width: int,
    height: int,
    quality: Quality,
    style: CaptionStyle = PLAIN,
    cards: Sequence[CardClip] = (),
    titles: TitleLook = TitleLook(),
    mark: PlannedMark | None = None,
) -> list[tuple[int, SegmentPlan]]:
    """(first frame, segment) for the whole film; the segments cover every frame once."""
    plan = [s for s in stretches(spans, [j.frames for j in joins]) if s.end > s.start]
    life = _lives(spans, plan)

    kept: dict[int, list[PictureWords]] = {}
    for card in cards:
        if card.keeps != "frame" and card.shot < len(life):
            span = card_span(card, life[card.shot][0], rate, titles)
            told = span.model_dump(exclude_defaults=True)
            inside = PictureWords(**told, behind=card.keeps == "behind")
            kept.setdefault(card.shot, []).append(inside)
    cards = [c for c in cards if c.keeps == "frame"]

    def scene(shot: int, start: int) -> Scene:
        found = _scene(shots[shot], spans[shot], life[shot], start, rate)
        return found.model_copy(update={"words": kept[shot]}) if shot in kept else found

    timed = [_Timed.of(c, rate) for c in captions]
    ends = [caption.end for caption in timed]
    out = []
    for stretch in plan:
        words = _cards_over(stretch, cards, rate, titles)
        over = _captions_over(stretch, timed[bisect_right(ends, stretch.start) :])
        out.append(
            (
                stretch.start,
                SegmentPlan(
                    width=width,
                    height=height,
                    fps=str(rate),
                    quality=quality,
                    frames=stretch.end - stretch.start,
                    one=scene(stretch.shot, stretch.start),
                    other=None if stretch.to is None else scene(stretch.to, stretch.start),
                    join=None if stretch.to is None else shaping(joins[stretch.shot].how),
                    captions=over,
                    style=style if over and style != PLAIN else None,
                    cards=words,
                    title_look=titles
                    if words or stretch.shot in kept or stretch.to in kept
                    else None,
                    mark=mark,
                ),
            )
        )
    return out


def whole_shots(
    film: Timeline, width: int, height: int, quality: Quality
) -> list[tuple[int, SegmentPlan]]:
    """Each shot alone and whole, with the frames that its joins use beyond its cuts: (how many of them come first,
    segment), without captions and words on the screen."""
    spans = [c.span for c in film.clips]
    life = _lives(spans, stretches(spans, [j.frames for j in film.joins]))
    out = []
    for clip, (begin, end) in zip(film.clips, life, strict=True):
        scene = _scene(PlannedShot.of(clip), clip.span, (begin, end), begin, film.rate)
        plan = SegmentPlan(
            width=width,
            height=height,
            fps=str(film.rate),
            quality=quality,
            frames=end - begin,
            one=scene,
        )
        out.append((clip.span.start - begin, plan))
    return out


def _lives(spans: Sequence[Span], plan: Sequence[Stretch]) -> list[tuple[int, int]]:
    """For each shot the frames in which anything of it is seen: from, and up to."""
    life = [[span.start, span.end] for span in spans]
    for stretch in plan:
        if stretch.to is not None:
            life[stretch.shot][1] = max(life[stretch.shot][1], stretch.end)
            life[stretch.to][0] = min(life[stretch.to][0], stretch.start)
    return [(begin, end) for begin, end in life]


def _scene(
    shot: PlannedShot, span: Span, life: tuple[int, int], start: int, rate: FrameRate
) -> Scene:
    """A shot as it is seen from frame `start` of the film on."""
    begin, end = life
    return Scene(
        shot=shot,
        at=start - begin,
        life=end - begin,
        seconds=round(rate.seconds(end - begin), 4),
        # Where nothing moves by the words, a picture is the same wherever they begin.
        lead=span.start - begin if shot.moves_by_itself else 0,
    )


def shaping(how: JoinHow | None) -> JoinHow | None:
    """What of a join is seen in its frames, so that joins that look alike are one: None for an even dissolve."""
    if how is None or (how.kind == "dissolve" and how.ease == "even"):
        return None
    told = {"kind": how.kind, "ease": how.ease, "seconds": 0.5}
    named = {"dip": "colour", "pattern": "pattern"}.get(
        how.kind, "way" if how.kind in ("wipe", "slide", "push", "page", "whip") else ""
    )
    return JoinHow(**told, **({named: getattr(how, named)} if named else {}))


def _cards_over(
    stretch: Stretch, cards: Sequence[CardClip], rate: FrameRate, titles: TitleLook
) -> list[CardSpan]:
    """The words on the screen that are seen in a stretch."""
    return [
        card_span(card, stretch.start, rate, titles)
        for card in cards
        if rate.frames(card.start) < stretch.end and rate.frames(card.end) > stretch.start
    ]


class _Timed(NamedTuple):
    """A caption in frames of the film."""

    start: int
    end: int
    lines: list[str]
    said: list[tuple[int, int, int, int]]
    shown: CaptionShown
    stressed: list[tuple[int, int, int]]
    beneath: list[str]

    @classmethod
    def of(cls, caption: Caption | CaptionClip, rate: FrameRate) -> "_Timed":
        said = caption.said if isinstance(caption, CaptionClip) else ()
        return cls(
            rate.frames(caption.start),
            rate.frames(caption.end),
            list(caption.lines),
            [(line, a, b, rate.frames(at)) for line, a, b, at in said],
            caption.shown if isinstance(caption, CaptionClip) else AS_OTHERS,
            list(caption.stressed) if isinstance(caption, CaptionClip) else [],
            list(caption.beneath) if isinstance(caption, CaptionClip) else [],
        )


def _captions_over(stretch: Stretch, timed: Sequence[_Timed]) -> list[CaptionSpan]:
    """The captions seen in a stretch; `timed` are those that end behind its start, one behind
    another."""
    seen = takewhile(lambda caption: caption.start < stretch.end, timed)
    return [
        CaptionSpan(
            lines=c.lines,
            start=max(0, c.start - stretch.start),
            end=min(stretch.end, c.end) - stretch.start,
            said=[(line, a, b, at - stretch.start) for line, a, b, at in c.said],
            place=c.shown.place,
            colour=c.shown.colour,
            stressed=c.stressed,
            beneath=c.beneath,
        )
        for c in seen
    ]
