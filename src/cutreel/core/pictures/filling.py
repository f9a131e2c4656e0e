"""What was behind something that is cut out: filled in from about it."""

import numpy as np
from numpy.typing import NDArray

F32 = NDArray[np.float32]
LEAST = 4
"""Pixels of the smallest side at which a picture is made no smaller."""


def filled(pixels: NDArray[np.uint8], hole: NDArray[np.bool_]) -> NDArray[np.uint8]:
    """`pixels` (height, width, channels) with those of a `hole` (height, width) made from what is about them: the
    nearer, the more (pull and push over a pyramid: Gortler et al., *The Lumigraph*, 1996). Outside the hole every pixel
    is the very same."""
    if not hole.any() or hole.all():
        return pixels
    known = (~hole).astype(np.float32)
    made = _pulled(pixels.astype(np.float32) * known[..., None], known)
    out = pixels.copy()
    out[hole] = np.clip(np.round(made[hole]), 0, 255).astype(np.uint8)
    return out


def _pulled(weighted: F32, weight: F32) -> F32:
    """Colours for every pixel, from colours times weights, and weights."""
    height, width = weight.shape
    if min(height, width) > LEAST and (weight < 1).any():
        small, less = _halved(weighted), _halved(weight[..., None])[..., 0]
        # A place that is known well enough stands for itself at every size above.
        full = np.minimum(1.0, less)
        scale = np.divide(full, less, out=np.zeros_like(less), where=less > 0)
        coarse = _pulled(small * scale[..., None], full)
        behind = _doubled(coarse, height, width)
    else:
        whole = max(1e-6, float(weight.sum()))
        behind = np.broadcast_to(weighted.sum((0, 1)) / whole, weighted.shape)
    out: F32 = (weighted + behind * (1 - weight)[..., None]).astype(np.float32)
    return out


def _halved(plane: F32) -> F32:
    height, width = plane.shape[:2]
    even = np.pad(plane, ((0, height % 2), (0, width % 2), (0, 0)))
    out: F32 = even[0::2, 0::2] + even[1::2, 0::2] + even[0::2, 1::2] + even[1::2, 1::2]
    return out


def _doubled(plane: F32, height: int, width: int) -> F32:
    return _between(_between(plane, 0), 1)[:height, :width]


def _between(plane: F32, axis: int) -> F32:
    """Twice as many rows (or columns), each a quarter of the way from its own to the next."""
    size = plane.shape[axis]
    before = plane.take(np.maximum(np.arange(size) - 1, 0), axis)
    after = plane.take(np.minimum(np.arange(size) + 1, size - 1), axis)
    own = plane * np.float32(0.75)
    pairs = np.stack((own + before * np.float32(0.25), own + after * np.float32(0.25)), axis + 1)
    shape = list(plane.shape)
    shape[axis] = 2 * size
    return pairs.reshape(shape)
