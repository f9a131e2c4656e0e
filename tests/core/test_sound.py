"""Loudness, true peak, ducking and the mix, against EBU signals and independent meters."""

import numpy as np
import pyloudnorm
import pytest
import soundfile

from cutreel.core.continuity import Overrides, facts_of_shots
from cutreel.core.manuscript import read
from cutreel.core.sound import (
    DUCK_DB,
    RATE,
    Giving,
    Loudness,
    MixedPart,
    Samples,
    Treatment,
    ambience_cues,
    integrated_lufs,
    mix,
    spot_cues,
    spots_of,
    trim,
    true_peak_dbtp,
)
from cutreel.core.timeline import FrameRate, Span
from tests.meter import loudness_of

pytestmark = pytest.mark.thorough

RNG = np.random.default_rng(11)


def sine(dbfs: float, seconds: float, hz: float = 1000.0, rate: int = RATE) -> np.ndarray:
    wave = 10 ** (dbfs / 20) * np.sin(2 * np.pi * hz * np.arange(round(seconds * rate)) / rate)
    return np.stack([wave, wave], axis=1).astype(np.float32)


def mixed(parts: list[MixedPart], seconds: float, aim: float = -14.0) -> np.ndarray:
    return np.concatenate(list(mix(parts, seconds, aim)))


def speechlike(seconds: float) -> np.ndarray:
    """Bursts of noise with pauses, as a voice has, with little above 12 kHz: meters differ about what is near 24."""
    n = round(seconds * RATE)
    gate = (np.sin(2 * np.pi * np.arange(n) / RATE * 0.45) > -0.3).astype(np.float32)
    noise = np.random.default_rng(5).standard_normal(n + 2)
    soft = np.convolve(noise, (0.35, 0.7, 0.35), "valid").astype(np.float32)
    return soft * 0.12 * gate * (0.5 + 0.5 * np.sin(np.arange(n) / RATE * 23)).astype(np.float32)


def test_ebu_tech_3341_case_1() -> None:
    """EBU Tech 3341: a stereo 1 kHz sine at -23.0 dBFS for 20 s reads -23.0 ±0.1 LUFS; case 2 at -33."""
    assert integrated_lufs(sine(-23, 20), RATE) == pytest.approx(-23.0, abs=0.1)
    assert integrated_lufs(sine(-33, 20), RATE) == pytest.approx(-33.0, abs=0.1)


def test_ebu_tech_3341_case_3() -> None:
    """EBU Tech 3341: -36, -23, -36 dBFS for 10, 60, 10 s reads -23.0 ±0.1 LUFS: the gate leaves the quiet parts out."""
    signal = np.concatenate([sine(-36, 10), sine(-23, 60), sine(-36, 10)])
    assert integrated_lufs(signal, RATE) == pytest.approx(-23.0, abs=0.1)


def test_ebu_tech_3341_case_4() -> None:
    """EBU Tech 3341: -72, -36, -23, -36, -72 dBFS for 10, 10, 60, 10, 10 s reads -23.0 ±0.1 LUFS."""
    levels = [(-72, 10), (-36, 10), (-23, 60), (-36, 10), (-72, 10)]
    assert integrated_lufs(np.concatenate([sine(*p) for p in levels]), RATE) == pytest.approx(
        -23.0, abs=0.1
    )


@pytest.mark.parametrize("rate", [44_100, 48_000])
def test_loudness_agrees_with_another_meter(rate: int) -> None:
    """The library pyloudnorm, on noise with pauses."""
    audio = speechlike(12)[: rate * 10]
    assert integrated_lufs(audio, rate) == pytest.approx(
        pyloudnorm.Meter(rate).integrated_loudness(audio.astype(float)), abs=0.15
    )


def test_true_peak_between_samples() -> None:
    """BS.1770 Annex 2: a sine at a quarter of the rate, a phase of 45°, peaks 3.01 dB above its samples."""
    n = np.arange(RATE)
    wave = np.sin(2 * np.pi * n / 4 + np.pi / 4).astype(np.float32)
    assert 20 * np.log10(np.abs(wave).max()) == pytest.approx(-3.01, abs=0.01)
    assert true_peak_dbtp(
        wave[:, None] * np.hanning(RATE)[:, None].astype(np.float32)
    ) == pytest.approx(0.0, abs=0.2)


def test_silence_has_no_loudness() -> None:
    assert (
        integrated_lufs(np.zeros((RATE, 2), np.float32), RATE)
        == integrated_lufs(sine(-20, 0.2), RATE)
        == -120.0
    )


@pytest.mark.parametrize("loud", [0.02, 1.0])
def test_the_mix_reaches_its_loudness_under_its_ceiling(loud: float, tmp_path) -> None:
    """-14 LUFS within 0.5, under -1 dBTP; measured by ffmpeg's ebur128 filter as an independent meter."""
    parts = [
        MixedPart("voice", 0.5, Samples(speechlike(14) * loud)),
        MixedPart("music", 0.0, Samples(sine(-20, 16, 220))),
        MixedPart("spot", 3.0, Samples(sine(-6, 0.3, 90))),
    ]
    audio = mixed(parts, 16)
    assert audio.shape == (16 * RATE, 2)
    path = tmp_path / "mix.wav"
    soundfile.write(path, audio, RATE, subtype="FLOAT")
    loud, peak = loudness_of(path)
    assert loud == pytest.approx(-14.0, abs=0.5) and peak <= -1.0


def test_music_ducks_under_speech_and_comes_back() -> None:
    voice = speechlike(6)
    with_voice = mixed(
        [
            MixedPart("voice", 4.0, Samples(voice)),
            MixedPart("music", 0.0, Samples(sine(-20, 16, 220))),
        ],
        16,
    )

    def spectrum(a):
        return np.abs(np.fft.rfft(a[:, 0] * np.hanning(len(a))))[round(220 * len(a) / RATE)]

    before, during, after = (
        spectrum(with_voice[round(s * RATE) : round((s + 1.5) * RATE)]) for s in (1.0, 6.0, 13.5)
    )
    assert 20 * np.log10(during / before) < -7
    assert 20 * np.log10(after / before) == pytest.approx(0, abs=1.0)


@pytest.mark.parametrize(("pan", "louder"), [(-1.0, -60), (-0.5, None), (0.5, None), (1.0, 60)])
def test_a_sound_comes_from_a_side_as_loud_as_from_the_middle(
    pan: float, louder: float | None
) -> None:
    """By power, left and right together; at an end the other side is silent."""
    tone = Samples(sine(-20, 4))
    plain = mixed([MixedPart("ambience", 0.0, tone)], 4)
    aside = mixed([MixedPart("ambience", 0.0, tone, pan=pan)], 4)
    left, right = (
        np.sqrt(np.mean(aside[RATE:-RATE, side].astype(float) ** 2)) + 1e-9 for side in (0, 1)
    )
    ratio = 20 * np.log10(right / left)
    assert ratio * pan > 0
    if louder is not None:
        assert abs(ratio) > 60
    power = np.mean(np.sum(aside[RATE:-RATE].astype(float) ** 2, axis=1))
    assert 10 * np.log10(
        power / np.mean(np.sum(plain[RATE:-RATE].astype(float) ** 2, axis=1))
    ) == pytest.approx(0, abs=1.5)


@pytest.mark.parametrize("by", [0.0, 6.0, 20.0])
def test_music_gives_way_by_as_much_as_is_wished(by: float) -> None:
    parts = [
        MixedPart("voice", 4.0, Samples(np.stack([speechlike(6)] * 2, axis=1))),
        MixedPart("music", 0.0, Samples(sine(-20, 16, 220))),
    ]
    told = Treatment(Giving({**DUCK_DB, "music": -by}))
    with_voice = np.concatenate(list(mix(parts, 16, -14.0, told)))

    def level(start: float) -> float:
        part = with_voice[round(start * RATE) : round((start + 1.5) * RATE), 0]
        return np.abs(np.fft.rfft(part * np.hanning(len(part))))[round(220 * len(part) / RATE)]

    assert 20 * np.log10(level(6.0) / level(1.0)) == pytest.approx(-by, abs=2.0)


def test_a_mix_of_nothing_is_silent() -> None:
    assert not mixed([], 2).any()


def test_the_limiter_holds_true_peaks() -> None:
    """Noise far over the ceiling, brought to an aim that it can only reach through the limiter."""
    audio = (RNG.standard_normal((RATE * 4, 2)) * 0.5).astype(np.float32)
    loud = mixed([MixedPart("music", 0.0, Samples(audio))], 4, aim=-8.0)
    assert true_peak_dbtp(loud) < -1.4
    assert integrated_lufs(loud, RATE) == pytest.approx(-8.0, abs=0.3)


def test_loudness_of_blocks_is_loudness_of_the_whole() -> None:
    """As pyloudnorm, an independent meter, has it of the whole."""
    audio = (RNG.standard_normal((RATE * 3, 2)) * 0.1).astype(np.float32)
    meter = Loudness(RATE)
    for at in range(0, len(audio), 7919):
        meter.add(audio[at : at + 7919])
    assert meter.lufs == pytest.approx(integrated_lufs(audio, RATE), abs=1e-6)
    assert meter.lufs == pytest.approx(pyloudnorm.Meter(RATE).integrated_loudness(audio), abs=0.1)


def test_loops_have_no_seam() -> None:
    noise = (RNG.standard_normal((RATE * 3, 2)) * 0.1).astype(np.float32)
    audio = mixed([MixedPart("ambience", 0.0, Samples(noise), loop_to=20.0)], 20)
    rms = np.sqrt((audio[: 19 * RATE].reshape(19 * 4, -1) ** 2).mean(axis=1))
    assert rms.min() > 0.6 * rms.max()


def test_silence_is_trimmed() -> None:
    voice = speechlike(2) + 0.05
    padded = np.concatenate([np.zeros(RATE), voice, np.zeros(RATE // 2)]).astype(np.float32)
    start, end = trim(padded, RATE)
    assert start == pytest.approx(RATE, abs=RATE * 0.05) and end == pytest.approx(
        3 * RATE, abs=RATE * 0.05
    )
    assert trim(np.zeros(RATE, np.float32), RATE) == (0, 0)


def test_only_what_the_words_say_sounds() -> None:
    script = read(
        "# The jetty — dusk, wind\n\nThe bell rang. The bell rang. It was no door. She opened the gate.\n\n“The door!” said Ada. Ada ran.\n\n# A cellar — day, clear\n\nNothing moved."
    )
    opens = [0, script.scenes[1].first]
    facts = facts_of_shots(script, opens, [], [], [Overrides()] * 2)
    times = np.stack(
        [np.arange(len(script.words)) * 0.4, np.arange(len(script.words)) * 0.4 + 0.3], axis=1
    )
    spots = spot_cues(spots_of(script, times), list(range(len(script.words))), opens)
    assert [c.prompt for c in spots] == ["a church bell rings", "a wooden door opens and closes"]
    beds = ambience_cues(facts, [Span(0, 200), Span(200, 300)], FrameRate.parse("24"), [1, 2])
    assert [(c.prompt, c.shot) for c in beds] == [("waves on a shore, gusts of wind", 0)]
