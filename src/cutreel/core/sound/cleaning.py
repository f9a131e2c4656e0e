"""A recording cleaned: steady noise, hum of the mains, plosives, breaths, an uneven level; each by an amount.

Noise: spectral gain after Wiener with the noise taken as what is quietest in each band (Martin, 2001: minimum
statistics), smoothed in time and frequency, so that no tones are left ringing. Hum: tones at the mains' frequency and
its multiples, fitted by weighted least squares and taken out, so that a voice at the same pitch stays.
"""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

F32 = NDArray[np.float32]
F64 = NDArray[np.float64]
HARMONICS, SEEN_RATE = 10, 2_000
_SEARCHED = tuple(mains + off / 20 for mains in (50.0, 60.0) for off in range(-6, 7))
"""Hertz that the mains may have: they are never quite at their name."""
WINDOW = 0.04
"""Seconds of a window of the spectrum: two periods of a low voice."""
QUIETEST, BIAS = 10, 2.2
"""The percentile of a band's power that is its noise, and how much the mean of noise lies above it."""
DEEPEST = 26.0
"""Decibels that steady noise is lowered by, at most."""
OVER = 2.0
"""How much more than its mean is taken for noise: its peaks are gone as well."""
LOW, BURST = 110.0, 2.0
"""Hertz below which a plosive thumps, and by how much more than usual it must."""
REACH, STEPS = 9.0, 0.4
"""Decibels that a level is moved by, at most; seconds over which it is looked at."""
LEAST = 0.02
GUARD = 0.04
"""Seconds at both ends of a pause that stay as they are: a last consonant dies away in them."""
SHORTEST_BREATH, FADE = 0.06, 0.02
"""Seconds of a breath, at least; and in which it is let down and up again."""
BREATH_OVER, BREATH_UNDER = 2.0, 0.4
"""A breath is so many times louder than what is quiet around it, and so much softer than what is spoken, at least."""
BREATH_DEEPEST = 24.0
"""Decibels that a breath is lowered by, at most; never below what is quiet around it, where it would be heard as a
hole."""


class Cleaning(NamedTuple):
    """How much (0 … 1) is done against steady noise, hum, plosives, an uneven level and breaths."""

    noise: float = 0.0
    hum: float = 0.0
    plosives: float = 0.0
    level: float = 0.0
    breaths: float = 0.0

    @property
    def any(self) -> bool:
        return any(self)


def cleaned(
    sound: F32, rate: int, how: Cleaning, pauses: Sequence[tuple[float, float]] = ()
) -> F32:
    """A mono sound cleaned; as long as before, its words where they were. Breaths are looked for in `pauses` (seconds),
    and nowhere else."""
    if len(sound) < rate // 10:
        return sound
    out = sound.astype(np.float64)
    if how.hum:
        out = _without_hum(out, rate, how.hum)
    if how.noise:
        out = _without_noise(out, rate, how.noise)
    if how.plosives:
        out = _without_plosives(out, rate, how.plosives)
    if how.breaths:
        out = _without_breaths(out, rate, how.breaths, pauses)
    if how.level:
        out = _levelled(out, rate, how.level)
    return np.clip(out, -1, 1).astype(np.float32)


def _without_hum(sound: F64, rate: int, amount: float) -> F64:
    """Steady tones at the multiples of the mains' frequency, fitted where nobody speaks and taken out."""
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load
    from scipy.signal import butter, sosfiltfilt

    step = max(1, rate // SEEN_RATE)
    low: F64 = sosfiltfilt(butter(6, SEEN_RATE * 0.45, fs=rate, output="sos"), sound)[::step]
    seen = rate / step
    weight = 1 / (uniform_filter(low**2, int(0.05 * seen)) + 1e-7)
    likely = [(sum(abs(c) ** 2 for c in _tones(low, weight, seen, f)), f) for f in _SEARCHED]
    mains = max(likely)[1]
    at = np.arange(len(sound)) / rate
    out = sound.copy()
    for k, tone in enumerate(_tones(low, weight, seen, mains), 1):
        wave = 2 * np.real(tone * np.exp(2j * np.pi * mains * k * at))
        out -= amount * wave
    return out


def _tones(low: F64, weight: F64, rate: float, mains: float) -> list[complex]:
    """Half the amplitude, with its phase, of each multiple of a frequency; what is loud counts little."""
    turn = np.exp(-2j * np.pi * mains * np.arange(len(low)) / rate)
    kernel, total = np.ones_like(turn), float(weight.sum())
    out = []
    for _ in range(HARMONICS):
        kernel = kernel * turn
        out.append(complex(np.sum(weight * low * kernel) / total))
    return out


def _without_noise(sound: F64, rate: int, amount: float) -> F64:
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load
    from scipy.signal import istft, stft

    size = int(WINDOW * rate)
    _, _, spectrum = stft(sound, rate, nperseg=size, noverlap=size * 3 // 4)
    power = np.abs(spectrum) ** 2
    floor = np.percentile(uniform_filter(power, (3, 5)), QUIETEST, axis=1)[:, None] * BIAS
    wiener = np.maximum(0.0, 1 - OVER * floor / np.maximum(uniform_filter(power, (3, 3)), 1e-16))
    gain = np.maximum(0.0, uniform_filter(wiener, (3, 5))) ** 0.5
    least = 10 ** (-DEEPEST * amount / 20)
    _, out = istft(spectrum * np.maximum(least, gain), rate, nperseg=size, noverlap=size * 3 // 4)
    fitted: F64 = np.zeros_like(sound)
    fitted[: min(len(out), len(sound))] = out[: len(sound)]
    return fitted


def _without_plosives(sound: F64, rate: int, amount: float) -> F64:
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load
    from scipy.signal import butter, sosfiltfilt

    low: F64 = sosfiltfilt(butter(2, LOW, "low", fs=rate, output="sos"), sound)
    envelope = uniform_filter(np.abs(low), int(0.02 * rate))
    voiced = envelope[np.abs(sound) > LEAST]
    usual = float(np.quantile(voiced, 0.8)) if len(voiced) else 0.0
    over = np.maximum(1.0, envelope / max(usual * BURST, 1e-6))
    gain = uniform_filter(1 - amount * (1 - 1 / over), int(0.01 * rate))
    out: F64 = sound - low + low * gain
    return out


def _without_breaths(
    sound: F64, rate: int, amount: float, pauses: Sequence[tuple[float, float]]
) -> F64:
    """What is heard in pauses, softer than speech, is let down towards what is quiet there."""
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load

    block = rate // 100
    count = len(sound) // block
    rms = np.sqrt(np.mean(sound[: count * block].reshape(count, block) ** 2, axis=1)) + 1e-9
    spoken = float(np.quantile(rms, 0.9))
    gain = np.ones(count)
    for start, end in pauses:
        first, last = int(np.ceil((start + GUARD) * 100)), int((end - GUARD) * 100)
        first, last = max(0, first), min(count, last)
        here = rms[first:last]
        if len(here) * block < SHORTEST_BREATH * rate:
            continue
        quiet = float(np.quantile(here, 0.1))
        breath = (here > BREATH_OVER * quiet) & (here < BREATH_UNDER * spoken)
        edges = np.flatnonzero(np.diff(np.concatenate(([False], breath, [False])).astype(np.int8)))
        for a, b in zip(edges[::2], edges[1::2], strict=True):
            if (b - a) * block >= SHORTEST_BREATH * rate:
                lowered = np.maximum(10 ** (-BREATH_DEEPEST * amount / 20), quiet / here[a:b])
                gain[first + a : first + b] = lowered
    if gain.min() == 1.0:
        return sound
    # Let down before it is there, within the guard, so that its beginning is not heard.
    even = uniform_filter(gain, int(2 * FADE * 100) + 1)
    curve = np.interp(np.arange(len(sound)), (np.arange(count) + 0.5) * block, even)
    out: F64 = sound * curve
    return out


def _levelled(sound: F64, rate: int, amount: float) -> F64:
    """What is spoken is brought to its usual level slowly; pauses keep the level around them."""
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load

    block = int(STEPS * rate / 4)
    count = max(1, len(sound) // block)
    rms = np.sqrt(np.mean(sound[: count * block].reshape(count, block) ** 2, axis=1))
    loud = rms > max(1e-4, 0.15 * float(np.quantile(rms, 0.95)))
    if not loud.any():
        return sound
    at = np.flatnonzero(loud)
    level = 20 * np.log10(rms[at])
    near = np.interp(np.arange(count), at, uniform_filter(level, 7))
    move = np.clip(float(np.median(level)) - near, -REACH, REACH) * amount
    where = (np.arange(count) + 0.5) * block
    gain: F64 = 10 ** (np.interp(np.arange(len(sound)), where, uniform_filter(move, 3)) / 20)
    return sound * gain
