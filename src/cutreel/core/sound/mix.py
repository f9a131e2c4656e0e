"""The mix: every sound laid in its place, music and effects ducked under the voice, brought to a
set loudness.

Levels are in LUFS of each part before ducking. The limiter looks ahead and works on the four times
oversampled peak, so true peaks stay under the ceiling.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
import soxr
from numpy.typing import NDArray

from .loudness import SILENCE, integrated_lufs, true_peak_dbtp

RATE = 48_000
Role = Literal["voice", "spot", "ambience", "music"]
LEVELS: dict[Role, float] = {"voice": -18.0, "spot": -27.0, "ambience": -40.0, "music": -27.0}
DUCK_DB: dict[Role, float] = {"voice": 0.0, "spot": -6.0, "ambience": -12.0, "music": -13.0}
AIM_LUFS, CEILING_DBTP = -14.0, -1.6
"""The ceiling leaves 0.6 dB for what the AAC encoder adds, so that the delivered file stays under
-1 dBTP."""


@dataclass(frozen=True)
class MixedPart:
    """One sound to lay in: float32 samples at 48 kHz of shape (samples,) or (samples, 2), from
    `start` seconds.

    `loop_to` repeats the sound, cross-faded, until that many seconds; fades are in seconds;
    `trim_db` is the maker's.
    """

    role: Role
    start: float
    samples: NDArray[np.float32]
    loop_to: float | None = None
    fade_in: float = 0.0
    fade_out: float = 0.0
    trim_db: float = 0.0


def mix(
    parts: Sequence[MixedPart],
    seconds: float,
    aim: float = AIM_LUFS,
    progress: Callable[[float], None] = lambda share: None,
) -> NDArray[np.float32]:
    """The finished sound of a film of `seconds`: float32 of shape (samples, 2) at 48 kHz, at `aim`
    LUFS."""
    length = round(seconds * RATE)
    buses: dict[Role, NDArray[np.float32]] = {}
    for i, part in enumerate(parts):
        bus = buses.setdefault(part.role, np.zeros((length, 2), np.float32))
        _lay(bus, part)
        progress(0.4 * (i + 1) / len(parts))
    voice = buses.get("voice")
    activity = _activity(voice, length) if voice is not None else np.zeros(length, np.float32)
    total = np.zeros((length, 2), np.float32)
    for role, bus in buses.items():
        duck = 10 ** (activity * (DUCK_DB[role] / 20))
        total += bus * duck[:, None].astype(np.float32)
    progress(0.6)
    return _to_loudness(total, aim)


def _lay(bus: NDArray[np.float32], part: MixedPart) -> None:
    samples = (
        part.samples if part.samples.ndim == 2 else np.repeat(part.samples[:, None], 2, axis=1)
    )
    if part.loop_to is not None:
        samples = _looped(samples, max(1, round((part.loop_to - part.start) * RATE)))
    level = integrated_lufs(samples, RATE)
    if level <= SILENCE:
        level = 20 * np.log10(max(1e-6, float(np.sqrt(np.mean(samples.astype(np.float64) ** 2)))))
    gain = 10 ** ((LEVELS[part.role] - level + part.trim_db) / 20) if level > -90 else 0.0
    if part.role == "spot":
        gain = min(gain, 0.35 / max(1e-6, float(np.abs(samples).max())))
    samples = samples * np.float32(gain)
    for seconds, edge in ((part.fade_in, slice(None)), (part.fade_out, slice(None, None, -1))):
        n = min(len(samples), round(seconds * RATE))
        if n:
            samples[edge][:n] *= (
                np.sin(np.linspace(0, np.pi / 2, n, dtype=np.float32))[:, None] ** 2
            )
    at = round(part.start * RATE)
    begin, end = max(0, at), min(len(bus), at + len(samples))
    if end > begin:
        bus[begin:end] += samples[begin - at : end - at]


def _looped(samples: NDArray[np.float32], length: int) -> NDArray[np.float32]:
    """`samples` repeated to `length`, each seam cross-faded at equal power over half a second."""
    if len(samples) >= length:
        return samples[:length].copy()
    fade = min(RATE // 2, len(samples) // 4)
    up = np.sin(np.linspace(0, np.pi / 2, fade, dtype=np.float32))[:, None]
    out = np.zeros((length + len(samples), 2), np.float32)
    out[: len(samples)] = samples
    at = len(samples) - fade
    while at < length:
        out[at : at + fade] = out[at : at + fade] * up[::-1] + samples[:fade] * up
        out[at + fade : at + len(samples)] = samples[fade:]
        at += len(samples) - fade
    cut: NDArray[np.float32] = out[:length]
    return cut


def _activity(voice: NDArray[np.float32], length: int) -> NDArray[np.float32]:
    """How much the voice speaks, 0 … 1 per sample: opened 120 ms before it, held and let go slowly
    after."""
    from scipy.ndimage import (
        uniform_filter1d,
    )  # here, since it takes a second to load and only mixing needs it

    block = RATE // 100
    count = -(-length // block)
    padded = np.zeros(count * block, np.float32)
    padded[:length] = voice.mean(axis=1)
    rms = np.sqrt(np.mean(padded.reshape(count, block).astype(np.float64) ** 2, axis=1))
    speaking = (rms > 10 ** (-42 / 20)).astype(np.float64)
    speaking = np.convolve(speaking, np.ones(60), "full")[12 : 12 + count].clip(0, 1)
    smooth = uniform_filter1d(uniform_filter1d(speaking, 25), 25)
    grid = np.arange(count) * block
    out: NDArray[np.float32] = np.interp(np.arange(length), grid, smooth).astype(np.float32)
    return out


def _to_loudness(audio: NDArray[np.float32], aim: float) -> NDArray[np.float32]:
    """Bring a mix to `aim` LUFS under the ceiling: gain and limiter are tried until the measured
    loudness fits."""
    measured = integrated_lufs(audio, RATE)
    if measured <= SILENCE:
        return audio
    peaks = peak_envelope(audio)
    gain_db = aim - measured
    out = audio
    for _ in range(5):
        out = limit(audio, 10 ** (gain_db / 20), peaks)
        error = aim - integrated_lufs(out, RATE)
        if abs(error) < 0.05:
            break
        gain_db += error
    over = true_peak_dbtp(out) - CEILING_DBTP
    return out * np.float32(10 ** (-over / 20)) if over > 0.05 else out


def peak_envelope(audio: NDArray[np.float32]) -> NDArray[np.float64]:
    """The true peak around each sample, over all channels, by four times oversampling. Shape
    (samples,)."""
    peaks = np.zeros(len(audio))
    for channel in range(audio.shape[1]):
        fine = np.abs(soxr.resample(audio[:, channel], RATE, 4 * RATE, quality="MQ"))
        fine = np.pad(fine, (0, max(0, 4 * len(audio) - len(fine))))[: 4 * len(audio)]
        np.maximum(peaks, fine.reshape(-1, 4).max(axis=1), out=peaks)
    return peaks


def limit(
    audio: NDArray[np.float32], gain: float, peaks: NDArray[np.float64]
) -> NDArray[np.float32]:
    """`audio` times `gain` with its true peaks held under the ceiling, with a 5 ms look-ahead.

    `peaks` is the peak envelope of `audio`; peaks scale with gain, so it is measured only once.
    """
    from scipy.ndimage import minimum_filter1d, uniform_filter1d  # see _activity

    ceiling = 10 ** (CEILING_DBTP / 20)
    needed = np.minimum(1.0, ceiling / np.maximum(peaks * gain, 1e-9))
    if needed.min() >= 1.0:
        return audio * np.float32(gain)
    window = RATE // 200
    held = uniform_filter1d(minimum_filter1d(needed, 2 * window + 1), window)
    out: NDArray[np.float32] = audio * (gain * np.minimum(held, 1.0)).astype(np.float32)[:, None]
    return out
