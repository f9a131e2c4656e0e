"""The mix's own filters, against SciPy's signal library, which works them out in other ways."""

import numpy as np
import pytest
from scipy.signal import firwin, firwin2, oaconvolve, sosfilt

from cutreel.core.sound import RATE
from cutreel.core.sound.filters import band_taps, centred, convolved, shaped_taps
from cutreel.core.sound.loudness import Loudness, _k_weighting, weighted

RNG = np.random.default_rng(5)
NOISE = (RNG.standard_normal((RATE * 2, 2)) * 0.1).astype(np.float32)


@pytest.mark.parametrize("count", [63, 511, 2047])
@pytest.mark.parametrize("length", [1, 200, 15_000, len(NOISE)])
def test_a_sound_through_a_filter(count: int, length: int) -> None:
    sound, taps = NOISE[:length], RNG.standard_normal(count).astype(np.float32)
    whole = oaconvolve(sound.astype(np.float64), taps[:, None].astype(np.float64), axes=0)
    np.testing.assert_allclose(convolved(sound, taps), whole, atol=2e-5)
    before = (count - 1) // 2
    np.testing.assert_allclose(centred(sound, taps), whole[before : before + length], atol=2e-5)


def test_each_side_through_its_own() -> None:
    """As a room is heard: other reflections from the left than from the right."""
    room = (RNG.standard_normal((9_001, 2)) * 0.01).astype(np.float32)
    wanted = oaconvolve(NOISE.astype(np.float64), room.astype(np.float64), axes=0)
    np.testing.assert_allclose(convolved(NOISE, room), wanted, atol=2e-5)


def test_taps() -> None:
    np.testing.assert_allclose(
        band_taps(511, 1000, 4000, RATE),
        firwin(511, (1000, 4000), pass_zero=False, fs=RATE),
        atol=1e-12,
    )
    np.testing.assert_allclose(band_taps(63, 0, 8000, RATE), firwin(63, 8000, fs=RATE), atol=1e-12)
    hertz = np.concatenate([[0.0], np.geomspace(10, RATE / 2, 100)])
    gain = RNG.uniform(0.1, 2.0, len(hertz))
    np.testing.assert_allclose(
        shaped_taps(2047, hertz, gain, RATE),
        firwin2(2047, hertz / (RATE / 2), gain, nfreqs=8193),
        atol=1e-12,
    )


@pytest.mark.parametrize("rate", [8_000, 44_100, 48_000, 192_000])
@pytest.mark.parametrize("channels", [1, 2])
def test_what_loudness_weighs(rate: int, channels: int) -> None:
    """The two filters of BS.1770, sample by sample, with a low hum that they take most of."""
    hum = 0.5 * np.sin(2 * np.pi * 25 * np.arange(len(NOISE)) / rate)
    sound = (NOISE + hum[:, None]).astype(np.float32)[:, :channels]
    heard = sosfilt(_k_weighting(rate), sound.astype(np.float64), axis=0)
    wanted = (heard**2).sum(axis=1)
    found = weighted(sound, rate)
    np.testing.assert_allclose(found, wanted, atol=2e-6 * wanted.max())
    assert found.mean() == pytest.approx(wanted.mean(), rel=1e-5)


def test_pieces_of_any_length_are_the_whole() -> None:
    meter, at = Loudness(RATE), 0
    for length in (1, 7, 4_799, 20_000, len(NOISE)):
        meter.add(NOISE[at : at + length])
        at += length
    assert meter.lufs == pytest.approx(Loudness(RATE).add(NOISE).lufs, abs=1e-4)
