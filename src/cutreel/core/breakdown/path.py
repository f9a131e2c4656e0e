"""The hot loop of the cut, compiled."""

import numpy as np
from numba import njit
from numpy.typing import NDArray

from .scrap import FEW_WORDS, SCRAP, SCRAP_SECONDS, SCRAP_WORDS


@njit(cache=True)
def cheapest_path(
    starts: NDArray[np.float64],
    ends: NDArray[np.float64],
    wanted: NDArray[np.float64],
    mark: NDArray[np.float64],
    crossed: NDArray[np.float64],
    barrier: NDArray[np.int64],
    reach: float,
    toll: float,
    weight: float,
) -> NDArray[np.int64]:
    """Where the best cut before each boundary came from; shape (words + 1,). Compiled: it is the
    hot loop."""
    n = starts.shape[0]
    best = np.full(n + 1, np.inf)
    best[0] = 0.0
    came = np.zeros(n + 1, dtype=np.int64)
    for end in range(1, n + 1):
        longest = wanted[end - 1] * reach + 2.0
        begin = end - 1
        while True:
            seconds = ends[end - 1] - starts[begin]
            if seconds > longest and begin < end - 1:
                break
            off = np.log(max(seconds, 0.05) / wanted[begin])
            cost = weight * off * off + crossed[end - 1] - crossed[begin]
            if seconds < SCRAP_SECONDS and seconds < wanted[begin] * 0.8:
                cost += SCRAP * (1.0 - seconds / SCRAP_SECONDS)
            if end - begin < SCRAP_WORDS:
                cost += FEW_WORDS
            if best[begin] + cost < best[end]:
                best[end] = best[begin] + cost
                came[end] = begin
            if barrier[begin] or begin == 0:
                break
            begin -= 1
        best[end] += toll
        if end < n and not barrier[end]:
            best[end] += mark[end]
    return came
