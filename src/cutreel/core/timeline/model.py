"""The whole film in rational frames, as one plain model that everything else reads: the picture
track with its joins, the sound tracks, the captions.

Picture stands in whole frames. Sound stands in seconds, since a voice begins between two frames; it
is laid in at its sample.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Literal, get_args

from pydantic import BaseModel, Field

from cutreel.core.captions import AS_OTHERS, CaptionShown
from cutreel.core.effects import Finish
from cutreel.core.insets import Inset
from cutreel.core.marks import Mark
from cutreel.core.motion import (
    Acting,
    Air,
    Fit,
    FitHow,
    Flame,
    Ground,
    Move,
    OwnPath,
    RegionMove,
    Water,
    fit_clip,
)
from cutreel.core.plates import ShownPlate
from cutreel.protocol import Mouth

from .frames import FrameRate
from .joins import JoinHow
from .shots import Span

AS_IT_IS = Finish()
"""A picture to which nothing is done."""
CardSort = Literal["title", "chapter", "place", "name", "emphasis", "words", "mark", "end"]
Track = Literal["voice", "spot", "ambience", "music"]
Room = Literal["dry", "small room", "hall", "outdoors", "through a wall", "telephone", "thought"]
ROOMS: tuple[Room, ...] = get_args(Room)
"""What a voice is heard in."""


class Strip(BaseModel):
    """A part of a picture, from back to front: what stands still (`media`, at a `depth`), what has `water` that runs,
    or the sheet of a figure in pieces, with what is told of it (`figure`, a media file) and what it does. Its pins are
    in a picture of `size` (width, height), which is not the take's where that was enlarged since."""

    media: str
    depth: float = 0.0
    figure: str | None = None
    acting: Acting | None = None
    water: Water | None = None
    size: tuple[int, int] | None = None


class Region(BaseModel):
    """A part of a picture that moves by itself: where it is (`mask`, a media file, white there), how it moves, and the
    shapes of its mouth as (seconds, shape) where it speaks; `seed` tells it from others."""

    mask: str
    move: RegionMove
    mouth: list[tuple[float, Mouth]] = []
    seed: int = 0


LEAST_SHOT = 0.2
"""Seconds that a shot lasts at least when a clip is fitted to it."""


class SecondAngle(BaseModel):
    """What follows a clip that is too short for its shot: another clip of the shot, or the same once more, seen nearer
    `around` a place in shares of it."""

    media: str
    frames: int
    rate: float
    around: tuple[float, float] | None = None


class Footage(BaseModel):
    """A clip that a shot shows: a media file of `frames` frames at `rate` a second, how it fills the shot (None: by
    rule), how many seconds of it are past when the shot begins, and what follows where it is too short for the shot.
    `smooth`: where it plays slower than it was made, its in-betweens are computed. Its `sound` is a media file; it is
    heard apart from what is seen, and is told to nobody who draws it."""

    media: str
    frames: int
    rate: float
    how: FitHow | None = None
    slid: float = 0.0
    then: SecondAngle | None = None
    smooth: bool = False
    sound: str | None = Field(None, exclude=True)

    @property
    def seconds(self) -> float:
        return self.frames / self.rate

    def fit(self, shot: float) -> Fit:
        """How it fills a shot of so many seconds."""
        another = self.then is not None and self.then.around is None
        return fit_clip(self.seconds, max(LEAST_SHOT, shot), self.how, self.slid, another)


@dataclass(frozen=True, slots=True)
class PictureClip:
    """What a shot shows in its frames: a picture's layers as (media, depth), from back to front;
    without any, the paper page that stands in (`page`: the words, the edge number). Where figures act, what the picture
    is made of (`strips`); which parts of it move by themselves (`regions`), and where it has `ground`; what is in the
    `air`, and where light trembles (`flames`). The camera's way, and where it
    aims, or a `path` that the maker drew. A clip in place of the picture (`footage`). How it is graded, and what is
    done to it (`finish`). A `plate` in place of all that. `insets` laid over it, and `marks` drawn. Of a picture of
    another shape than the film the part around `crop` is seen, in shares of it (None: around its middle)."""

    span: Span
    layers: tuple[tuple[str, float], ...] = ()
    strips: tuple[Strip, ...] = ()
    regions: tuple[Region, ...] = ()
    ground: Ground | None = None
    air: tuple[Air, ...] = ()
    flames: tuple[Flame, ...] = ()
    path: OwnPath | None = None
    footage: Footage | None = None
    page: tuple[str, str] | None = None
    move: Move = "push"
    focus: tuple[float, float] = (0.5, 0.5)
    finish: Finish = AS_IT_IS
    plate: ShownPlate | None = None
    insets: tuple[Inset, ...] = ()
    marks: tuple[Mark, ...] = ()
    crop: tuple[float, float] | None = None


@dataclass(frozen=True, slots=True)
class Join:
    """What stands between a clip and the next: so many wanted frames (0 for a straight cut), in which it goes over in
    some way (None: an even dissolve)."""

    frames: int
    how: JoinHow | None = None


@dataclass(frozen=True, slots=True)
class SoundClip:
    """A sound on a track from `start` seconds. Of its file the samples `cut` (first, end) are
    heard, or all; `loop_to` repeats it until that second; fades are in
    seconds. It is `gain` decibels louder than others on its track. A piece of a line is as loud as the samples `whole`
    of its file are together. It is heard in a `room`, from the left (`pan` -1) or the right (1), from far (`near` -1)
    or near (1)."""

    track: Track
    start: float
    media: str
    cut: tuple[int, int] | None = None
    loop_to: float | None = None
    fade_in: float = 0.0
    fade_out: float = 0.0
    gain: float = 0.0
    whole: tuple[int, int] | None = None
    room: Room = "dry"
    pan: float = 0.0
    near: float = 0.0


@dataclass(frozen=True, slots=True)
class CaptionClip:
    """Lines to be read from `start` to `end` seconds; where words are marked as they are `said`, for each its line, its
    characters from and up to, and the second at which it begins. How it is `shown`, where that is otherwise than its
    style has it; where words stand that are stressed; lines of another language `beneath`."""

    start: float
    end: float
    lines: tuple[str, ...]
    said: tuple[tuple[int, int, int, float], ...] = ()
    shown: CaptionShown = AS_OTHERS
    stressed: tuple[tuple[int, int, int], ...] = ()
    beneath: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class CardClip:
    """Words on the screen from `start` up to `end` seconds; what they are (`sort`), and how far down and to the right
    their middle is, where that is not where it usually is. They have a `look` of their own by its name (empty: the
    film's), are so many times the usual `size`, and keep to the frame, or to the picture of the shot with the index
    `shot`, where they may stand behind figures; on a `sheet` whatever their look has. Each of their words
    comes as it is `said`, where that is known."""

    sort: CardSort
    start: float
    end: float
    lines: tuple[str, ...]
    middle: float | None = None
    across: float | None = None
    look: str = ""
    size: float = 1.0
    keeps: Literal["frame", "picture", "behind"] = "frame"
    shot: int = 0
    said: tuple[float, ...] = ()
    sheet: bool = False


@dataclass(frozen=True, slots=True)
class PictureMark:
    """A picture that stands in a corner all the time: its media file, and where its middle would be (shares of the
    frame), as far as it finds room there."""

    media: str
    at: tuple[float, float]


@dataclass(frozen=True)
class Timeline:
    """A film in time. `joins[i]` stands between clip i and the next; the clips lie one behind
    another without gaps. `mark` stands over all of them."""

    rate: FrameRate
    clips: Sequence[PictureClip]
    joins: Sequence[Join]
    sounds: Sequence[SoundClip] = field(default_factory=tuple)
    captions: Sequence[CaptionClip] = field(default_factory=tuple)
    cards: Sequence[CardClip] = field(default_factory=tuple)
    mark: PictureMark | None = None

    @property
    def frames(self) -> int:
        return self.clips[-1].span.end if self.clips else 0

    @property
    def seconds(self) -> float:
        return self.rate.seconds(self.frames)
