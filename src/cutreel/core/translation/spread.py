"""When the words of a manuscript are said, where others are said for them."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray


def spread(
    written: Sequence[str], said: Sequence[str], times: NDArray[np.float64]
) -> NDArray[np.float64]:
    """When each of the `written` words would be said, of which `said` are said at `times` (shape (said, 2), seconds):
    by how far it stands in its passage, counted in letters, on the beginning of the nearest said word where no other is
    nearer to that. Shape (written, 2); beginnings never go back, ends never pass the next beginning."""
    into = _shares([len(w) for w in written])
    bounds = _shares([len(w) for w in said])
    # Within a said word time passes evenly; between two of them there may be silence.
    begins = np.interp(into[:-1], bounds[:-1], times[:, 0])
    nearest = np.abs(times[:, 0][None, :] - begins[:, None]).argmin(axis=1)
    _, first, count = np.unique(nearest, return_index=True, return_counts=True)
    alone = first[count == 1]
    begins[alone] = times[nearest[alone], 0]
    begins[0] = times[0, 0]
    begins = np.maximum.accumulate(begins)
    last = float(times[-1, 1])
    ends = np.minimum(np.append(begins[1:], last), last)
    return np.stack([begins, np.maximum(ends, begins)], axis=1)


def _shares(lengths: Sequence[int]) -> NDArray[np.float64]:
    """Where words begin and end in a text of such lengths, 0 … 1. Shape (words + 1,)."""
    sums = np.concatenate([[0.0], np.cumsum(np.maximum(1, np.asarray(lengths, float)))])
    return np.asarray(sums / sums[-1], float)
