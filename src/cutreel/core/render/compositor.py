"""Composes the frames of a shot: its layers along the camera's path, and captions over them."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from cutreel.core.motion import (
    CameraPath,
    Flame,
    Ground,
    Walked,
    Water,
    Window,
    brighter,
    covering,
    layer_zoom,
    layer_zooms,
    swell,
)

from . import kernel, kernel_finish, kernel_mix, kernel_over
from .finishing import Finishing
from .footage import FootageLayer, TwoAngles
from .frame import Frame
from .grains import AirLayer
from .insetting import Insets
from .marking import Marks
from .planes import Planes, cover
from .plated import PlateLayer
from .puppet import Puppet
from .regions import BentLayer, LooseLayer
from .worded import BEHIND_AT, Worded

U8 = NDArray[np.uint8]
FLAMES_AT = MARKS_AT = 0.55
"""The depth at which lights stand, and what marks are on: among the figures."""


Layers = Sequence[Planes | Puppet | FootageLayer | TwoAngles | BentLayer | LooseLayer | PlateLayer]


@dataclass(frozen=True)
class Shown:
    """A picture on the move: its layers and the figures that act from back to front, its path, the path's life in
    frames, what is in the air, where light trembles, and what finishes it. Its words begin `lead`
    frames after its life; there are `rate` frames a second. A picture of
    another shape is seen around `crop`. `words` are those that stand in it."""

    layers: Layers
    path: CameraPath | Walked
    frames: int
    lead: int = 0
    rate: float = 24.0
    air: Sequence[AirLayer] = ()
    flames: Sequence[Flame] = ()
    finishing: Finishing | None = None
    insets: Insets | None = None
    marks: Marks | None = None
    crop: tuple[float, float] | None = None
    words: Worded | None = None


class Compositor:
    """Draws frames of `width` by `height` pixels, both even, into planes that it is given."""

    def __init__(self, width: int, height: int) -> None:
        self.width, self.height = width, height
        self._other: Frame | None = None
        self._before: Frame | None = None
        self._turned: Frame | None = None

    def new_frame(self) -> Frame:
        """Planes of a frame, not drawn yet."""
        half = (self.height // 2, self.width // 2)
        return (
            np.empty((self.height, self.width), np.uint8),
            np.empty(half, np.uint8),
            np.empty(half, np.uint8),
        )

    def draw(self, shown: Shown, at: int, out: Frame, closer: float = 1.0) -> None:
        """Frame `at` of the picture's life (0 … frames - 1; beyond, the camera stands still), seen from `closer` by."""
        finishing = shown.finishing
        if finishing is None:
            self._draw(shown, at, out, closer)
            self._mark(shown, at, out, closer)
            return
        seen = finishing.moment(at, shown.lead)
        self._draw(shown, seen, out, closer)
        for ago, share in finishing.echoes:
            if seen >= ago:
                self._before = self._before or self.new_frame()
                self._draw(shown, seen - ago, self._before, closer)
                for plane, before in zip(out, self._before, strict=True):
                    kernel_mix.dissolve(plane, before, round(share * 256))
        finishing.apply(out, at, shown.lead)
        self._mark(shown, at, out, closer)

    def _draw(self, shown: Shown, at: int, out: Frame, closer: float) -> None:
        """The picture as it is before it is finished."""
        window = self._window(shown, at, closer)
        seconds = (at - shown.lead) / shown.rate
        behind = self._behind(shown, at, closer)
        for i, layer in enumerate(shown.layers):
            if i and layer.depth > BEHIND_AT:
                behind = self._write(behind, out)
            planes = layer if isinstance(layer, Planes) else layer.drawing(seconds)
            if planes is not None:
                view = window if i == 0 else layer_zoom(window, layer.depth)
                self._lay(planes, view, out, seconds, shown.crop)
            if i == 0:
                self._breathe(shown, True, window, seconds, out)
        self._write(behind, out)
        for n, flame in enumerate(shown.flames):
            self._tremble(flame, brighter(seconds, n), layer_zoom(window, FLAMES_AT), out)
        self._breathe(shown, False, window, seconds, out)

    def _window(self, shown: Shown, at: int, closer: float) -> Window:
        """What the camera sees."""
        window = shown.path.at(self._moment(shown, at))
        if closer != 1.0:
            window = replace(window, zoom=window.zoom * closer)
        if shown.finishing is not None:
            window = shown.finishing.window(window, at, shown.lead)
        return window

    def _moment(self, shown: Shown, at: int) -> float:
        return at / max(1, shown.frames - 1)

    def _mark(self, shown: Shown, at: int, out: Frame, closer: float) -> None:
        """Lay over a finished picture what is laid over it. Where the camera leans, all that keeps to the picture
        does."""
        seconds = (at - shown.lead) / shown.rate
        if shown.insets is not None:
            self._write(shown.insets.laid(seconds, self._window(shown, at, closer), "picture"), out)
        if shown.marks is not None:
            shown.marks.lay(out, layer_zoom(self._window(shown, at, closer), MARKS_AT), seconds)
        if shown.words is not None:
            self._write(shown.words.laid(False, at, lambda n: self._window(shown, n, closer)), out)
        self._lean(shown, at, out)
        if shown.insets is not None:
            self._write(shown.insets.laid(seconds, self._window(shown, at, closer), "frame"), out)

    def _lean(self, shown: Shown, at: int, out: Frame) -> None:
        """Turn a frame as the camera leans; it is all along so near that no corner is ever empty."""
        if not shown.path.most_leaning:
            return
        self._turned = self._turned or self.new_frame()
        near = covering(shown.path.most_leaning, self.width, self.height)
        angle = shown.path.leaning(self._moment(shown, at))
        for plane, spare in zip(out, self._turned, strict=True):
            spare[:] = plane
            kernel_finish.turned(spare, plane, angle, near)

    def _behind(self, shown: Shown, at: int, closer: float) -> list[tuple[Planes, Window]]:
        """The words that stand behind figures."""
        if shown.words is None:
            return []
        return shown.words.laid(True, at, lambda n: self._window(shown, n, closer))

    def _write(self, words: list[tuple[Planes, Window]], out: Frame) -> list[tuple[Planes, Window]]:
        """Lay words into the picture; none are left to be laid."""
        for planes, window in words:
            self._lay(planes, window, out)
        return []

    def other(self, shown: Shown, at: int, closer: float = 1.0) -> Frame:
        """Another picture, drawn beside the frame; the next one overwrites it."""
        self._other = self._other or self.new_frame()
        self.draw(shown, at, self._other, closer)
        return self._other

    def caption(self, words: Planes, top: int, left: int, out: Frame) -> None:
        """Lay rendered words over a drawn frame; `top` and `left` are even."""
        assert words.alpha is not None and words.alpha_half is not None
        kernel_mix.stamp(out[0], words.y, words.alpha, top, left, 0)
        kernel_mix.stamp(out[1], words.u, words.alpha_half, top // 2, left // 2, 128)
        kernel_mix.stamp(out[2], words.v, words.alpha_half, top // 2, left // 2, 128)

    def _breathe(
        self, shown: Shown, behind: bool, window: Window, seconds: float, out: Frame
    ) -> None:
        for air in shown.air:
            if air.look.behind == behind:
                air.lay(out, window, seconds)

    def _tremble(self, flame: Flame, by: float, window: Window, out: Frame) -> None:
        """Make what a flame lights a little brighter or darker."""
        x = ((flame.x - window.x) * window.zoom + 0.5) * self.width
        y = ((flame.y - window.y) * window.zoom + 0.5) * self.height
        kernel_mix.brighten(out[0], x, y, flame.reach * window.zoom * self.height, by)

    def _lay(
        self,
        layer: Planes,
        window: Window,
        out: Frame,
        seconds: float = 0.0,
        crop: tuple[float, float] | None = None,
    ) -> None:
        width, height = layer.whole or layer.y.shape[::-1]
        left, top, w, h = cover(width, height, self.width, self.height, crop)
        step_x, step_y = w / window.zoom / self.width, h / window.zoom / self.height
        x0 = left + w * window.x - w / window.zoom / 2 - layer.origin[0]
        y0 = top + h * window.y - h / window.zoom / 2 - layer.origin[1]
        if layer.ground is not None:
            self._recede(layer, layer.ground, window, out, crop)
            return
        if layer.water is not None:
            self._run(layer, layer.water, (x0, y0, step_x, step_y), out, seconds)
            return
        if layer.alpha is None or layer.alpha_half is None:
            kernel.sample(layer.y, out[0], x0, y0, step_x, step_y)
            kernel.sample(layer.u, out[1], x0 / 2, y0 / 2, step_x, step_y)
            kernel.sample(layer.v, out[2], x0 / 2, y0 / 2, step_x, step_y)
            return
        assert layer.spans is not None and layer.spans_half is not None
        kernel_over.sample_over(
            layer.y, layer.alpha, layer.spans, out[0], x0, y0, step_x, step_y, 0
        )
        kernel_over.sample_over(
            layer.u, layer.alpha_half, layer.spans_half, out[1], x0 / 2, y0 / 2, step_x, step_y, 128
        )
        kernel_over.sample_over(
            layer.v, layer.alpha_half, layer.spans_half, out[2], x0 / 2, y0 / 2, step_x, step_y, 128
        )

    def _recede(
        self,
        layer: Planes,
        ground: Ground,
        window: Window,
        out: Frame,
        crop: tuple[float, float] | None,
    ) -> None:
        """Lay the hindmost layer so that its ground comes nearer with every row below the horizon."""
        high, wide = layer.y.shape
        left, top, w, h = cover(wide, high, self.width, self.height, crop)
        rows = (np.arange(high) + 0.5 - top) / h
        depth = np.clip((rows - ground.horizon) / (1 - ground.horizon), 0, 1)
        x, y, zoom = layer_zooms(window, depth)
        seen = ((rows - y) * zoom + 0.5) * self.height
        # Which row of the picture is seen in a row of the frame; far ones hide behind near ones where they would cross.
        source = np.interp(
            np.arange(self.height) + 0.5, np.maximum.accumulate(seen), np.arange(high) + 0.5
        )
        at = np.clip(source.astype(np.int64), 0, high - 1)
        steps = (w / zoom / self.width)[at]
        starts = (left + w * x - w / zoom / 2)[at]
        for plane, to, by in ((layer.y, out[0], 1), (layer.u, out[1], 2), (layer.v, out[2], 2)):
            kernel.sample_rows(plane, to, starts[::by] / by, source[::by] / by, steps[::by])

    def _run(
        self,
        layer: Planes,
        water: Water,
        sampled: tuple[float, float, float, float],
        out: Frame,
        seconds: float,
    ) -> None:
        """Lay the hindmost layer, its water moved."""
        x0, y0, step_x, step_y = sampled
        high = layer.y.shape[0]
        rows = y0 + (np.arange(self.height) + 0.5) * step_y
        aside, down = swell(water, rows / high, seconds)
        kernel.sample_moved(layer.y, out[0], x0, y0, step_x, step_y, aside * high, down * high)
        for plane, to in ((layer.u, out[1]), (layer.v, out[2])):
            kernel.sample_moved(
                plane,
                to,
                x0 / 2,
                y0 / 2,
                step_x,
                step_y,
                aside[::2] * high / 2,
                down[::2] * high / 2,
            )
