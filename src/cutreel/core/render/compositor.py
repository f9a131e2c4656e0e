"""Composes the frames of a shot: its layers along the camera's path, and captions over them."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from cutreel.core.motion import CameraPath, Window, layer_zoom

from . import kernel
from .planes import Planes, cover

U8 = NDArray[np.uint8]
Frame = tuple[U8, U8, U8]
"""Planes Y, U and V of a frame, 4:2:0."""


@dataclass(frozen=True)
class Shown:
    """A picture on the move: its layers from back to front, its path, and the path's life in
    frames."""

    layers: Sequence[Planes]
    path: CameraPath
    frames: int


class Compositor:
    """Draws frames of `width` by `height` pixels, both even, into planes that it is given."""

    def __init__(self, width: int, height: int) -> None:
        self.width, self.height = width, height
        self._other: Frame | None = None

    def new_frame(self) -> Frame:
        """Planes of a frame, not drawn yet."""
        half = (self.height // 2, self.width // 2)
        return (
            np.empty((self.height, self.width), np.uint8),
            np.empty(half, np.uint8),
            np.empty(half, np.uint8),
        )

    def draw(self, shown: Shown, at: int, out: Frame) -> None:
        """Frame `at` of the picture's life (0 … frames - 1; beyond, the camera stands still)."""
        window = shown.path.at(at / max(1, shown.frames - 1))
        for i, layer in enumerate(shown.layers):
            self._lay(layer, window if i == 0 else layer_zoom(window, layer.depth), out)

    def dissolve(self, other: Shown, at: int, share: float, out: Frame) -> None:
        """Lay `share` (0 … 1) of another picture over a drawn frame."""
        self._other = self._other or self.new_frame()
        self.draw(other, at, self._other)
        for plane, over in zip(out, self._other, strict=True):
            kernel.dissolve(plane, over, round(share * 256))

    def caption(self, words: Planes, top: int, left: int, out: Frame) -> None:
        """Lay rendered words over a drawn frame; `top` and `left` are even."""
        assert words.alpha is not None and words.alpha_half is not None
        kernel.stamp(out[0], words.y, words.alpha, top, left, 0)
        kernel.stamp(out[1], words.u, words.alpha_half, top // 2, left // 2, 128)
        kernel.stamp(out[2], words.v, words.alpha_half, top // 2, left // 2, 128)

    def _lay(self, layer: Planes, window: Window, out: Frame) -> None:
        height, width = layer.y.shape
        left, top, w, h = cover(width, height, self.width, self.height)
        step_x, step_y = w / window.zoom / self.width, h / window.zoom / self.height
        x0 = left + w * window.x - w / window.zoom / 2
        y0 = top + h * window.y - h / window.zoom / 2
        if layer.alpha is None or layer.alpha_half is None:
            kernel.sample(layer.y, out[0], x0, y0, step_x, step_y)
            kernel.sample(layer.u, out[1], x0 / 2, y0 / 2, step_x, step_y)
            kernel.sample(layer.v, out[2], x0 / 2, y0 / 2, step_x, step_y)
            return
        assert layer.spans is not None and layer.spans_half is not None
        kernel.sample_over(layer.y, layer.alpha, layer.spans, out[0], x0, y0, step_x, step_y, 0)
        kernel.sample_over(
            layer.u, layer.alpha_half, layer.spans_half, out[1], x0 / 2, y0 / 2, step_x, step_y, 128
        )
        kernel.sample_over(
            layer.v, layer.alpha_half, layer.spans_half, out[2], x0 / 2, y0 / 2, step_x, step_y, 128
        )
