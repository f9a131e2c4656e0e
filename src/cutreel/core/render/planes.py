"""Pictures as the encoder wants them: brightness and colour planes (ITU-R BT.709, studio range,
4:2:0)."""

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from cutreel.core.motion import Ground, Water

from .kernel_over import spans_of

U8 = NDArray[np.uint8]


@dataclass(frozen=True)
class Planes:
    """One layer of a picture.

    `y` has shape (height, width), `u` and `v` half of both. With `alpha` (shapes of y and of u) the
    planes are premultiplied, colour around 128, and `spans` says for each row where there is
    anything: shape (rows, 2). A part of a layer stands at `origin` (left, top; even) in one of `whole` (width, height).
    In one that has `water` this runs; one that has `ground` comes nearer toward its lower edge.
    """

    y: U8
    u: U8
    v: U8
    alpha: U8 | None = None
    alpha_half: U8 | None = None
    spans: NDArray[np.int32] | None = None
    spans_half: NDArray[np.int32] | None = None
    depth: float = 0.0
    origin: tuple[int, int] = (0, 0)
    whole: tuple[int, int] | None = None
    water: Water | None = None
    ground: Ground | None = None

    @property
    def bytes(self) -> int:
        """The memory that they take."""
        held = (self.y, self.u, self.v, self.alpha, self.alpha_half, self.spans, self.spans_half)
        return sum(plane.nbytes for plane in held if plane is not None)


def planes_of(pixels: U8, depth: float = 0.0) -> Planes:
    """Planes of an RGB or RGBA picture of shape (height, width, 3 or 4) with even sides; odd ones
    lose a line."""
    height, width = pixels.shape[0] // 2 * 2, pixels.shape[1] // 2 * 2
    rgb = pixels[:height, :width, :3].astype(np.float32)
    r, g, b = rgb[..., 0], rgb[..., 1], rgb[..., 2]
    # BT.709: Y = 0.2126 R + 0.7152 G + 0.0722 B, in 16 … 235; colour differences in 16 … 240.
    luma = 0.2126 * r + 0.7152 * g + 0.0722 * b
    y = 16 + luma * (219 / 255)
    u = 128 + (b - luma) * (224 / 255 / 1.8556)
    v = 128 + (r - luma) * (224 / 255 / 1.5748)
    if pixels.shape[2] == 3:
        return Planes(_u8(y), _u8(_halved(u)), _u8(_halved(v)), depth=depth)
    alpha = pixels[:height, :width, 3].astype(np.float32) / 255
    full, half = _u8(alpha * 255), _u8(_halved(alpha * 255))
    return Planes(
        _u8(y * alpha),
        _u8(_halved((u - 128) * alpha) + 128),
        _u8(_halved((v - 128) * alpha) + 128),
        full,
        half,
        spans_of(full),
        spans_of(half),
        depth,
    )


def yuv_of(colour: str) -> tuple[int, int, int]:
    """Y, U and V of a colour (#rrggbb)."""
    rgb = [int(colour[i : i + 2], 16) for i in (1, 3, 5)]
    flat = planes_of(np.full((2, 2, 3), rgb, np.uint8))
    return int(flat.y[0, 0]), int(flat.u[0, 0]), int(flat.v[0, 0])


def rgb_of(frame: tuple[U8, U8, U8]) -> U8:
    """A frame's planes as RGB of shape (height, width, 3), to be looked at: the other way of `planes_of`."""
    y, u, v = (plane.astype(np.float32) for plane in frame)
    u, v = (plane.repeat(2, 0).repeat(2, 1) - 128 for plane in (u, v))
    luma = (y - 16) * (255 / 219)
    red = luma + v * (255 / 224 * 1.5748)
    blue = luma + u * (255 / 224 * 1.8556)
    green = (luma - 0.2126 * red - 0.0722 * blue) / 0.7152
    return _u8(np.stack([red, green, blue], axis=-1))


def cover(
    width: int,
    height: int,
    frame_width: int,
    frame_height: int,
    around: tuple[float, float] | None = None,
) -> tuple[float, float, float, float]:
    """The part (left, top, width, height) of a picture that fills a frame of another shape: nothing
    is letterboxed. It lies `around` a point in shares of the picture, as far as that goes (None: its middle)."""
    scale = min(width / frame_width, height / frame_height)
    w, h = frame_width * scale, frame_height * scale
    if around is None:
        return (width - w) / 2, (height - h) / 2, w, h
    left = min(max(0.0, around[0] * width - w / 2), width - w)
    top = min(max(0.0, around[1] * height - h / 2), height - h)
    return left, top, w, h


def _halved(plane: NDArray[Any]) -> NDArray[Any]:
    out: NDArray[Any] = plane.reshape(plane.shape[0] // 2, 2, plane.shape[1] // 2, 2).mean(
        axis=(1, 3)
    )
    return out


def _u8(plane: NDArray[Any]) -> U8:
    out: U8 = np.clip(np.rint(plane), 0, 255).astype(np.uint8)
    return out
