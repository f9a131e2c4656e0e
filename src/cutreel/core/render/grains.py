"""Air in frames: grains of what drifts, laid over a frame's planes."""

import numpy as np
from numpy.typing import NDArray

from cutreel.core.motion import AIR_LOOKS, Air, Window, grains_at

from . import kernel_air
from .kernel import U8

F32 = NDArray[np.float32]
COARSE = 20
"""Pixels of the frame for one of the field on which mist is laid: it is soft enough."""
LUMA_OF_NIGHT = 90
"""Stars twinkle where the frame is darker than this; they are not seen in front of a moon or a wall."""


class AirLayer:
    """Air of one kind in a shot."""

    def __init__(self, air: Air, width: int, height: int) -> None:
        self.air, self.look = air, AIR_LOOKS[air.kind]
        self.width, self.height = width, height
        self._seen: F32 = np.ones(0, np.float32)
        red, green, blue = (float(c) for c in self.look.colour)
        luma = 0.2126 * red + 0.7152 * green + 0.0722 * blue
        # BT.709 in studio range, as pictures are (planes.py).
        self.y = 16 + luma * (219 / 255)
        self.u = 128 + (blue - luma) * (224 / 255 / 1.8556)
        self.v = 128 + (red - luma) * (224 / 255 / 1.5748)

    def lay(self, out: tuple[U8, U8, U8], window: Window, seconds: float) -> None:
        """Lay what is in the air at a moment over a frame."""
        drawn = grains_at(self.air, seconds, self.width / self.height)
        x, y, radius = drawn.x, drawn.y, drawn.radius * self.height
        if self.look.behind:
            # It is in the picture, and moves with it.
            x = (x - window.x) * window.zoom + 0.5
            y = (y - window.y) * window.zoom + 0.5
            radius = radius * window.zoom
        x, y = x * self.width, y * self.height
        if self.look.form == "puff":
            small = np.zeros((self.height // COARSE + 2, self.width // COARSE + 2), np.float32)
            kernel_air.puffs(
                small,
                *(n.astype(np.float32) for n in (x / COARSE, y / COARSE, radius / COARSE)),
                drawn.density,
            )
            kernel_air.veil(out[0], small, COARSE, np.int32(round(self.y)))
            kernel_air.veil(out[1], small, COARSE // 2, np.int32(round(self.u)))
            kernel_air.veil(out[2], small, COARSE // 2, np.int32(round(self.v)))
            return
        for plane, scale, value in ((0, 1.0, self.y), (1, 0.5, self.u), (2, 0.5, self.v)):
            places = [(n * scale).astype(np.float32) for n in (x, y, radius)]
            # Where stars may stand is told by the brightness as it was before any was laid.
            shown = drawn.density
            if self.air.kind == "stars":
                shown = shown * _dark(out[0], x, y) if plane == 0 else shown * self._seen
                self._seen = (shown > 0).astype(np.float32)
            if self.look.form == "streak":
                kernel_air.streaks(out[plane], *places, shown, drawn.turned, np.float32(value))
            else:
                form = _FORMS[self.look.form]
                kernel_air.specks(
                    out[plane], *places, shown, drawn.turned, drawn.open, form, np.float32(value)
                )


_FORMS = {"dot": 0, "leaf": 1, "wing": 2}


def _dark(luma: U8, xs: F32, ys: F32) -> F32:
    """1 for each place where a frame is dark, else 0."""
    columns = np.clip(xs.astype(np.int64), 0, luma.shape[1] - 1)
    rows = np.clip(ys.astype(np.int64), 0, luma.shape[0] - 1)
    return (luma[rows, columns] < LUMA_OF_NIGHT).astype(np.float32)
