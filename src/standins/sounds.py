"""The sound maker: effects and ambiences synthesised from noise and tones, chosen by the words of a
prompt.

All sounds are stereo float32 at 48 kHz; the same prompt, length and seed give the same samples.
"""

import io
import re
from collections.abc import Callable

import numpy as np
import soundfile
from numpy.typing import NDArray
from scipy.signal import butter, sosfilt

RATE = 48_000
Samples = NDArray[np.float64]


def _band(noise: Samples, low: float, high: float) -> Samples:
    out: Samples = sosfilt(butter(2, [low, high], "bandpass", fs=RATE, output="sos"), noise)
    return out


def _slow(rng: np.random.Generator, n: int, per_second: float) -> Samples:
    """A random curve in 0 … 1 that turns about `per_second` times a second."""
    knots = max(4, int(n / RATE * per_second) + 3)
    return np.interp(np.linspace(0, knots - 1, n), np.arange(knots), rng.random(knots))


def _decay(n: int, seconds: float) -> Samples:
    return np.exp(-np.arange(n) / (seconds * RATE))


def _wind(rng: np.random.Generator, n: int) -> Samples:
    gust = _slow(rng, n, 0.45)
    noise = rng.standard_normal(n)
    return (
        _band(noise, 90, 420) * (0.3 + 1.1 * gust**2) + _band(noise, 500, 1300) * 0.5 * gust**3
    ) * 0.9


def _rain(rng: np.random.Generator, n: int) -> Samples:
    bed = _band(rng.standard_normal(n), 1200, 9000) * (0.7 + 0.3 * _slow(rng, n, 1.0))
    drops = np.zeros(n)
    for at in rng.integers(0, max(1, n - 2400), size=int(n / RATE * 26)):
        pitch = rng.uniform(900, 2600)
        t = np.arange(1800) / RATE
        drops[at : at + 1800] += (
            np.sin(2 * np.pi * pitch * t) * np.exp(-t * 130) * rng.uniform(0.05, 0.4)
        )[: n - at]
    return bed * 0.5 + drops


def _waves(rng: np.random.Generator, n: int) -> Samples:
    t = np.arange(n) / RATE
    swell = (0.5 - 0.5 * np.cos(2 * np.pi * t / 6.2 + rng.uniform(0, 6))) ** 2.4
    noise = rng.standard_normal(n)
    return (
        _band(noise, 120, 700) * (0.25 + swell)
        + _band(noise, 900, 5200) * 0.5 * np.roll(swell, RATE // 2) ** 1.6
    )


def _river(rng: np.random.Generator, n: int) -> Samples:
    noise = rng.standard_normal(n)
    return _band(noise, 300, 1100) * 0.6 + _band(noise, 1500, 4200) * 0.4 * (0.5 + _slow(rng, n, 9))


def _fire(rng: np.random.Generator, n: int) -> Samples:
    out = _band(rng.standard_normal(n), 60, 260) * 0.5 * (0.6 + 0.4 * _slow(rng, n, 3))
    for at in rng.integers(0, max(1, n - 3000), size=int(n / RATE * 11)):
        snap = (
            rng.standard_normal(1200)
            * _decay(1200, rng.uniform(0.001, 0.006))
            * rng.uniform(0.3, 1.6)
        )
        out[at : at + 1200] += snap[: n - at]
    return out


def _steps(rng: np.random.Generator, n: int) -> Samples:
    out = np.zeros(n)
    at, count = 0, 0
    while at < n - 9600 and count < 5:
        body = rng.standard_normal(9600)
        step = (
            _band(body, 70, 260) * _decay(9600, 0.045) * 2.2
            + _band(body, 900, 2600) * _decay(9600, 0.012) * 0.7
        )
        out[at : at + 9600] += step * rng.uniform(0.8, 1.0)
        at += int(RATE * rng.uniform(0.46, 0.56))
        count += 1
    return out


def _door(rng: np.random.Generator, n: int) -> Samples:
    out = np.zeros(n)
    m = min(n, int(RATE * 0.7))
    t = np.arange(m) / RATE
    creak = np.sign(np.sin(2 * np.pi * np.cumsum(90 + 60 * _slow(rng, m, 8)) / RATE)) * 0.2
    out[:m] += _band(creak, 400, 2200) * np.sin(np.pi * t / t[-1]) * 1.2
    if n > m:
        k = min(n - m, RATE // 2)
        thud = rng.standard_normal(k)
        out[m : m + k] += _band(thud, 50, 240) * _decay(k, 0.07) * 4 + _band(
            thud, 800, 2400
        ) * _decay(k, 0.02)
    return out


def _bell(rng: np.random.Generator, n: int) -> Samples:
    t = np.arange(n) / RATE
    base = rng.uniform(330, 470)
    # Partials of a church bell: hum, prime, tierce, quint, nominal (common practice of bell
    # founders).
    total: Samples = sum(
        (
            np.sin(2 * np.pi * base * ratio * t) * level * np.exp(-t * fall)
            for ratio, level, fall in (
                (0.5, 0.5, 0.7),
                (1.0, 0.9, 1.0),
                (1.2, 0.7, 1.3),
                (1.5, 0.4, 1.8),
                (2.0, 0.8, 2.0),
                (2.66, 0.3, 3.2),
            )
        ),
        start=np.zeros(n),
    )
    return total


def _crowd(rng: np.random.Generator, n: int) -> Samples:
    out = np.zeros(n)
    for _ in range(9):
        voice = _band(
            rng.standard_normal(n), *sorted((rng.uniform(180, 400), rng.uniform(600, 1800)))
        )
        out += voice * _slow(rng, n, rng.uniform(3, 6)) ** 2
    return out * 0.5


def _birds(rng: np.random.Generator, n: int) -> Samples:
    out = _band(rng.standard_normal(n), 1500, 5000) * 0.05 * (0.4 + _slow(rng, n, 0.5))
    for at in rng.integers(0, max(1, n - RATE // 2), size=max(1, int(n / RATE * 1.3))):
        base, notes = rng.uniform(2300, 4200), rng.integers(2, 6)
        for i in range(notes):
            m = int(RATE * rng.uniform(0.05, 0.09))
            s = at + int(i * RATE * 0.11)
            if s + m >= n:
                break
            t = np.arange(m) / RATE
            out[s : s + m] += (
                np.sin(2 * np.pi * (base * t + rng.uniform(-9000, 9000) * t * t))
                * np.sin(np.pi * t / t[-1])
                * rng.uniform(0.1, 0.35)
            )
    return out


def _bird_call(rng: np.random.Generator, n: int) -> Samples:
    m = min(n, int(RATE * 0.42))
    t = np.arange(m) / RATE
    rasp = np.sign(np.sin(2 * np.pi * (430 * t - 160 * t * t))) * (
        0.6 + 0.4 * np.sign(np.sin(2 * np.pi * 38 * t))
    )
    out = np.zeros(n)
    out[:m] = _band(rasp, 500, 3000) * np.sin(np.pi * np.minimum(1, t / t[-1])) ** 0.6
    return out


def _splash(rng: np.random.Generator, n: int) -> Samples:
    noise = rng.standard_normal(n)
    bubbles = np.zeros(n)
    for at in rng.integers(int(0.1 * RATE), max(int(0.1 * RATE) + 1, n - 4000), size=12):
        t = np.arange(3000) / RATE
        bubbles[at : at + 3000] += (
            np.sin(2 * np.pi * (rng.uniform(400, 900) * t + 2600 * t * t)) * np.exp(-t * 40) * 0.3
        )[: n - at]
    out: Samples = (
        _band(noise, 500, 4500) * _decay(n, 0.16) * (1 - np.exp(-np.arange(n) / 900)) * 1.6
        + bubbles
    )
    return out


def _crash(rng: np.random.Generator, n: int) -> Samples:
    out = np.zeros(n)
    for at, level in ((0.0, 1.0), (0.13, 0.7), (0.29, 0.8), (0.5, 0.4), (0.66, 0.25)):
        s = int(at * RATE)
        k = min(n - s, RATE // 3)
        if k <= 0:
            break
        knock = rng.standard_normal(k)
        ring = np.sin(2 * np.pi * rng.uniform(180, 420) * np.arange(k) / RATE) * _decay(k, 0.05)
        out[s : s + k] += (_band(knock, 200, 1800) * _decay(k, 0.035) * 2 + ring * 0.7) * level
    return out


def _thunder(rng: np.random.Generator, n: int) -> Samples:
    return _band(rng.standard_normal(n), 30, 160) * _decay(n, 1.2) * (0.4 + _slow(rng, n, 6)) * 4


def _match(rng: np.random.Generator, n: int) -> Samples:
    noise = rng.standard_normal(n)
    return _band(noise, 2500, 9000) * (_decay(n, 0.06) * 1.4 + 0.2 * _decay(n, 0.5))


def _room(rng: np.random.Generator, n: int) -> Samples:
    return _band(rng.standard_normal(n), 60, 300) * 0.2


# fmt: off
_SOUNDS: tuple[tuple[str, Callable[[np.random.Generator, int], Samples]], ...] = (
    (r"thunder|lightning", _thunder), (r"splash|oar", _splash), (r"crash|clatter|falls", _crash),
    (r"match|struck|strikes", _match), (r"bird calls|heron|crow|gull", _bird_call),
    (r"footsteps|steps|paces|walk", _steps), (r"door|gate|hatch|creak", _door), (r"bell|chime",
    _bell),
    (r"rain", _rain), (r"wind|gust|breeze", _wind), (r"wave|sea|surf|shore|lapping", _waves),
    (r"river|stream|brook", _river), (r"fire|hearth|crackl", _fire),
    (r"crowd|murmur|market|voices", _crowd), (r"birds|leaves|forest|garden", _birds),
)
# fmt: on
KNOWN = tuple(pattern for pattern, _ in _SOUNDS)


def make_sound(prompt: str, seconds: float, seed: int) -> tuple[bytes, list[str]]:
    """FLAC bytes (stereo, 48 kHz) of what `prompt` names, and the words that meant nothing."""
    n = round(seconds * RATE)
    chosen = [make for pattern, make in _SOUNDS if re.search(pattern, prompt.lower())] or [_room]
    sides = []
    for side in range(2):
        total = np.zeros(n)
        for i, make in enumerate(chosen):
            total += (
                make(np.random.default_rng([seed, i]), n) * 0.8
                + make(np.random.default_rng([seed, i, side + 1]), n) * 0.35
            )
        sides.append(total)
    audio = np.stack(sides, axis=1)
    edge = min(n // 4, RATE // 50)
    ramp = np.linspace(0, 1, edge)[:, None]
    audio[:edge] *= ramp
    audio[-edge:] *= ramp[::-1]
    audio *= 0.5 / max(1e-6, float(np.abs(audio).max()))
    out = io.BytesIO()
    soundfile.write(out, audio.astype(np.float32), RATE, format="FLAC", subtype="PCM_16")
    words = re.findall(r"[a-z]+", prompt.lower())
    return out.getvalue(), [
        w for w in dict.fromkeys(words) if len(w) > 3 and not any(re.search(p, w) for p in KNOWN)
    ]
