"""Clips in frames: the frame of a clip that is seen at a moment, decoded as the film goes on. One that plays slower
than it was made has its in-betweens computed."""

import io
from collections import OrderedDict
from collections.abc import Callable, Iterator

import av
import numpy as np

from cutreel.core.motion import Fit, fit_clip, held
from cutreel.core.timeline import Footage

from .between import Ways, is_same_drawing, ways_between
from .planes import Planes

KEPT = 6
"""Decoded frames that are kept: as many as are looked at for an in-between."""
LONGEST_HOLD = 3
"""Frames that show one drawing where it is drawn on twos or threes; one that stands longer is a pause."""


NEARER = 1.45
"""How many times nearer a clip is seen once more, where that is its second angle: less looks like a mistake."""


def footage_layer(
    told: Footage, seconds: float, files: Callable[[str], bytes]
) -> "FootageLayer | TwoAngles":
    """The clip of a shot whose words take so many seconds; `files` gives a media file by its name."""
    fit = told.fit(seconds)
    first = FootageLayer(files(told.media), told.frames, told.rate, fit)
    then = told.then
    if fit.how != "second angle" or then is None:
        return first
    begins = fit.clip - max(0.0, fit.slid) - min(0.0, fit.slid)
    left = max(0.1, seconds - begins)
    # What is seen once more is seen from its middle on: its beginning was seen a moment ago.
    slid = 0.0 if then.around is None else max(0.0, min(fit.clip / 2, fit.clip - left))
    long = then.frames / then.rate
    rest = FootageLayer(
        files(then.media),
        then.frames,
        then.rate,
        fit_clip(long, left, "cut" if long - slid > left else "hold", slid),
    )
    return TwoAngles(first, rest, begins, then.around)


class TwoAngles:
    """A clip, and from its end on another: a straight cut within a shot."""

    def __init__(
        self,
        first: "FootageLayer",
        rest: "FootageLayer",
        begins: float,
        around: tuple[float, float] | None,
    ) -> None:
        self.first, self.rest, self.begins, self.around = first, rest, begins, around
        self.depth = 0.0

    def drawing(self, seconds: float) -> Planes:
        """What is seen at a second of the shot."""
        if seconds < self.begins - 1e-6:
            return self.first.drawing(seconds)
        planes = self.rest.drawing(seconds - self.begins)
        return planes if self.around is None else _nearer(planes, self.around)


def _nearer(planes: Planes, around: tuple[float, float]) -> Planes:
    """The part of a picture around a place, as large as is seen when it is so much nearer."""
    sides = planes.y.shape[::-1]
    wide, high = (round(side / NEARER / 2) * 2 for side in sides)
    left, top = (
        min(side - size, max(0, round(at * side - size / 2))) // 2 * 2
        for at, side, size in zip(around, sides, (wide, high), strict=True)
    )
    y = planes.y[top : top + high, left : left + wide]
    half = np.s_[top // 2 : (top + high) // 2, left // 2 : (left + wide) // 2]
    near, blue, red = (np.ascontiguousarray(p) for p in (y, planes.u[half], planes.v[half]))
    return Planes(near, blue, red)


class FootageLayer:
    """A clip of `frames` frames at `rate` a second, as it fills its shot. Frames are decoded one after another; going
    back opens the clip again from the group of pictures that the frame is in."""

    def __init__(self, data: bytes, frames: int, rate: float, fit: Fit) -> None:
        self.data, self.frames, self.rate, self.fit = data, frames, rate, fit
        self.depth = 0.0
        self._container: av.container.InputContainer | None = None
        self._decoded: Iterator[av.VideoFrame] = iter(())
        self._next = -1
        self._kept: OrderedDict[int, Planes] = OrderedDict()
        self._ways: tuple[int, int, Ways | None] | None = None
        self._same: dict[int, bool] = {}

    def drawing(self, seconds: float) -> Planes:
        """What is seen of the clip at a second of its shot."""
        at, last = self._place(seconds), self.frames - 1
        number = min(last, int(at))
        if self.fit.how != "speed" or self.fit.speed >= 1 or number == last:
            return self._frame(number)
        first, then = self._drawings(number)
        if then is None:
            return self._frame(number)
        if then - first > 1:
            # Drawn on twos or threes: its in-betweens are as many a second as drawings are, else it would glide.
            at = max(float(first), self._place(held(seconds)))
        share = (at - first) / (then - first)
        ways = self._between(first, then) if share > 0 else None
        return self._frame(number) if ways is None else ways.at(min(1.0, share))

    def _place(self, seconds: float) -> float:
        """Which frame is seen at a second of the shot, and how far it is on its way to the next."""
        return max(0.0, self.fit.at(seconds) * self.rate + 1e-6)

    def _drawings(self, number: int) -> tuple[int, int | None]:
        """The frame in which the drawing that is seen in a frame begins, and the one in which the next does (None: none
        does soon; what stands goes on standing)."""
        first = number
        while first > 0 and number - first < LONGEST_HOLD and self._goes_on(first - 1):
            first -= 1
        then = number + 1
        while then < self.frames and then - first <= LONGEST_HOLD and self._goes_on(then - 1):
            then += 1
        if then - first <= LONGEST_HOLD:
            return first, then if then < self.frames else None
        # A pause: only its last frame goes over into what comes.
        ends = number + 1 < self.frames and not self._goes_on(number)
        return number, number + 1 if ends else None

    def _goes_on(self, number: int) -> bool:
        """Whether the frame after one shows the same drawing."""
        known = self._same.get(number)
        if known is None:
            known = is_same_drawing(self._frame(number), self._frame(number + 1))
            self._same[number] = known
        return known

    def _between(self, first: int, then: int) -> Ways | None:
        if self._ways is None or self._ways[:2] != (first, then):
            self._ways = (first, then, ways_between(self._frame(first), self._frame(then)))
        return self._ways[2]

    def _frame(self, number: int) -> Planes:
        kept = self._kept.get(number)
        if kept is None:
            kept = self._read(number)
            self._kept[number] = kept
            while len(self._kept) > KEPT:
                self._kept.popitem(last=False)
        self._kept.move_to_end(number)
        return kept

    def _read(self, wanted: int) -> Planes:
        if self._container is None or not self._next < wanted <= self._next + 24:
            self._seek(wanted)
        last: av.VideoFrame | None = None
        for frame in self._decoded:
            last = frame
            if round(float(frame.time or 0.0) * self.rate) >= wanted:
                break
        self._next = wanted
        if last is None:  # it has fewer frames than are told of it: its last one stands
            assert self._kept
            return next(reversed(self._kept.values()))
        return _planes(last)

    def _seek(self, wanted: int) -> None:
        if self._container is None:
            self._container = av.open(io.BytesIO(self.data), "r")
        clip = self._container
        stream = clip.streams.video[0]
        clip.seek(int(wanted / self.rate / (stream.time_base or 1)), stream=stream, backward=True)
        self._decoded = iter(clip.decode(stream))


def _planes(frame: av.VideoFrame) -> Planes:
    high, wide = frame.height, frame.width
    sizes = ((high, wide), (high // 2, wide // 2), (high // 2, wide // 2))
    y, u, v = (
        np.ascontiguousarray(
            np.frombuffer(memoryview(plane), np.uint8).reshape(-1, plane.line_size)[:h, :w]
        )
        for plane, (h, w) in zip(frame.planes, sizes, strict=True)
    )
    return Planes(y, u, v)
