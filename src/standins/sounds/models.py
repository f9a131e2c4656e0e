"""How things sound: a few models (air, water, fire, impact, ring, friction, steps, call, engine, crowd) from which
every sound of the sound maker is made.

All are mono float64 at 48 kHz, of `n` samples, from a generator of random numbers: the same generator gives the same
samples. Levels are about 1 at their loudest; the maker brings all to one level.
"""

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray
from scipy.signal import butter, sosfilt

RATE = 48_000
Samples = NDArray[np.float64]
Rng = np.random.Generator
Sound = Callable[[Rng, int], Samples]
"""What makes a sound of so many samples from random numbers."""


def band(noise: Samples, low: float, high: float) -> Samples:
    """What of a sound lies between two frequencies."""
    out: Samples = sosfilt(butter(2, [low, high], "bandpass", fs=RATE, output="sos"), noise)
    return out


def slow(rng: Rng, n: int, per_second: float) -> Samples:
    """A random curve in 0 … 1 that turns about `per_second` times a second."""
    knots = max(4, int(n / RATE * per_second) + 3)
    return np.interp(np.linspace(0, knots - 1, n), np.arange(knots), rng.random(knots))


def decay(n: int, seconds: float) -> Samples:
    """From 1 towards 0, to a third in so many seconds."""
    return np.exp(-np.arange(n) / (seconds * RATE))


def put(out: Samples, at: int, sound: Samples) -> None:
    """Lay a sound into another; what does not fit is left out."""
    if at < len(out):
        fits = sound[: len(out) - at]
        out[at : at + len(fits)] += fits


def noise_bed(rng: Rng, n: int, *bands: tuple[float, float, float, float]) -> Samples:
    """Air and water as a whole: bands of noise as (low, high, level, swells a second; 0: steady)."""
    out = np.zeros(n)
    for low, high, level, swells in bands:
        swell = 0.35 + 0.65 * slow(rng, n, swells) ** 1.5 if swells else 1.0
        out += band(rng.standard_normal(n), low, high) * level * swell
    return out


def waves(rng: Rng, n: int, every: float = 6.2, height: float = 1.0) -> Samples:
    """Waves that run up a shore and draw back, one in so many seconds."""
    t = np.arange(n) / RATE
    drift = np.cumsum(0.8 + 0.4 * slow(rng, n, 0.3)) / RATE
    swell = (0.5 - 0.5 * np.cos(2 * np.pi * drift / every + rng.uniform(0, 6))) ** 2.4
    noise = rng.standard_normal(n)
    back = np.interp(t - 0.5, t, swell)
    return (
        band(noise, 120, 700) * (0.2 + swell) * height
        + band(noise, 900, 5200) * 0.5 * back**1.6 * height
    )


def drops(
    rng: Rng, n: int, per_second: float, low: float, high: float, level: float = 0.4
) -> Samples:
    """Drops and bubbles: short tones that rise (Minnaert's bubbles), scattered."""
    out = np.zeros(n)
    t = np.arange(2400) / RATE
    for at in rng.integers(0, max(1, n), size=max(1, int(n / RATE * per_second))):
        pitch = rng.uniform(low, high)
        tone = np.sin(2 * np.pi * (pitch * t + rng.uniform(0, 2200) * t * t)) * np.exp(-t * 90)
        put(out, int(at), tone * rng.uniform(0.15, 1.0) * level)
    return out


def crackle(rng: Rng, n: int, per_second: float, level: float = 1.0) -> Samples:
    """Snaps of a fire, or of frost."""
    out = np.zeros(n)
    for at in rng.integers(0, max(1, n), size=max(1, int(n / RATE * per_second))):
        snap = rng.standard_normal(1200) * decay(1200, rng.uniform(0.001, 0.006))
        put(out, int(at), snap * rng.uniform(0.2, 1.0) * level)
    return out


def impact(
    rng: Rng, n: int, low: float, high: float, ring: float, body: float = 0.05, click: float = 0.5
) -> Samples:
    """Something that strikes something: a thump of its body (band `low` to `high`, `body` seconds), a click, and what
    rings on (`ring` hertz, 0 for nothing)."""
    noise = rng.standard_normal(n)
    out = band(noise, low, high) * decay(n, body) * 2
    out += band(noise, 1200, 5000) * decay(n, 0.008) * click
    if ring:
        for part in (1.0, 1.59, 2.83):
            tone = np.sin(2 * np.pi * ring * part * rng.uniform(0.97, 1.03) * np.arange(n) / RATE)
            out += tone * decay(n, body * 1.5 / part) * 0.5 / part
    return out


def several(
    rng: Rng, n: int, times: Sequence[float], one: Sound, spread: float = 0.15, at: float = 0.0
) -> Samples:
    """The same sound several times, at moments in seconds, no two quite alike."""
    out = np.zeros(n)
    for moment in times:
        begin = int((at + moment) * RATE)
        if begin < n:
            put(out, begin, one(rng, min(n - begin, RATE)) * rng.uniform(1 - 2 * spread, 1))
    return out


def bell(rng: Rng, n: int, pitch: float, rings: float = 1.0) -> Samples:
    """A bell: hum, prime, tierce, quint, nominal and above (common practice of bell founders)."""
    t = np.arange(n) / RATE
    out = np.zeros(n)
    for ratio, level, fall in (
        (0.5, 0.5, 0.7),
        (1.0, 0.9, 1.0),
        (1.2, 0.7, 1.3),
        (1.5, 0.4, 1.8),
        (2.0, 0.8, 2.0),
        (2.66, 0.3, 3.2),
        (4.1, 0.15, 5.0),
    ):
        out += np.sin(2 * np.pi * pitch * ratio * t) * level * np.exp(-t * fall / rings)
    put(out, 0, band(rng.standard_normal(2400), 1500, 6000) * decay(2400, 0.01) * 0.4)
    return out


def glass(rng: Rng, n: int, pieces: int = 26, low: float = 2200) -> Samples:
    """Glass that breaks, or rings: many small high bells."""
    out = band(rng.standard_normal(n), 2500, 12000) * decay(n, 0.03) * (1.2 if pieces > 4 else 0.2)
    for _ in range(pieces):
        at = int(abs(rng.normal(0, 0.18 if pieces > 4 else 0.02)) * RATE)
        m = int(rng.uniform(0.05, 0.5) * RATE)
        t = np.arange(m) / RATE
        tone = np.sin(2 * np.pi * rng.uniform(low, low * 3.4) * t) * np.exp(-t * rng.uniform(9, 40))
        put(out, at, tone * rng.uniform(0.1, 0.5))
    return out


def creak(rng: Rng, n: int, seconds: float, low: float = 70, high: float = 160) -> Samples:
    """Friction that sticks and slips: a door, a board, a rope."""
    m = min(n, int(seconds * RATE))
    pitch = low + (high - low) * slow(rng, m, 7)
    pulse = (np.cumsum(pitch) / RATE) % 1.0
    grain = np.where(np.diff(pulse, prepend=0.0) < 0, rng.uniform(0.4, 1.0, m), 0.0)
    out = np.zeros(n)
    out[:m] = band(np.convolve(grain, decay(600, 0.002))[:m], 350, 2600) * np.sin(
        np.linspace(0, np.pi, m)
    )
    return out * 3


def scrape(
    rng: Rng, n: int, seconds: float, low: float, high: float, strokes: float = 1.0
) -> Samples:
    """Something drawn over something else: a broom, a pen, a saw, paper."""
    m = min(n, int(seconds * RATE))
    t = np.arange(m) / RATE
    stroke = np.abs(np.sin(np.pi * strokes * t)) ** 0.7 * (0.5 + 0.5 * slow(rng, m, 18))
    out = np.zeros(n)
    out[:m] = band(rng.standard_normal(m), low, high) * stroke
    return out


def steps(
    rng: Rng, n: int, ground: tuple[float, float, float, float], every: float = 0.52, count: int = 5
) -> Samples:
    """Footsteps on a ground: its thump (low, high in hertz), how much it crunches, and how high that is (hertz)."""
    low, high, crunch, above = ground
    out = np.zeros(n)
    at = 0.0
    for turn in range(count):
        m = 12_000
        body = rng.standard_normal(m)
        step = band(body, low, high) * decay(m, 0.045) * 2
        step += band(body, 900, 2600) * decay(m, 0.012) * 0.5
        if crunch:
            grains = np.repeat(rng.random(m // 60 + 1), 60)[:m] ** 3
            step += band(body, above * 0.6, above * 2) * grains * decay(m, 0.07) * crunch * 3
        put(out, int(at * RATE), step * rng.uniform(0.75, 1.0) * (0.9 if turn % 2 else 1.0))
        at += every * rng.uniform(0.93, 1.07)
    return out


def call(
    rng: Rng,
    n: int,
    notes: Sequence[tuple[float, float, float, float]],
    rough: float = 0.0,
    tone: float = 0.6,
) -> Samples:
    """An animal's call: notes as (at, seconds, hertz at its start, hertz at its end); `rough` (0 … 1) as a crow, `tone`
    how much its overtones are heard."""
    out = np.zeros(n)
    for at, seconds, first, last in notes:
        m = int(seconds * RATE)
        pitch = np.linspace(first, last, m) * rng.uniform(0.97, 1.03)
        phase = 2 * np.pi * np.cumsum(pitch) / RATE
        sound = sum(
            (np.sin(k * phase) * tone ** (k - 1) for k in range(1, 9) if k * first < RATE / 3),
            start=np.zeros(m),
        )
        if rough:
            flutter = 0.5 + 0.5 * np.sign(np.sin(2 * np.pi * 37 * np.arange(m) / RATE))
            sound = (
                sound * (1 - rough * flutter)
                + band(rng.standard_normal(m), 400, 3500) * rough * 0.5
            )
        put(out, int(at * RATE), sound * np.sin(np.linspace(0, np.pi, m)) ** 0.6)
    return out


def engine(rng: Rng, n: int, fires: float, rough: float, whine: float = 0.0) -> Samples:
    """A motor: so many bangs a second through a pipe, uneven by `rough`, and a tone of its wheels."""
    pitch = fires * (1 + rough * 0.15 * (slow(rng, n, 3) - 0.5))
    phase = np.cumsum(pitch) / RATE
    bang = np.exp(-((phase % 1.0) * 9)) * (1 - rough * slow(rng, n, fires * 0.7))
    out = (
        band(bang - bang.mean(), 40, 900) * 2 + band(rng.standard_normal(n), 200, 1500) * bang * 0.3
    )
    if whine:
        out += np.sin(2 * np.pi * np.cumsum(np.full(n, whine)) / RATE) * 0.12
    return out


def crowd(rng: Rng, n: int, voices: int, low: float = 180, high: float = 1800) -> Samples:
    """Many people who speak at once; no word is heard."""
    out = np.zeros(n)
    for _ in range(voices):
        edges = sorted((rng.uniform(low, low * 2.2), rng.uniform(high / 3, high)))
        out += band(rng.standard_normal(n), *edges) * slow(rng, n, rng.uniform(3, 6)) ** 2
    return out * 0.5
