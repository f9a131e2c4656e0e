"""A picture brought to the film's shape: cropped by a frame that keeps faces, or its edges
continued."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from scipy.ndimage import gaussian_filter

from cutreel.core.errors import BadInput

Box = tuple[float, float, float, float]
_ROUNDED = 2e-5
"""Frames are told in hundred-thousandths: what is larger by no more fits."""
STRIP = 0.1
"""How broad a strip of the picture's edge is drawn out beyond it, as a share of the picture."""
MOST_BEYOND = 1.0
"""A frame may reach beyond the picture by as much again on each side."""


def face_of(figure: Box) -> Box:
    """Where a figure's face is about: the upper fifth of its box (a head is a seventh to a fifth of
    a body)."""
    left, top, right, bottom = figure
    return (left, top, right, top + (bottom - top) * 0.2)


def frame_keeping(picture: float, film: float, faces: Sequence[Box] = ()) -> Box:
    """The largest frame inside a picture (`picture`, `film`: width over height) of the film's
    shape, as shares of the picture: about its middle, or so that it holds the faces, or their
    middle where it cannot hold all."""
    wide, high = min(1.0, film / picture), min(1.0, picture / film)
    if faces:
        left, right = min(f[0] for f in faces), max(f[2] for f in faces)
        top, bottom = min(f[1] for f in faces), max(f[3] for f in faces)
        x = _start((left + right) / 2, left, right, wide)
        # A face stands about a third from the top (the rule of thirds).
        y = _start((top + bottom) / 2 + high * (0.5 - 0.36), top, bottom, high)
    else:
        x, y = 0.5 - wide / 2, 0.5 - high / 2
    return (round(x, 5), round(y, 5), round(x + wide, 5), round(y + high, 5))


def _start(middle: float, first: float, last: float, size: float) -> float:
    start = middle - size / 2
    if last - first <= size + _ROUNDED:
        start = min(max(start, last - size), first)
    return min(max(0.0, start), 1.0 - size)


def reshaped(pixels: NDArray[np.uint8], frame: Box) -> NDArray[np.uint8]:
    """What `frame` (shares of the picture) holds of a picture (height, width, 3). Where it reaches
    beyond the picture, a strip along the picture's edge is drawn out, the more the farther, and
    grows softer: nobody in it is repeated."""
    high, wide = pixels.shape[:2]
    left, top, right, bottom = frame
    if right - left < 0.05 or bottom - top < 0.05:
        raise BadInput("The frame is too small.", "Make it larger.")
    if (
        min(left, top) < -MOST_BEYOND
        or max(right, bottom) > 1 + MOST_BEYOND
        or left > 0.95
        or top > 0.95
    ):
        raise BadInput("The frame reaches too far beyond the picture.", "Move it back.")
    (x0, x1), (y0, y1) = _pixels(left, right, wide), _pixels(top, bottom, high)
    if x0 >= 0 and y0 >= 0 and x1 <= wide and y1 <= high:
        return pixels[y0:y1, x0:x1].copy()
    rows, columns = np.arange(y0, y1), np.arange(x0, x1)
    whole = _taken(_taken(pixels, _drawn_out(rows, high), 0), _drawn_out(columns, wide), 1)
    beyond = np.maximum(_beyond(rows, high)[:, None], _beyond(columns, wide)[None, :])
    soft = _softened(whole, int(beyond.max()))
    share = np.clip(beyond / max(1.0, 0.5 * STRIP * min(high, wide)), 0, 1)[..., None]
    mixed: NDArray[np.uint8] = np.round(whole + (soft.astype(np.float32) - whole) * share).astype(
        np.uint8
    )
    return mixed


def _pixels(first: float, last: float, size: int) -> tuple[int, int]:
    """A side of a frame in whole pixels: as long as asked, and inside the picture if it was."""
    start, long = round(first * size), round((last - first) * size)
    if last <= 1 + _ROUNDED:
        start = min(start, size - long)
    return start, start + long


def _beyond(at: NDArray[np.intp], size: int) -> NDArray[np.float32]:
    """How many pixels beyond the picture a row or a column is; 0 inside."""
    return np.maximum(0, np.maximum(-at, at - (size - 1))).astype(np.float32)


def _drawn_out(at: NDArray[np.intp], size: int) -> NDArray[np.float32]:
    """From which row or column of the picture each one is taken: beyond the edge first its mirror,
    then slower and slower, never deeper than the strip."""
    strip = max(1.0, STRIP * size)
    deep = strip * (1 - np.exp(-_beyond(at, size) / strip))
    source: NDArray[np.float32] = np.where(
        at < 0, deep, np.where(at >= size, size - 1 - deep, at)
    ).astype(np.float32)
    return source


def _taken(pixels: NDArray[np.uint8], source: NDArray[np.float32], axis: int) -> NDArray[np.uint8]:
    """Rows (axis 0) or columns (axis 1) at places that may lie between two."""
    low = np.floor(source).astype(np.intp)
    part = (source - low).reshape((-1, 1, 1) if axis == 0 else (1, -1, 1))
    if not part.any():
        return pixels.take(low, axis)
    above = np.minimum(low + 1, pixels.shape[axis] - 1)
    mixed = pixels.take(low, axis) * (1 - part) + pixels.take(above, axis) * part
    taken: NDArray[np.uint8] = np.round(mixed).astype(np.uint8)
    return taken


def _softened(whole: NDArray[np.uint8], reach: int) -> NDArray[np.uint8]:
    """The picture blurred over a tenth of how far it was continued, on a smaller grid where that is
    wide."""
    sigma = max(2.0, reach * 0.1)
    less = max(1, int(sigma // 3))
    image = Image.fromarray(whole)
    small = image.resize(
        (max(1, image.width // less), max(1, image.height // less)), Image.Resampling.BOX
    )
    blurred = gaussian_filter(np.asarray(small).astype(np.float32), (sigma / less, sigma / less, 0))
    return np.asarray(
        Image.fromarray(blurred.round().astype(np.uint8)).resize(
            image.size, Image.Resampling.BILINEAR
        )
    )
