"""Gains that go evenly from one value to the next, held against NumPy's interpolation."""

import numpy as np
import pytest

from cutreel.core.sound.giving_way import TICK, gained
from cutreel.core.sound.limiter import CEILING_DBTP, PEAK_EVERY, Limiter, in_16_bits, limited


@pytest.mark.parametrize("samples", [TICK * 7, TICK * 7 - 100])
def test_a_level_goes_evenly_from_tick_to_tick(samples: int) -> None:
    sound = np.random.default_rng(2).normal(0, 0.1, (samples, 2)).astype(np.float32)
    levels = np.array([0, -13, -13, 2, 0, 0, -40, -3.0])
    wanted = np.interp(np.arange(samples), np.arange(8) * TICK, 10 ** (levels / 20))
    np.testing.assert_allclose(gained(sound, levels), sound * wanted[:, None], rtol=2e-5, atol=1e-7)


class Given(Limiter):
    """Gains as they are given."""

    def __init__(self, gains: np.ndarray) -> None:
        self.gains = gains

    def between(self, first: int, last: int) -> np.ndarray:
        return self.gains[first:last]


@pytest.mark.parametrize("at", [0, 480, 4_800, 9_600 - 1_008])
def test_the_limiter_goes_evenly_between_the_middles_of_its_milliseconds(at: int) -> None:
    chance = np.random.default_rng(3)
    gains = chance.uniform(0.2, 1.2, 200).astype(np.float32)
    block = chance.normal(0, 0.3, (1_000, 2)).astype(np.float32)
    middles = (np.arange(200) + 0.5) * PEAK_EVERY
    wanted = np.interp(np.arange(at, at + 1_000), middles, gains)
    found = limited(block, at, Given(gains))
    np.testing.assert_allclose(found, block * wanted[:, None], rtol=2e-5, atol=1e-7)


def test_a_limiter_is_the_same_wherever_it_is_asked_from() -> None:
    """Its gains in pieces are those of the whole, and hold every peak under the ceiling."""
    peaks = np.random.default_rng(4).gamma(0.6, 0.4, 5_000).astype(np.float16)
    limiter = Limiter(peaks, 1.7)
    whole = limiter.between(0, 5_000)
    for first, last in [(0, 10), (777, 1_901), (4_990, 5_100)]:
        np.testing.assert_allclose(limiter.between(first, last), whole[first:last], rtol=1e-6)
    assert 20 * np.log10((peaks * whole).max()) < CEILING_DBTP + 1e-3
    assert whole.max() == pytest.approx(1.7)


def test_a_peak_in_16_bits_is_never_lower() -> None:
    peaks = np.random.default_rng(5).gamma(0.5, 0.3, 20_000).astype(np.float32)
    short = in_16_bits(peaks).astype(np.float64)
    assert (short >= peaks).all()
    loud = peaks > 1e-3
    assert (20 * np.log10(short[loud] / peaks[loud])).max() < 0.009
