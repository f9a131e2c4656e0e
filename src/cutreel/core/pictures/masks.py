"""Masks: which part of a picture may change, and a change laid into it that leaves everything else
as it was."""

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import distance_transform_edt


def feathered(mask: NDArray[np.uint8], feather: float) -> NDArray[np.float32]:
    """The share (0 … 1) that a change has in each pixel of a mask (height, width; from 128 on is
    inside). It grows from the mask's edge inward over `feather` pixels, so that outside the mask it
    is always nothing."""
    inside = mask >= 128
    if feather <= 0:
        return inside.astype(np.float32)
    share = np.zeros(inside.shape, np.float32)
    rows, columns = np.flatnonzero(inside.any(1)), np.flatnonzero(inside.any(0))
    if rows.size:
        # Only about what is marked: a picture is large, and what is marked mostly small.
        part = tuple(slice(max(0, int(i[0]) - 1), int(i[-1]) + 2) for i in (rows, columns))
        depth = distance_transform_edt(np.pad(inside[part], 1, mode="edge"))[1:-1, 1:-1]
        share[part] = np.clip(depth / (feather + 1), 0, 1)
    return share


def laid_into(
    base: NDArray[np.uint8], change: NDArray[np.uint8], share: NDArray[np.float32]
) -> NDArray[np.uint8]:
    """`base` with `change` (both height, width, 3) where `share` is more than nothing; every other
    pixel is the very same."""
    mixed = base + (change.astype(np.float32) - base) * share[..., None]
    return np.where(share[..., None] > 0, np.round(mixed), base).astype(np.uint8)
