"""Programme loudness, its range and true peak (ITU-R BS.1770-5, EBU R 128, Tech 3341 and 3342), of sound that comes
block by block."""

from functools import lru_cache
from math import pi, tan
from typing import Any

import numpy as np
import soxr
from numpy.typing import NDArray

from .filters import Through, heard_through, through

ABSOLUTE_GATE, RELATIVE_GATE, RANGE_GATE = -70.0, -10.0, -20.0
SILENCE = -120.0
REMEMBERS = 4096 / 48_000
"""Seconds that the filters of the measure remember: what they do later is 178 dB softer than what they do at once."""


def _k_weighting(rate: int) -> NDArray[np.float64]:
    """The two filters of BS.1770 Annex 1, for any sample rate (bilinear transform of the analogue
    prototypes), as second-order sections of shape (2, 6)."""
    gain, q, centre = 3.999843853973347, 0.7071752369554196, 1681.974450955533
    k = tan(pi * centre / rate)
    high, band = 10 ** (gain / 20), (10 ** (gain / 20)) ** 0.4996667741545416
    a0 = 1 + k / q + k * k
    shelf = [high + band * k / q + k * k, 2 * (k * k - high), high - band * k / q + k * k]
    shelf = [b / a0 for b in shelf] + [1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0]
    q, centre = 0.5003270373238773, 38.13547087602444
    k = tan(pi * centre / rate)
    a0 = 1 + k / q + k * k
    high_pass = [1.0, -2.0, 1.0, 1.0, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0]
    return np.array([shelf, high_pass])


def weighted(samples: NDArray[np.floating[Any]], rate: int) -> NDArray[np.float64]:
    """The power of each sample of shape (n, channels) as loudness weighs it, all channels together."""
    return _Weighing(rate, samples.shape[1]).powers(samples)


@lru_cache(maxsize=8)
def _answer(rate: int) -> tuple[Through, int]:
    """The filters by what they make of one click, and how many samples they remember."""
    answer = np.zeros(round(REMEMBERS * rate) // 2 * 2)
    answer[0] = 1.0
    for b0, b1, b2, _, a1, a2 in _k_weighting(rate).tolist():
        first = second = 0.0  # the direct form II transposed
        for i, value in enumerate(answer.tolist()):
            answer[i] = out = b0 * value + first
            first, second = b1 * value - a1 * out + second, b2 * value - a2 * out
    return through(answer.astype(np.float32)), len(answer) - 1


class _Weighing:
    """The weighing of sound that comes piece by piece. By transforms, since a filter of second-order sections fades in
    silence to numbers so small that a processor is twenty times as slow with them."""

    def __init__(self, rate: int, channels: int) -> None:
        self._through, self._reach = _answer(rate)
        self._before = np.zeros((channels, self._reach), np.float32)

    def powers(self, samples: NDArray[np.floating[Any]]) -> NDArray[np.float64]:
        """The power of each sample of shape (n, channels), all channels together."""
        sound = np.concatenate([self._before, samples.T], axis=1, dtype=np.float32)
        self._before = sound[:, sound.shape[1] - self._reach :].copy()
        heard = heard_through(sound, self._through, self._reach)
        powers: NDArray[np.float64] = np.einsum("ij,ij->j", heard, heard, dtype=np.float64)
        return powers


class Loudness:
    """Integrated loudness of what was added so far: 400 ms blocks at 75 % overlap, gated twice."""

    def __init__(self, rate: int, channels: int = 2) -> None:
        self._weighing = _Weighing(rate, channels)
        self._hop = round(0.1 * rate)
        self._rest = np.zeros(0)
        self._energy: list[NDArray[np.float64]] = []

    def add(self, samples: NDArray[np.floating[Any]]) -> "Loudness":
        """Add samples of shape (n, channels)."""
        power = np.concatenate([self._rest, self._weighing.powers(samples)])
        whole = len(power) // self._hop
        hops = power[: whole * self._hop].reshape(whole, self._hop)
        self._energy.append(hops.sum(axis=1))
        self._rest = power[whole * self._hop :]
        return self

    @property
    def lufs(self) -> float:
        """In LUFS; -120.0 for silence or for less than one block."""
        return gated(np.concatenate([*self._energy, np.zeros(0)]) / self._hop)


def gated(power: NDArray[np.float64]) -> float:
    """Integrated loudness in LUFS of what has such a weighted power, the mean over 100 ms each; -120.0 for silence or
    for less than one block."""
    if len(power) < 4:
        return SILENCE
    blocks = _over(power, 4)
    loud = blocks[blocks > 10 ** ((ABSOLUTE_GATE + 0.691) / 10)]
    if loud.size == 0:
        return SILENCE
    loud = loud[loud > loud.mean() * 10 ** (RELATIVE_GATE / 10)]
    return float(-0.691 + 10 * np.log10(loud.mean()))


def short_term(power: NDArray[np.float64]) -> NDArray[np.float64]:
    """Loudness in LUFS over three seconds, every 100 ms (EBU Tech 3341), of what has such a weighted power as for
    `gated`; of each the three seconds end there. Of what is shorter, nothing."""
    if len(power) < 30:
        return np.zeros(0)
    levels: NDArray[np.float64] = -0.691 + 10 * np.log10(_over(power, 30) + 1e-12)
    return levels


def loudness_range(power: NDArray[np.float64]) -> float:
    """The loudness range in LU (EBU Tech 3342): between the 10th and the 95th percentile of short-term loudness,
    without what lies under -70 LUFS or 20 LU under the rest. 0.0 of what is shorter than three seconds."""
    levels = short_term(power)
    levels = levels[levels >= ABSOLUTE_GATE]
    if levels.size == 0:
        return 0.0
    gate = 10 * np.log10(np.mean(10 ** (levels / 10))) + RANGE_GATE
    low, high = np.percentile(levels[levels >= gate], (10, 95))
    return float(high - low)


def _over(power: NDArray[np.float64], hops: int) -> NDArray[np.float64]:
    """The mean power over so many hops, at every hop from the first that has them behind it."""
    sums = np.cumsum(np.concatenate([[0.0], power]))
    means: NDArray[np.float64] = np.maximum(0, sums[hops:] - sums[:-hops]) / hops
    return means


def integrated_lufs(samples: NDArray[np.float32], rate: int) -> float:
    """Integrated loudness in LUFS of mono or stereo samples. Returns -120.0 for silence or for less
    than one block."""
    audio = np.atleast_2d(samples.T).T
    return Loudness(rate, audio.shape[1]).add(audio).lufs


class TruePeaks:
    """The true peak by four times oversampling (BS.1770 Annex 2) of each piece of `every` samples
    of what is added."""

    def __init__(self, every: int, channels: int = 2) -> None:
        self._fine = 4 * every
        self._stream = soxr.ResampleStream(1, 4, channels, dtype="float32", quality="MQ")
        self._rest = np.zeros(0, np.float32)
        self._peaks: list[NDArray[np.float32]] = []

    def add(self, samples: NDArray[np.float32], last: bool = False) -> "TruePeaks":
        """Add samples of shape (n, channels); nothing may follow the `last`."""
        fine = self._stream.resample_chunk(np.ascontiguousarray(samples, np.float32), last=last)
        peaks = np.concatenate([self._rest, highest(fine)])
        whole = len(peaks) // self._fine
        self._peaks.append(peaks[: whole * self._fine].reshape(whole, self._fine).max(axis=1))
        self._rest = peaks[whole * self._fine :]
        if last and len(self._rest):
            self._peaks.append(self._rest.max(keepdims=True))
        return self

    @property
    def values(self) -> NDArray[np.float32]:
        """The peaks so far, one for each whole piece."""
        return np.concatenate([*self._peaks, np.zeros(0, np.float32)])

    @property
    def dbtp(self) -> float:
        """The highest in dBTP; -120.0 for silence."""
        highest = float(self.values.max(initial=0.0))
        return float(20 * np.log10(highest)) if highest > 1e-6 else SILENCE


def highest(samples: NDArray[np.float32]) -> NDArray[np.float32]:
    """The highest of all channels, by its amount, at each sample; shape (n, channels)."""
    out = np.abs(samples[:, 0])
    for channel in range(
        1, samples.shape[1]
    ):  # many times as fast as a reduction over so short an axis
        np.maximum(out, np.abs(samples[:, channel]), out=out)
    return out


def true_peak_dbtp(samples: NDArray[np.float32]) -> float:
    """True peak in dBTP of mono or stereo samples. Returns -120.0 for silence."""
    audio = np.atleast_2d(samples.T).T
    return TruePeaks(480, audio.shape[1]).add(audio.astype(np.float32), last=True).dbtp
