"""Finite filters: their taps by the window method, and a sound heard through them.

Worked out here with Fourier transforms alone, since the library that has them all takes fifty megabytes and a second to
load, and a film's mix needs no more of it.
"""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray
from scipy.fft import irfft, next_fast_len, rfft

F32 = NDArray[np.float32]
F64 = NDArray[np.float64]
Through = NDArray[np.complex64]
"""The transform of a filter's taps, shape (channels or 1, n // 2 + 1): n samples are transformed at a time."""
AT_ONCE = 16_384
"""Samples that are transformed at a time, or four times the filter where that is more."""


def through(taps: F32, most: int | None = None) -> Through:
    """Taps of shape (m,), or (m, channels), as sound is multiplied with; `most` samples is the longest sound."""
    size = max(AT_ONCE, 4 * len(taps))
    if most is not None:
        size = min(size, most + len(taps) - 1)
    rows = np.ascontiguousarray(taps.reshape(len(taps), -1).T, np.float32)
    out: Through = rfft(rows, 2 * next_fast_len(-(-size // 2)))
    return out


def heard_through(sound: F32, filtering: Through, reach: int) -> F32:
    """What comes out of a filter of `reach` + 1 taps of a sound of shape (channels, reach + n) whose first `reach`
    samples were before: shape (channels, n).

    By overlapped pieces of which what is whole is kept (T. G. Stockham, High-speed convolution and correlation, 1966),
    all of them in one call: many transforms together take half the time."""
    size = 2 * (filtering.shape[1] - 1)
    step, count = size - reach, sound.shape[1] - reach
    rows = -(-count // step)
    padded = np.zeros((len(sound), reach + rows * step), np.float32)
    padded[:, : sound.shape[1]] = sound
    pieces = np.lib.stride_tricks.sliding_window_view(padded, size, axis=1)[:, ::step]
    heard = irfft(rfft(pieces) * filtering[:, None, :], size, overwrite_x=True)
    out: F32 = heard[:, :, reach:].reshape(len(sound), -1)[:, :count]
    return out


def convolved(sound: F32, taps: F32) -> F32:
    """A sound of shape (n, channels) through a filter of shape (m,), or (m, channels): shape (n + m - 1, channels)."""
    filtering, reach = through(taps, len(sound)), len(taps) - 1
    padded = np.pad(sound.T, ((0, 0), (reach, reach)))
    return np.ascontiguousarray(heard_through(padded, filtering, reach).T)


def centred(sound: F32, taps: F32) -> F32:
    """The same without the filter's delay, as long as the sound."""
    before = (len(taps) - 1) // 2
    return convolved(sound, taps)[before : before + len(sound)]


def band_taps(count: int, low: float, high: float, rate: int) -> F64:
    """So many taps (an odd number) that let through what lies between two frequencies in hertz; from 0 on, all below
    `high`. A windowed sinc after Hamming; the middle of the band, or 0 Hz, goes through as it is."""
    at = np.arange(count) - (count - 1) / 2
    lower, upper = (2 * f / rate for f in (low, high))
    taps: F64 = (upper * np.sinc(upper * at) - lower * np.sinc(lower * at)) * np.hamming(count)
    middle = 0.0 if not low else (lower + upper) / 2
    taps /= np.sum(taps * np.cos(np.pi * at * middle))
    return taps


def shaped_taps(count: int, hertz: Sequence[float] | F64, gain: F64, rate: int) -> F64:
    """So many taps whose gains at some frequencies, from 0 to half of `rate`, are `gain`, and go evenly between them;
    by sampling the frequencies, under a Hamming window."""
    points = 1 + 2 ** int(np.ceil(np.log2(4 * count)))
    at = np.linspace(0.0, 1.0, points)
    wanted = np.interp(at, np.asarray(hertz) / (rate / 2), gain)
    delayed = wanted * np.exp(-0.5j * np.pi * (count - 1) * at)
    taps: F64 = irfft(delayed)[:count] * np.hamming(count)
    return taps
