"""Lanes whose loud moments are held down, and sounds from far and near: by level and by spectrum."""

import numpy as np
import pytest

from cutreel.core.sound import RATE, AtDistance, MixedPart, Mixer, Samples, Treatment, nearness_db
from cutreel.core.sound.pressed import pressed
from tests.core.test_sound import speechlike

pytestmark = pytest.mark.thorough

NOISE = (np.random.default_rng(4).standard_normal((RATE * 3, 2)) * 0.05).astype(np.float32)


def level(sound: np.ndarray) -> float:
    return float(10 * np.log10(np.mean(sound.astype(np.float64) ** 2) + 1e-12))


def test_loud_moments_come_nearer_to_soft_ones() -> None:
    lane = np.concatenate([NOISE * 8, NOISE]).astype(np.float32)
    held = pressed(lane, "voice", 8.0)
    middle = slice(RATE, 2 * RATE), slice(4 * RATE, 5 * RATE)
    before = level(lane[middle[0]]) - level(lane[middle[1]])
    after = level(held[middle[0]]) - level(held[middle[1]])
    assert before == pytest.approx(18.06, abs=0.2)
    assert 4 < before - after <= 8.1
    assert pressed(lane, "voice", 0.0) is lane


def test_a_pressed_lane_is_the_same_in_blocks() -> None:
    """Alone or with what is before it, a block is the same to the bit."""
    parts = [MixedPart("voice", 0.3, Samples(speechlike(26)))]
    told = Treatment(presses={"voice": 6.0})
    whole, again = Mixer(parts, 28.0, told), Mixer(parts, 28.0, told)
    assert whole.key(0) != Mixer(parts, 28.0).key(0)
    blocks = [whole.lanes(b)["voice"] for b in range(whole.blocks)]
    assert again.lanes(1)["voice"].tobytes() == blocks[1].tobytes()
    plain = np.concatenate([Mixer(parts, 28.0).lanes(b)["voice"] for b in range(whole.blocks)])
    at_once = pressed(plain, "voice", 6.0)
    inside = slice(RATE, 27 * RATE)
    np.testing.assert_allclose(np.concatenate(blocks)[inside], at_once[inside], atol=1e-5)


def band(sound: np.ndarray, low: float, high: float) -> float:
    power = np.abs(np.fft.rfft(sound.mean(axis=1).astype(np.float64))) ** 2
    hertz = np.fft.rfftfreq(len(sound), 1 / RATE)
    return float(10 * np.log10(power[(hertz >= low) & (hertz < high)].mean()))


def tilt(sound: np.ndarray) -> float:
    return band(sound, 6000, 12000) - band(sound, 100, 300)


def test_what_is_far_is_softer_and_duller() -> None:
    source = Samples(NOISE)
    far, near = AtDistance(source, -1.0), AtDistance(source, 1.0)
    plain = tilt(NOISE)
    assert tilt(far.read(0, far.length)) < plain - 10
    assert tilt(near.read(0, near.length)) > plain + 3
    assert nearness_db(-1.0) == -10 and nearness_db(0) == 0 < nearness_db(0.5)


def test_any_stretch_of_it_is_the_stretch_of_the_whole() -> None:
    far = AtDistance(Samples(NOISE), -0.5)
    whole = far.read(0, far.length)
    assert len(whole) == far.length
    for a, b in ((0, 500), (4000, 60_000), (far.length - 300, far.length)):
        np.testing.assert_allclose(far.read(a, b), whole[a:b], atol=1e-6)
    assert len(far.read(far.length - 10, far.length + 40)) == 50
