"""Programme loudness and true peak (ITU-R BS.1770-5, EBU R 128), of sound that comes block by
block."""

from math import pi, tan
from typing import Any

import numpy as np
import soxr
from numpy.typing import NDArray

ABSOLUTE_GATE, RELATIVE_GATE = -70.0, -10.0
SILENCE = -120.0


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


class Loudness:
    """Integrated loudness of what was added so far: 400 ms blocks at 75 % overlap, gated twice."""

    def __init__(self, rate: int, channels: int = 2) -> None:
        self._sections = _k_weighting(rate)
        self._state = np.zeros((len(self._sections), 2, channels))
        self._hop = round(0.1 * rate)
        self._rest = np.zeros(0)
        self._energy: list[NDArray[np.float64]] = []

    def add(self, samples: NDArray[np.floating[Any]]) -> "Loudness":
        """Add samples of shape (n, channels)."""
        from scipy.signal import sosfilt  # here, since it takes a second to load

        weighted, self._state = sosfilt(
            self._sections, samples.astype(np.float64), axis=0, zi=self._state
        )
        power = np.concatenate([self._rest, (weighted**2).sum(axis=1)])
        whole = len(power) // self._hop
        hops = power[: whole * self._hop].reshape(whole, self._hop)
        self._energy.append(hops.sum(axis=1))
        self._rest = power[whole * self._hop :]
        return self

    @property
    def lufs(self) -> float:
        """In LUFS; -120.0 for silence or for less than one block."""
        hops = np.concatenate([*self._energy, np.zeros(0)])
        if len(hops) < 4:
            return SILENCE
        energy = (hops[:-3] + hops[1:-2] + hops[2:-1] + hops[3:]) / (4 * self._hop)
        loud = energy[energy > 10 ** ((ABSOLUTE_GATE + 0.691) / 10)]
        if loud.size == 0:
            return SILENCE
        loud = loud[loud > loud.mean() * 10 ** (RELATIVE_GATE / 10)]
        return float(-0.691 + 10 * np.log10(loud.mean()))


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
        peaks = np.concatenate([self._rest, np.abs(fine).max(axis=1, initial=0.0)])
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


def true_peak_dbtp(samples: NDArray[np.float32]) -> float:
    """True peak in dBTP of mono or stereo samples. Returns -120.0 for silence."""
    audio = np.atleast_2d(samples.T).T
    return TruePeaks(480, audio.shape[1]).add(audio.astype(np.float32), last=True).dbtp
