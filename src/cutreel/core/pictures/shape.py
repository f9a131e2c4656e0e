"""A picture brought to the film's shape: cropped by a frame that keeps faces, or its edges continued."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from scipy.ndimage import gaussian_filter

from cutreel.core.errors import BadInput

Box = tuple[float, float, float, float]
_ROUNDED = 2e-5
"""Frames are told in hundred-thousandths: what is larger by no more fits."""
MOST_BEYOND = 1.0
"""A frame may reach beyond the picture by as much again on each side."""


def face_of(figure: Box) -> Box:
    """Where a figure's face is about: the upper fifth of its box (a head is a seventh to a fifth of a body)."""
    left, top, right, bottom = figure
    return (left, top, right, top + (bottom - top) * 0.2)


def frame_keeping(picture: float, film: float, faces: Sequence[Box] = ()) -> Box:
    """The largest frame inside a picture (`picture`, `film`: width over height) of the film's shape, as shares of the
    picture: about its middle, or so that it holds the faces, or their middle where it cannot hold all."""
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
    """What `frame` (shares of the picture) holds of a picture (height, width, 3). Where it reaches beyond the picture,
    the picture's edge is mirrored and grows softer outward."""
    high, wide = pixels.shape[:2]
    left, top, right, bottom = frame
    if right - left < 0.05 or bottom - top < 0.05:
        raise BadInput("The frame is too small.", "Make it larger.")
    if min(left, top) < -MOST_BEYOND or max(right, bottom) > 1 + MOST_BEYOND or left > 0.95 or top > 0.95:
        raise BadInput("The frame reaches too far beyond the picture.", "Move it back.")
    x0, y0, x1, y1 = round(left * wide), round(top * high), round(right * wide), round(bottom * high)
    before_x, before_y = max(0, -x0), max(0, -y0)
    after_x, after_y = max(0, x1 - wide), max(0, y1 - high)
    if not any((before_x, before_y, after_x, after_y)):
        return pixels[y0:y1, x0:x1].copy()
    pads = ((before_y, after_y), (before_x, after_x))
    whole = np.pad(pixels, (*pads, (0, 0)), mode="symmetric")
    inside = np.pad(np.ones((high, wide), np.float32), pads)
    soft = _softened(whole, max(before_x, before_y, after_x, after_y))
    edge = max(2.0, min(wide, high) * 0.01)
    keep = np.clip(gaussian_filter(inside, edge) * 2 - 1, 0, 1)[..., None] * inside[..., None]
    keep = np.where(inside[..., None] > 0, np.maximum(keep, (gaussian_filter(inside, edge) > 0.98)[..., None]), 0)
    mixed = np.where(inside[..., None] > 0, whole, soft)
    rim = (inside[..., None] > 0) & (keep < 1)
    mixed = np.where(rim, np.round(whole * keep + soft * (1 - keep)), mixed).astype(np.uint8)
    return mixed[y0 + before_y : y1 + before_y, x0 + before_x : x1 + before_x]


def _softened(whole: NDArray[np.uint8], reach: int) -> NDArray[np.uint8]:
    """The picture blurred over a tenth of how far it was continued, on a smaller grid where that is wide."""
    sigma = max(2.0, reach * 0.1)
    less = max(1, int(sigma // 3))
    image = Image.fromarray(whole)
    small = image.resize((max(1, image.width // less), max(1, image.height // less)), Image.Resampling.BOX)
    blurred = gaussian_filter(np.asarray(small).astype(np.float32), (sigma / less, sigma / less, 0))
    return np.asarray(Image.fromarray(blurred.round().astype(np.uint8)).resize(image.size, Image.Resampling.BILINEAR))
