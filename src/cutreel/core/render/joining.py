"""Draws the frames in which one shot goes over into the next: both move on while they do."""

from collections.abc import Callable, Mapping

import numpy as np
from numpy.typing import NDArray

from cutreel.core.joins import edge_map
from cutreel.core.timeline import JoinHow, JoinKind, Pattern, Way, eased

from . import kernel_mix
from .compositor import Compositor, Shown
from .frame import Frame
from .planes import yuv_of

U8 = NDArray[np.uint8]
SOFT = 16.0
"""How wide the edge is along which a picture goes over, in 255ths of the whole way."""
EDGES: Mapping[Pattern, float] = {
    "torn paper": 1.5, "blinds": 6, "leaves": 5, "rays": 6, "drops": 6, "scribble": 5, "brush": 8, "clouds": 30,
}  # fmt: skip
"""Of patterns that are harder or softer than that."""
RIM = 5.0
"""How wide the torn rim of a sheet is."""
SHEET = (232, 127, 130)
"""Its colour, in Y, U and V."""
SMEAR = 0.09
"""A share of the frame over which a whip is smeared at its quickest."""
BRIGHT = 1.9
"""How many times as bright a picture is before the light takes it."""
WARM = (250, 122, 135)
"""The light that floods, in Y, U and V."""
FOLD, PAPER = 0.16, 0.72
"""How wide the fold of a turned page is, as a share of the frame; how much of its back is paper."""
NEARER = 1.7
"""How much nearer a shot is come to at its end, for a move that carries on through the join."""


class Joining:
    """A join between two shots, whose frames a compositor draws."""

    def __init__(self, desk: Compositor, how: JoinHow) -> None:
        self.desk, self.how = desk, how
        self._ways: Mapping[JoinKind, Callable[[Shown, int, Shown, int, float, Frame], None]] = {
            "dip": self._dip,
            "wipe": self._go_over,
            "pattern": self._go_over,
            "slide": self._shift,
            "push": self._shift,
            "whip": self._shift,
            "page": self._page,
            "through": self._through,
            "flood": self._flood,
        }

    def draw(self, one: Shown, at: int, other: Shown, then: int, share: float, out: Frame) -> None:
        """The frame in which `share` (0 … 1) of the join is over: of one shot frame `at`, of the next frame `then`."""
        far = eased(share, self.how.ease)
        self._ways.get(self.how.kind, self._dissolve)(one, at, other, then, far, out)

    def _both(self, one: Shown, at: int, other: Shown, then: int, out: Frame) -> Frame:
        self.desk.draw(one, at, out)
        return self.desk.other(other, then)

    def _dissolve(
        self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame
    ) -> None:
        for plane, over in zip(out, self._both(one, at, other, then, out), strict=True):
            kernel_mix.dissolve(plane, over, round(far * 256))

    def _dip(self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame) -> None:
        first = far < 0.5
        self.desk.draw(one if first else other, at if first else then, out)
        share = 2 * far if first else 2 - 2 * far
        for plane, value in zip(out, yuv_of(self.how.colour), strict=True):
            kernel_mix.fade(plane, value, round(share * 256))

    def _go_over(
        self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame
    ) -> None:
        over = self._both(one, at, other, then, out)
        named: Pattern | Way = self.how.way if self.how.kind == "wipe" else self.how.pattern
        soft = EDGES.get(self.how.pattern, SOFT) if self.how.kind == "pattern" else SOFT
        rim = RIM if named == "torn paper" else 0.0
        now = far * (255 + soft + rim)
        for plane, new, sheet in zip(out, over, SHEET, strict=True):
            when = edge_map(named, plane.shape[1], plane.shape[0])
            if rim:
                kernel_mix.go_over(plane, np.full_like(plane, sheet), when, now, soft)
            kernel_mix.go_over(plane, new, when, now - rim, soft)

    def _shift(self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame) -> None:
        over = self._both(one, at, other, then, out)
        along = self.how.way in ("left", "right")
        whole = (self.desk.width if along else self.desk.height) // 2
        # In whole pixels of the smaller planes, so that colours stay with their shapes.
        gone = round(whole * far)
        for plane, new, by in zip(out, over, (2, 1, 1), strict=True):
            _shifted(plane, new, gone * by, self.how.way, self.how.kind != "slide")
            if self.how.kind == "whip":
                _smeared(plane, SMEAR * float(np.sin(np.pi * far)), 1 if along else 0)

    def _page(self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame) -> None:
        over = self._both(one, at, other, then, out)
        back = self.how.way in ("left", "up")
        along = self.how.way in ("left", "right")
        for plane, new, paper in zip(out, over, (236, 126, 131), strict=True):
            a, b = (plane, new) if along else (plane.T, new.T)
            _turned(a if back else a[:, ::-1], b if back else b[:, ::-1], far, paper)

    def _through(
        self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame
    ) -> None:
        self.desk.draw(one, at, out, NEARER ** (far * far))
        over = self.desk.other(other, then, NEARER ** ((1 - far) ** 2 * 0.55))
        share = min(1.0, max(0.0, (far - 0.3) / 0.4))
        for plane, new in zip(out, over, strict=True):
            kernel_mix.dissolve(plane, new, round(share * share * (3 - 2 * share) * 256))

    def _flood(self, one: Shown, at: int, other: Shown, then: int, far: float, out: Frame) -> None:
        first = far < 0.5
        self.desk.draw(one if first else other, at if first else then, out)
        light = float(np.sin(np.pi * far))
        levels = np.arange(256) * (1 + (BRIGHT - 1) * light)
        np.take(np.clip(levels, 0, 255).astype(np.uint8), out[0], out=out[0])
        for plane, value in zip(out, WARM, strict=True):
            kernel_mix.fade(plane, value, round(light**3 * 256))


def _shifted(plane: U8, new: U8, gone: int, way: str, pushed: bool) -> None:
    """Bring `gone` rows or columns of `new` into a plane from the side that it moves away from; what is there is pushed
    out, or covered."""
    a, b = (plane, new) if way in ("left", "right") else (plane.T, new.T)
    if way in ("right", "down"):
        a, b = a[:, ::-1], b[:, ::-1]
    rest = a.shape[1] - gone
    if pushed and gone:
        a[:, :rest] = a[:, gone:].copy()
    a[:, rest:] = b[:, :gone]


def _smeared(plane: U8, share: float, axis: int) -> None:
    """Blur a plane along an axis, over a share of its size."""
    from scipy.ndimage import uniform_filter1d  # here, since it takes a second to load

    reach = round(share * plane.shape[axis])
    if reach > 1:
        uniform_filter1d(plane, reach, axis=axis, output=plane, mode="nearest")


def _turned(a: U8, b: U8, far: float, paper: int) -> None:
    """A page that is turned to the left: right of its fold the next one lies, at the fold its back is seen."""
    wide = a.shape[1]
    fold = max(2, round(FOLD * wide))
    # The edge of the page runs ahead of its fold by the part that is turned over already.
    edge = round((wide + fold) * (1 - far)) - fold
    turned = a[:, max(0, edge) : max(0, edge + fold)]
    shown = turned.shape[1]
    if shown:
        ahead = a[:, min(wide - 1, edge + fold) : min(wide, edge + 2 * fold)]
        back = np.full_like(turned, paper)
        n = min(shown, ahead.shape[1])
        if n:
            mirrored = ahead[:, :n][:, ::-1].astype(np.float32)
            back[:, shown - n :] = (PAPER * paper + (1 - PAPER) * mirrored).astype(np.uint8)
        if paper > 200:  # the bright plane: light falls across the curve
            shade = 0.72 + 0.28 * np.sin(np.linspace(0.25, np.pi, shown, dtype=np.float32))
            back = np.clip(back * shade, 0, 255).astype(np.uint8)
    a[:, max(0, edge + fold) :] = b[:, max(0, edge + fold) :]
    if shown:
        a[:, max(0, edge) : max(0, edge) + shown] = back
