"""What is measured of one block of a mix, and kept so that no block is measured twice."""

from collections.abc import Mapping

import numpy as np
import soxr
from numpy.typing import NDArray

from .lanes import BLOCK, RATE, ROLES, Role, Sound, summed
from .limiter import PEAK_EVERY
from .loudness import weighted
from .understood import BANDS, FRAME, band_powers

SEEN = RATE // 20
"""A waveform has a value for each twentieth of a second."""
BEFORE, BEHIND = 14_400, 9_600
"""Samples around a block that have a part in what is measured of it: filters and meters remember no longer."""
REACH = 480
"""Samples to both sides that have a part in a true peak."""
HEARD = np.dtype(
    [
        ("power", np.float32, BLOCK // PEAK_EVERY),
        ("peak", np.float32, BLOCK // PEAK_EVERY),
        ("wave", np.float16, (len(ROLES), BLOCK // SEEN)),
        ("gives", np.float16, (len(ROLES), BLOCK // SEEN)),
        ("bands", np.float32, (len(ROLES), BLOCK // FRAME, len(BANDS))),
    ]
)
"""Of each millisecond the weighted power (BS.1770) and the true peak of the sum; of each lane its highest samples, by
how many decibels it gives way, and its power in the bands of speech."""
Heard = NDArray[np.void]
"""A record of `HEARD`. Behind the end of a film it is silent."""


def measured(lanes: Mapping[Role, Sound], gives: Mapping[Role, NDArray[np.float64]]) -> Heard:
    """What is heard of a block whose lanes are given with `BEFORE` samples before it and `BEHIND` behind it. `gives`
    says in ticks by how much each gives way. A last block may be shorter."""
    heard: Heard = np.zeros((), HEARD)[()]
    if not lanes:
        return heard
    total = summed(list(lanes.values()))
    inside = slice(BEFORE, len(total) - BEHIND)
    count = len(total) - BEHIND - BEFORE
    _put(heard["power"], _sums(weighted(total[: len(total) - BEHIND], RATE)[BEFORE:]) / PEAK_EVERY)
    _put(heard["peak"], _peaks(total, count))
    for role, sound in lanes.items():
        lane = ROLES.index(role)
        body = sound[inside]
        _put(heard["wave"][lane], _most(body, SEEN))
        if role in gives:
            _put(heard["gives"][lane], gives[role][:: SEEN * 100 // RATE][: BLOCK // SEEN])
        bands = band_powers(body)
        heard["bands"][lane][: len(bands)] = bands
    return heard


def _put(into: NDArray[np.floating], values: NDArray[np.floating]) -> None:
    into[: len(values)] = values


def _sums(power: NDArray[np.float64]) -> NDArray[np.float64]:
    padded = np.pad(power, (0, -len(power) % PEAK_EVERY))
    sums: NDArray[np.float64] = padded.reshape(-1, PEAK_EVERY).sum(axis=1)
    return sums


def _most(sound: Sound, every: int) -> Sound:
    """The highest of both sides, by its amount, in each piece of so many samples."""
    loud = np.zeros((-(-len(sound) // every), 2 * every), np.float32)
    np.abs(sound, out=loud.reshape(-1, 2)[: len(sound)])
    # One pass over all, not one over each side: that is many times as slow.
    most: Sound = loud.max(axis=1)
    return most


def _peaks(total: Sound, count: int) -> Sound:
    """The true peak of each millisecond of a block, by four times oversampling (BS.1770 Annex 2)."""
    found = []
    # A second at a time, with what its filter reaches around it: four times a whole block is much memory.
    for first in range(BEFORE, BEFORE + count, RATE):
        inside = min(RATE, BEFORE + count - first)
        near = np.ascontiguousarray(total[first - REACH : first + inside + REACH])
        fine = soxr.resample(near, 1, 4, quality="MQ")[4 * REACH :][: 4 * inside]
        found.append(_most(fine, 4 * PEAK_EVERY))
    return np.concatenate(found)
