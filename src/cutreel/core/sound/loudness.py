"""Programme loudness and true peak (ITU-R BS.1770-5, EBU R 128)."""

from math import pi, tan

import numpy as np
import soxr
from numba import njit
from numpy.typing import NDArray

ABSOLUTE_GATE, RELATIVE_GATE = -70.0, -10.0
SILENCE = -120.0


def _k_weighting(rate: int) -> list[tuple[NDArray[np.float64], NDArray[np.float64]]]:
    """The two filters of BS.1770 Annex 1, for any sample rate (bilinear transform of the analogue
    prototypes)."""
    gain, q, centre = 3.999843853973347, 0.7071752369554196, 1681.974450955533
    k = tan(pi * centre / rate)
    high, band = 10 ** (gain / 20), (10 ** (gain / 20)) ** 0.4996667741545416
    a0 = 1 + k / q + k * k
    shelf = (
        np.array([high + band * k / q + k * k, 2 * (k * k - high), high - band * k / q + k * k])
        / a0,
        np.array([1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0]),
    )
    q, centre = 0.5003270373238773, 38.13547087602444
    k = tan(pi * centre / rate)
    a0 = 1 + k / q + k * k
    high_pass = (
        np.array([1.0, -2.0, 1.0]),
        np.array([1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0]),
    )
    return [shelf, high_pass]


@njit(cache=True)
def _filtered(audio: NDArray[np.float64], b: NDArray[np.float64], a: NDArray[np.float64]) -> None:
    """A second-order filter in place, over each channel of `audio` (direct form II, transposed)."""
    for channel in range(audio.shape[1]):
        z1 = z2 = 0.0
        for i in range(audio.shape[0]):
            x = audio[i, channel]
            y = b[0] * x + z1
            z1 = b[1] * x - a[1] * y + z2
            z2 = b[2] * x - a[2] * y
            audio[i, channel] = y


def integrated_lufs(samples: NDArray[np.float32], rate: int) -> float:
    """Integrated loudness in LUFS of mono or stereo samples: 400 ms blocks at 75 % overlap, gated
    twice.

    Returns -120.0 for silence or for less than one block.
    """
    audio = np.ascontiguousarray(np.atleast_2d(samples.T).T, dtype=np.float64).copy()
    for b, a in _k_weighting(rate):
        _filtered(audio, b, a)
    block, hop = round(0.4 * rate), round(0.1 * rate)
    if len(audio) < block:
        return SILENCE
    power = np.concatenate([[0.0], np.cumsum((audio**2).sum(axis=1))])
    starts = np.arange(0, len(audio) - block + 1, hop)
    energy = (power[starts + block] - power[starts]) / block
    loud = energy[energy > 10 ** ((ABSOLUTE_GATE + 0.691) / 10)]
    if loud.size == 0:
        return SILENCE
    loud = loud[loud > loud.mean() * 10 ** (RELATIVE_GATE / 10)]
    return float(-0.691 + 10 * np.log10(loud.mean()))


def true_peak_dbtp(samples: NDArray[np.float32]) -> float:
    """True peak in dBTP by four times oversampling (BS.1770 Annex 2). Returns -120.0 for
    silence."""
    audio = np.atleast_2d(samples.T).T
    peak = 0.0
    for channel in audio.T:
        if np.any(channel):
            peak = max(peak, float(np.max(np.abs(soxr.resample(channel.astype(np.float64), 1, 4)))))
    return float(20 * np.log10(peak)) if peak > 1e-6 else SILENCE
