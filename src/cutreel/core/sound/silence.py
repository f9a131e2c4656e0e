"""Leading and trailing silence of a recording."""

import numpy as np
from numpy.typing import NDArray

THRESHOLD_DB = -46.0
KEEP = 0.03
"""Seconds kept on both sides, so that soft consonants are not clipped."""


def trim(samples: NDArray[np.float32], rate: int) -> tuple[int, int]:
    """The range of samples (start, end) without the silence at both ends; (0, 0) for silence alone.

    Silence is what stays more than 46 dB under the loudest 10 ms.
    """
    mono = samples if samples.ndim == 1 else samples.mean(axis=1)
    block = max(1, rate // 100)
    count = len(mono) // block
    if count == 0:
        return 0, len(mono)
    rms = np.sqrt(
        np.mean(mono[: count * block].reshape(count, block).astype(np.float64) ** 2, axis=1)
    )
    loud = np.flatnonzero(rms > max(1e-5, rms.max() * 10 ** (THRESHOLD_DB / 20)))
    if loud.size == 0:
        return 0, 0
    keep = int(KEEP * rate)
    return max(0, int(loud[0]) * block - keep), min(len(mono), (int(loud[-1]) + 1) * block + keep)
