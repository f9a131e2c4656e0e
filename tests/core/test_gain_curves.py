"""Gains that go evenly from one value to the next, held against NumPy's interpolation."""

import numpy as np
import pytest

from cutreel.core.sound.giving_way import TICK, gained
from cutreel.core.sound.limiter import PEAK_EVERY, limited


@pytest.mark.parametrize("samples", [TICK * 7, TICK * 7 - 100])
def test_a_level_goes_evenly_from_tick_to_tick(samples: int) -> None:
    sound = np.random.default_rng(2).normal(0, 0.1, (samples, 2)).astype(np.float32)
    levels = np.array([0, -13, -13, 2, 0, 0, -40, -3.0])
    wanted = np.interp(np.arange(samples), np.arange(8) * TICK, 10 ** (levels / 20))
    np.testing.assert_allclose(gained(sound, levels), sound * wanted[:, None], rtol=2e-5, atol=1e-7)


@pytest.mark.parametrize("at", [0, 480, 4_800, 9_600 - 1_008])
def test_the_limiter_goes_evenly_between_the_middles_of_its_milliseconds(at: int) -> None:
    chance = np.random.default_rng(3)
    gains = chance.uniform(0.2, 1.2, 200).astype(np.float32)
    block = chance.normal(0, 0.3, (1_000, 2)).astype(np.float32)
    middles = (np.arange(200) + 0.5) * PEAK_EVERY
    wanted = np.interp(np.arange(at, at + 1_000), middles, gains)
    found = limited(block, at, gains)
    np.testing.assert_allclose(found, block * wanted[:, None], rtol=2e-5, atol=1e-7)
