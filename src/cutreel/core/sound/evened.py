"""Lines of all speakers at one loudness, before anything is mixed: one voice is not louder than another unasked."""

import numpy as np
from numpy.typing import NDArray

from .lanes import RATE
from .loudness import Loudness

LINE_LUFS = -16.0
"""Loudness of a line in a mix (BS.1770): about what voices have by themselves, so that most are hardly moved."""
MOST_MOVED = 10.0
"""Decibels that a line is moved by, at most: what is softer still is no line as others are."""
SOFTEST = -50.0
"""What is softer has no loudness that could be measured: one word, or a breath."""


def line_lufs(samples: NDArray[np.float32], rate: int = RATE) -> float | None:
    """Loudness of a line, of shape (n, channels); None for one that is too short or too soft to have one."""
    meter = Loudness(rate)
    meter.add(samples if samples.shape[1] == 2 else np.repeat(samples[:, :1], 2, axis=1))
    lufs = meter.lufs
    return round(lufs, 2) if lufs > SOFTEST else None


def line_gain(lufs: float | None) -> float:
    """Decibels that bring a line of a loudness to that of all others; none where it is not known."""
    if lufs is None or lufs < SOFTEST:
        return 0.0
    return max(-MOST_MOVED, min(MOST_MOVED, LINE_LUFS - lufs))
