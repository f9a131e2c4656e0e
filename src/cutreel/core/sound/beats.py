"""Tempo, beats and bars of a piece of music, and how it sounds from beat to beat.

Onsets are rises of energy in bands (Bello and others, 2005); the tempo is where they repeat most, near what people tap
to; beats are the way through the onsets that keeps that tempo best (Ellis, "Beat Tracking by Dynamic Programming",
2007). A bar is taken for four beats, and begins where the bass comes in and harmony changes.
"""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import soxr
from numpy.typing import NDArray

from .lanes import RATE, Sound, mono

LOW_RATE, HOP, WINDOW = 24_000, 240, 2048
"""Hertz at which it is listened to; samples between two looks (a hundredth of a second), and in each."""
FPS = LOW_RATE // HOP
AT_ONCE = 2_000
TAPPED, WIDTH = 100.0, 0.9
"""Beats a minute that people tap to, and by how many octaves they differ (a normal distribution)."""
SLOWEST, FASTEST = 45.0, 210.0
TIGHT = 100.0
"""How much a beat costs that is off its tempo, against how much an onset is worth."""
IN_BAR = 4
F32 = NDArray[np.float32]
F64 = NDArray[np.float64]


@dataclass(frozen=True)
class Beats:
    """Beats of a piece: their times in seconds, its tempo in beats a minute, which of the beats begin bars (indices),
    and of each beat how it sounds until the next, shape (beats, features)."""

    times: F64
    tempo: float
    bars: NDArray[np.intp]
    sound: F64


def beats_of(piece: Sound) -> Beats:
    """The beats of a stereo piece at 48 kHz of at least a few seconds; of what has no onset, none."""
    looks = _looked_at(piece)
    onsets = _onsets(looks)
    if not onsets.any():
        return Beats(np.zeros(0), 0.0, np.zeros(0, np.intp), np.zeros((0, _bands().shape[1] + 12)))
    period = _period(onsets)
    at = _tracked(onsets, period)
    sound = _between(looks, at)
    bars = np.arange(_first_bar(looks, sound, at), len(at), IN_BAR)
    times = at / FPS
    tempo = 60 / float(np.median(np.diff(times))) if len(at) > 1 else 60 * FPS / period
    return Beats(times, tempo, bars, sound)


@dataclass(frozen=True)
class _Looks:
    """What is seen of a piece a hundred times a second: energy in bands (log), and in the twelve tones."""

    bands: F32
    tones: F32


def _looked_at(piece: Sound) -> _Looks:
    low = soxr.resample(mono(piece), RATE, LOW_RATE).astype(np.float32)
    padded = np.pad(low, (WINDOW // 2, WINDOW))
    count = len(low) // HOP + 1
    window = np.hanning(WINDOW).astype(np.float32)
    bands, tones = [], []
    for first in range(0, count, AT_ONCE):
        starts = np.arange(first, min(count, first + AT_ONCE)) * HOP
        frames = padded[starts[:, None] + np.arange(WINDOW)] * window
        power = np.abs(np.fft.rfft(frames, axis=1)).astype(np.float32) ** 2
        bands.append(np.log1p(power @ _bands() * 10))
        tones.append(power @ _tones())
    return _Looks(np.concatenate(bands), np.concatenate(tones))


@lru_cache(maxsize=1)
def _bands() -> F32:
    """Thirty bands from 40 hertz to 10 kHz, as wide as each other in tones; shape (bins, bands)."""
    edges = np.geomspace(40, 10_000, 32)
    hertz = np.fft.rfftfreq(WINDOW, 1 / LOW_RATE)
    up = (hertz[:, None] - edges[None, :-2]) / np.diff(edges)[None, :-1]
    down = (edges[None, 2:] - hertz[:, None]) / np.diff(edges)[None, 1:]
    return np.clip(np.minimum(up, down), 0, None).astype(np.float32)


@lru_cache(maxsize=1)
def _tones() -> F32:
    """Which of the twelve tones a bin between 100 and 3,000 hertz belongs to; shape (bins, 12)."""
    hertz = np.fft.rfftfreq(WINDOW, 1 / LOW_RATE)
    out = np.zeros((len(hertz), 12), np.float32)
    heard = (hertz > 100) & (hertz < 3000)
    tone = np.rint(12 * np.log2(np.maximum(hertz, 1) / 440)).astype(int) % 12
    out[np.flatnonzero(heard), tone[heard]] = 1
    return out


def _onsets(looks: _Looks) -> F64:
    """How much begins in each look: rises in all bands, less what is usual around, in standard deviations."""
    from scipy.ndimage import gaussian_filter1d, uniform_filter1d  # here: it takes a second to load

    rise = np.maximum(0, np.diff(looks.bands, axis=0, prepend=looks.bands[:1])).sum(axis=1)
    level = gaussian_filter1d(rise.astype(np.float64), 1.5)
    over: F64 = np.maximum(0, level - uniform_filter1d(level, FPS))
    spread = float(over.std())
    return over / spread if spread > 1e-6 else np.zeros_like(over)


def _period(onsets: F64) -> float:
    """Looks from one beat to the next: where onsets repeat most, near what people tap to."""
    size = 1 << (2 * len(onsets) - 1).bit_length()
    spectrum = np.fft.rfft(onsets, size)
    alike = np.fft.irfft(np.abs(spectrum) ** 2)[: 4 * FPS]
    lags = np.arange(1, len(alike))
    tempo = 60 * FPS / lags
    near = np.exp(-0.5 * (np.log2(tempo / TAPPED) / WIDTH) ** 2)
    # What repeats with the beat repeats with two and with four of them, too.
    score = alike[1:].copy()
    for times in (2, 4):
        reach = lags * times < len(alike)
        score[reach] += alike[(lags * times)[reach]]
    score = score * near * ((tempo > SLOWEST) & (tempo < FASTEST))
    best = int(np.argmax(score))
    if 0 < best < len(score) - 1:
        a, b, c = score[best - 1 : best + 2]
        bend = a - 2 * b + c
        return float(lags[best] + (0.5 * (a - c) / bend if bend < 0 else 0.0))
    return float(lags[best])


def _tracked(onsets: F64, period: float) -> NDArray[np.intp]:
    """The looks that beats fall on."""
    steps = np.arange(round(period / 2), round(period * 2) + 1)
    cost = TIGHT * np.log(steps / period) ** 2
    score, before = onsets.copy(), np.full(len(onsets), -1)
    for at in range(len(onsets)):
        reach = steps <= at
        if reach.any():
            came = score[at - steps[reach]] - cost[reach]
            best = int(np.argmax(came))
            if came[best] > 0:
                score[at] += came[best]
                before[at] = at - steps[best]
    tail = max(0, len(score) - round(period * 1.5))
    at = tail + int(np.argmax(score[tail:]))
    out = []
    while at >= 0:
        out.append(at)
        at = int(before[at])
    return np.array(out[::-1], np.intp)


def _between(looks: _Looks, at: NDArray[np.intp]) -> F64:
    """How it sounds from each beat to the next: bands and tones, each weighing as much as the other."""
    ends = np.append(at[1:], len(looks.bands))
    rows = []
    for first, end in zip(at, ends, strict=True):
        here = slice(first, max(first + 1, end))
        tones = looks.tones[here].mean(axis=0)
        rows.append(
            np.concatenate(
                [
                    looks.bands[here].mean(axis=0),
                    10 * tones / max(1e-9, float(np.linalg.norm(tones))),
                ]
            )
        )
    return np.array(rows, np.float64).reshape(len(at), -1)


def _first_bar(looks: _Looks, sound: F64, at: NDArray[np.intp]) -> int:
    """Which of the first beats begins a bar."""
    if len(at) < 2 * IN_BAR:
        return 0
    bass = looks.bands[:, :6].sum(axis=1)
    comes = np.array([bass[i : i + 8].max() - bass[max(0, i - 8) : i + 1].min() for i in at])
    turns = np.linalg.norm(np.diff(sound[:, -12:], axis=0, prepend=sound[:1, -12:]), axis=1)
    weight = comes / max(1e-9, comes.std()) + turns / max(1e-9, turns.std())
    return int(np.argmax([weight[first::IN_BAR].mean() for first in range(IN_BAR)]))
