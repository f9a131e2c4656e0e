"""Recordings cleaned: known noise, hum, plosives and swells laid over a known sound, and how much of them is left.

Signal to noise is measured against the sound before anything was laid over it; loudness by pyloudnorm.
"""

import numpy as np
import pyloudnorm
import pytest

from cutreel.core.sound import RATE, Cleaning, cleaned, line_gain, line_lufs

pytestmark = pytest.mark.thorough

SECONDS = 6.0
AT = np.arange(round(SECONDS * RATE)) / RATE


def voice() -> np.ndarray:
    """Syllables of a gliding voice with overtones, four a second, and pauses between phrases."""
    pitch = 110 + 25 * np.sin(2 * np.pi * 0.7 * AT)
    phase = 2 * np.pi * np.cumsum(pitch) / RATE
    tone = sum(np.sin(k * phase) / k for k in range(1, 24))
    syllables = np.clip(np.sin(2 * np.pi * 2 * AT), 0, 1) ** 0.5
    phrases = (AT % 2.0) < 1.5
    return (0.15 * tone * syllables * phrases).astype(np.float32)


def snr(sound: np.ndarray, true: np.ndarray) -> float:
    return float(10 * np.log10(np.sum(true**2) / max(1e-30, np.sum((sound - true) ** 2))))


NOISE = np.random.default_rng(2).normal(0, 0.012, len(AT)).astype(np.float32)
HUM = sum(a * np.sin(2 * np.pi * 49.9 * k * AT + k) for k, a in ((1, 0.03), (2, 0.01), (3, 0.02)))


def test_what_is_clean_stays() -> None:
    true = voice()
    assert np.array_equal(cleaned(true, RATE, Cleaning()), true)
    assert snr(cleaned(true, RATE, Cleaning(noise=1, hum=1)), true) > 20
    assert snr(cleaned(true, RATE, Cleaning(plosives=1)), true) > 25


@pytest.mark.parametrize("amount", [0.35, 0.65, 1.0])
def test_steady_noise_goes_by_its_amount(amount) -> None:
    true = voice()
    noisy = true + NOISE
    better = snr(cleaned(noisy, RATE, Cleaning(noise=amount)), true) - snr(noisy, true)
    assert better > 6 * amount
    pause = slice(round(1.6 * RATE), round(1.9 * RATE))
    left = cleaned(noisy, RATE, Cleaning(noise=amount))[pause]
    assert 20 * np.log10(left.std() / noisy[pause].std()) < -14 * amount


def test_hum_goes_and_a_voice_at_its_pitch_stays() -> None:
    true = voice()
    humming = (true + HUM).astype(np.float32)
    assert snr(cleaned(humming, RATE, Cleaning(hum=1)), true) > snr(humming, true) + 20
    half = cleaned(humming, RATE, Cleaning(hum=0.5))
    assert snr(half, true) == pytest.approx(snr(humming, true) + 6, abs=0.6)


def test_a_plosive_thumps_less_and_nothing_else_moves() -> None:
    true = voice()
    thump = np.zeros_like(true)
    burst = np.exp(-((AT - 3.3) ** 2) / (2 * 0.02**2)) * np.sin(2 * np.pi * 45 * AT)
    thump += (0.6 * burst).astype(np.float32)
    out = cleaned(true + thump, RATE, Cleaning(plosives=1))
    around = slice(round(3.2 * RATE), round(3.4 * RATE))
    assert np.abs(out - true)[around].max() < 0.55 * np.abs(thump).max()
    assert snr(out[: RATE * 2], true[: RATE * 2]) > 30


def test_an_uneven_level_is_evened_and_pauses_do_not_come_up() -> None:
    swell = (10 ** (np.sin(2 * np.pi * AT / SECONDS) * 8 / 20)).astype(np.float32)
    uneven = voice() * swell + NOISE * 0.05
    out = cleaned(uneven, RATE, Cleaning(level=1))

    def spread(sound: np.ndarray) -> float:
        parts = [sound[round(t * RATE) : round((t + 1.4) * RATE)] for t in (0, 2, 4)]
        levels = [20 * np.log10(p.std()) for p in parts]
        return max(levels) - min(levels)

    assert spread(out) < 0.6 * spread(uneven)
    pause = slice(round(1.6 * RATE), round(1.9 * RATE))
    assert np.abs(out[pause]).max() < 0.03


def test_lines_come_to_one_loudness() -> None:
    meter = pyloudnorm.Meter(RATE)
    for level in (1.0, 2.0, 4.0):
        line = (voice() * level)[:, None]
        lufs = line_lufs(line)
        assert lufs == pytest.approx(meter.integrated_loudness(np.repeat(line, 2, 1)), abs=0.1)
        moved = line * 10 ** (line_gain(lufs) / 20)
        assert meter.integrated_loudness(np.repeat(moved, 2, 1)) == pytest.approx(-16, abs=0.1)
    assert line_lufs(np.zeros((RATE, 1), np.float32)) is None and line_gain(None) == 0
    assert line_gain(-40) == 10 and line_gain(-2) == -10


def test_what_is_too_short_is_left() -> None:
    tiny = np.ones(100, np.float32) * 0.1
    assert np.array_equal(cleaned(tiny, RATE, Cleaning(1, 1, 1, 1)), tiny)


PAUSES = [(n * 2 + 1.5, n * 2 + 2.0) for n in range(3)]


def breathing(level: float = 0.012) -> np.ndarray:
    """The voice with a breath of 0.25 s in the middle of each pause, over a quiet room."""
    rng = np.random.default_rng(5)
    sound = voice() + rng.normal(0, 2e-4, len(AT)).astype(np.float32)
    for start, end in PAUSES:
        a, n = round((start + end - 0.25) / 2 * RATE), round(0.25 * RATE)
        swell = np.sin(np.linspace(0, np.pi, n)) ** 2
        sound[a : a + n] += (rng.normal(0, level, n) * swell).astype(np.float32)
    return sound


@pytest.mark.parametrize(
    ("amount", "least", "most"), [(0.35, 6, 12), (0.65, 12, 20), (1.0, 18, 30)]
)
def test_breaths_are_lowered_by_their_amount_and_no_word_is_touched(amount, least, most) -> None:
    sound = breathing()
    less = cleaned(sound, RATE, Cleaning(breaths=amount), PAUSES)
    spoken = np.ones(len(AT), bool)
    for start, end in PAUSES:
        middle = slice(round((start + 0.2) * RATE), round((end - 0.2) * RATE))
        assert least < 20 * np.log10(sound[middle].std() / less[middle].std()) < most
        spoken[round(start * RATE) : round(end * RATE)] = False
    assert np.array_equal(less[spoken], sound[spoken])


def test_what_is_no_breath_stays() -> None:
    quiet = breathing(level=0.0)
    assert np.allclose(cleaned(quiet, RATE, Cleaning(breaths=1), PAUSES), quiet, atol=1e-6)
    # Where no pause is named, nothing is looked for: a whispered word is as soft as a breath.
    assert np.array_equal(cleaned(breathing(), RATE, Cleaning(breaths=1)), breathing())
