"""The Speech Intelligibility Index of known signals: by its own definition (ANSI S3.5-1997, octave bands), in which
speech is worth nothing 15 dB under the rest and everything 15 dB over it."""

import numpy as np
import pytest

from cutreel.core.sound import EASY, band_powers, understood

RATE, SECONDS = 48_000, 4.0
RNG = np.random.default_rng(3)
NOISE = RNG.standard_normal((2, round(RATE * SECONDS), 2)).astype(np.float32) * 0.1


def powers(level: float, which: int = 0) -> np.ndarray:
    """Noise with the same spectrum as all others here, at a level in dB."""
    return band_powers(NOISE[which] * np.float32(10 ** (level / 20)))


@pytest.mark.parametrize(
    ("over", "index"),
    [(30, 1.0), (15, 1.0), (7.5, 0.75), (0, 0.5), (-7.5, 0.25), (-15, 0.0), (-30, 0.0)],
)
def test_speech_counts_by_how_far_it_lies_over_the_rest(over: float, index: float) -> None:
    (found,) = understood(powers(over), {"music": powers(0, 1)}, [(0.0, SECONDS)])
    assert found.value == pytest.approx(index, abs=0.06)


def test_bands_matter_as_the_standard_says() -> None:
    """Rest that covers one octave alone takes as much as that octave is worth (table 3): 2 kHz 0.2648, 250 Hz 0.0617."""
    at = np.arange(round(RATE * SECONDS)) / RATE
    for centre, worth in ((2000, 0.2648), (250, 0.0617)):
        hertz = np.fft.rfftfreq(len(at), 1 / RATE)
        inside = (hertz > centre / 2**0.45) & (hertz < centre * 2**0.45)
        band = np.fft.irfft(np.fft.rfft(RNG.standard_normal(len(at))) * inside)
        rest = band_powers(np.repeat(band[:, None], 2, 1).astype(np.float32) * 0.8)
        (found,) = understood(powers(0), {"spot": rest}, [(0.0, SECONDS)])
        # Beside it the next octaves lose a little to the window's skirts.
        assert found.value == pytest.approx(1 - worth, abs=0.09)


def test_pauses_do_not_count_and_silence_is_understood() -> None:
    speech = powers(0)
    speech[100:] *= 1e-9
    music = powers(-40, 1)
    music[100:] *= 1e6
    (found,) = understood(speech, {"music": music}, [(0.0, SECONDS)])
    assert found.value > 0.95
    (nobody,) = understood(np.zeros_like(speech), {"music": music}, [(0.0, SECONDS)])
    assert nobody.value == 1.0


def test_the_culprit_is_named_and_as_much_softer_would_do() -> None:
    others = {"music": powers(-2, 1), "ambience": powers(-25)}
    (found,) = understood(powers(0), others, [(1.0, 3.0)])
    assert found.value < EASY and found.culprit == "music" and 0 < found.less < 12
    mended = {**others, "music": powers(-2 - found.less, 1)}
    assert understood(powers(0), mended, [(1.0, 3.0)])[0].value >= EASY
    almost = {**others, "music": powers(-2 - found.less + 3, 1)}
    assert understood(powers(0), almost, [(1.0, 3.0)])[0].value < EASY


def test_what_is_understood_has_no_culprit() -> None:
    (found,) = understood(powers(0), {"music": powers(-30, 1)}, [(0.0, 1.0)])
    assert (found.culprit, found.less) == ("", 0.0)
