"""A gain that goes evenly from one value to the next."""

import numpy as np
from numpy.typing import NDArray


def ramps(knots: NDArray[np.float32], every: int) -> NDArray[np.float32]:
    """What goes evenly from each of some values to the next within `every` samples, for both sides of a sound: shape
    ((knots - 1) * every, 2)."""
    # Both sides at once: a sum over an axis of two is several times as slow as one along the whole.
    steps = np.repeat(np.arange(every, dtype=np.float32) / np.float32(every), 2)
    curve: NDArray[np.float32] = np.diff(knots)[:, None] * steps
    curve += knots[:-1, None]
    return curve.reshape(-1, 2)
