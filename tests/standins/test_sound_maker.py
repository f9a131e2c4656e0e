"""The sound maker: every kind is found by its words and sounds as its model says. Onsets, pitches and spectra are
measured on the samples."""

import io

import numpy as np
import pytest
import soundfile

from cutreel.core.sound import SOUND_PROMPTS
from standins.sounds import KINDS, kind_of, make_sound

RATE = 48_000


def samples(prompt: str, seconds: float = 3.0, seed: int = 5) -> np.ndarray:
    audio, rate = soundfile.read(io.BytesIO(make_sound(prompt, seconds, seed)[0]), dtype="float64")
    assert rate == RATE
    return audio


def test_there_are_many_kinds_and_each_is_found_by_its_name() -> None:
    assert len(KINDS) >= 80
    assert [k.name for k in KINDS if kind_of(k.name) is not k] == []


def test_everything_that_can_be_proposed_can_be_made() -> None:
    assert [p for prompt in SOUND_PROMPTS for p in prompt.split(",") if kind_of(p) is None] == []


@pytest.mark.parametrize("kind", KINDS, ids=lambda k: k.name)
def test_a_kind_sounds_and_begins_and_ends_in_silence(kind) -> None:
    audio = samples(kind.name, 2.5)
    assert audio.shape == (round(2.5 * RATE), 2) and 0.3 < np.abs(audio).max() <= 0.51
    assert np.abs(audio[0]).max() < 0.01 and np.abs(audio[-1]).max() < 0.02
    assert make_sound(kind.name, 2.5, 1)[1] == [], "every word of its own name is of use"
    left, right = audio.T
    assert not np.array_equal(left, right), "it has width"


@pytest.mark.parametrize("prompt", ["gusts of wind", "a dog barks", "footsteps on boards", "hail"])
def test_a_seed_is_a_sound(prompt: str) -> None:
    first, again, other = (make_sound(prompt, 3.0, seed)[0] for seed in (5, 5, 6))
    assert first == again != other


def onsets(audio: np.ndarray) -> int:
    """How often it becomes loud at once."""
    block = RATE // 100
    mono = audio.mean(axis=1)
    level = np.sqrt(np.mean(mono[: len(mono) // block * block].reshape(-1, block) ** 2, axis=1))
    rises = (level[2:] > 3 * level[:-2] + 0.005) & (level[2:] > 0.15 * level.max())
    return int(np.sum(np.diff(rises.astype(int), prepend=0) == 1))


@pytest.mark.parametrize(
    ("prompt", "least", "most"),
    [
        ("knocks on a wooden door", 2, 3),
        ("footsteps on boards", 4, 6),
        ("running footsteps", 6, 10),
        ("hammering", 3, 5),
        ("something heavy falls", 0, 1),
        ("steady rain", 0, 1),
    ],
)
def test_what_strikes_strikes_so_often(prompt: str, least: int, most: int) -> None:
    assert least <= onsets(samples(prompt)) <= most


def centre(prompt: str) -> float:
    audio = samples(prompt, 4.0, 1)[:, 0]
    power = np.abs(np.fft.rfft(audio)) ** 2
    return float((np.fft.rfftfreq(len(audio), 1 / RATE) * power).sum() / power.sum())


def test_sounds_are_told_apart_by_their_spectra() -> None:
    low_to_high = ["thunder", "gusts of wind", "waves on a shore", "steady rain"]
    assert low_to_high == sorted(low_to_high, key=centre)
    assert centre("a beast roars") < centre("a dog barks") < centre("a mouse squeaks")
    assert centre("a church bell rings") < centre("a small bell rings")
    assert centre("steps in snow") < centre("steps in leaves")


def test_parts_of_a_prompt_are_heard_together() -> None:
    both, waves, wind = (
        samples(p, 6.0)
        for p in ("waves on a shore, gusts of wind", "waves on a shore", "gusts of wind")
    )
    assert not np.array_equal(both, waves) and not np.array_equal(both, wind)


def test_a_bed_is_nowhere_the_same_twice() -> None:
    """No repeat: the autocorrelation of a bed's own samples beyond a second stays under a fifth."""
    for prompt in ("steady rain", "waves on a shore", "birds and leaves", "a murmuring crowd"):
        mono = samples(prompt, 12.0)[:, 0]
        mono = mono - mono.mean()
        power = np.abs(np.fft.rfft(mono, 2 * len(mono))) ** 2
        same = np.fft.irfft(power)[RATE : 11 * RATE] / np.sum(mono**2)
        assert same.max() < 0.2, prompt


def test_unknown_words_are_given_back() -> None:
    assert make_sound("wind and a kazoo", 1.0, 1)[1] == ["kazoo"]
