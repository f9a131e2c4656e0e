"""A bed that goes on is not heard to repeat: by autocorrelation; and any stretch of it is the stretch of the whole."""

import numpy as np
import pytest

from cutreel.core.sound import RATE, MixedPart, Mixer, Samples
from cutreel.core.sound.turns import turns
from standins.sounds import make_sound
from tests.standins.test_voices_and_music import samples

pytestmark = pytest.mark.thorough

OWN = 12 * RATE
NOISE = np.random.default_rng(2).standard_normal((OWN, 2)).astype(np.float32) * 0.1
MAY_REPEAT = 0.15
"""Of the bed's own power, at any distance from a second on. A loop repeats all of it."""


def repeats(bed: np.ndarray) -> float:
    """The highest of the autocorrelation from a second on, against its power (by FFT, Wiener and Khinchin), of the bed
    without what lasts: the envelope and low rumble have been taken out by looking at differences."""
    x = np.diff(bed.mean(axis=1))[::4].astype(np.float64)
    spectrum = np.fft.rfft(x, 2 * len(x))
    found = np.fft.irfft(np.abs(spectrum) ** 2)[: len(x) * 2 // 3]
    return float(np.abs(found[RATE // 4 :]).max() / found[0])


def test_nothing_comes_back_at_an_even_distance() -> None:
    bed = turns(OWN, 120 * RATE, RATE // 2).read(Samples(NOISE), 0, 120 * RATE)
    looped = np.concatenate([NOISE] * 10)
    assert repeats(looped) > 0.6
    assert repeats(bed) < MAY_REPEAT


@pytest.mark.parametrize("prompt", ["steady rain", "waves on a shore", "a river"])
def test_beds_of_the_sound_maker_do_not_repeat_in_a_film(prompt: str) -> None:
    sound = samples(make_sound(prompt, 12.0, 5)[0])
    if sound.shape[1] == 1:
        sound = np.repeat(sound, 2, axis=1)
    part = MixedPart("ambience", 0.0, Samples(sound), loop_to=120.0)
    mixer = Mixer([part], 120.0)
    bed = np.concatenate([mixer.lanes(b)["ambience"] for b in range(mixer.blocks)])
    assert repeats(bed) < 0.25


def test_any_stretch_is_the_stretch_of_the_whole_and_seams_are_as_loud_as_the_rest() -> None:
    found = turns(OWN, 60 * RATE, RATE // 2)
    source = Samples(NOISE)
    whole = found.read(source, 0, 60 * RATE)
    for a, b in (
        (0, 10),
        (11 * RATE, 13 * RATE),
        (29 * RATE + 7, 47 * RATE),
        (59 * RATE, 60 * RATE),
    ):
        assert found.read(source, a, b).tobytes() == whole[a:b].tobytes()
    level = np.sqrt((whole.reshape(-1, RATE // 10, 2) ** 2).mean(axis=(1, 2)))
    assert level.min() > 0.08 and level.max() < 0.12
    np.testing.assert_array_equal(whole[: OWN - RATE // 2], NOISE[: OWN - RATE // 2])


def test_a_sound_of_a_few_samples_lasts_too() -> None:
    bed = turns(9, 100, 2).read(Samples(NOISE[:9]), 0, 100)
    assert bed.shape == (100, 2) and np.isfinite(bed).all()
