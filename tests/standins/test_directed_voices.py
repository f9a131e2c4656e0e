"""Voices as described and lines as directed, measured by Praat (parselmouth): pitch, what of it is voiced, level, spectrum."""

import io

import numpy as np
import parselmouth
import pytest
import soundfile

from standins.voices import SPEAKERS, candidates, speak
from standins.voices.directing import MANNERS, directed
from standins.voices.timbre import timbre_of

ENGLISH = [s for s in SPEAKERS if s.timbre.language == "en"]

LINE = "The old man walked along the shore and looked at the heavy grey sea."


class Measured:
    """What Praat finds in a line: median pitch, how far it moves (standard deviation, as a share), the share of frames that
    are voiced, level in decibels, and the spectral centre of what is voiced in hertz."""

    def __init__(self, voice: str, direction: str = "", seed: int = 0) -> None:
        spoken = speak(LINE, voice, direction=direction, seed=seed)
        samples, rate = soundfile.read(io.BytesIO(spoken.flac))
        self.seconds, self.unused = spoken.seconds, spoken.unused
        self.words = spoken.words
        sound = parselmouth.Sound(samples, rate)
        found = sound.to_pitch(pitch_floor=55, pitch_ceiling=420).selected_array["frequency"]
        voiced = found[found > 0]
        self.pitch = float(np.median(voiced)) if voiced.size else 0.0
        self.span = float(voiced.std() / self.pitch) if voiced.size else 0.0
        self.voiced = voiced.size / found.size
        self.level = float(20 * np.log10(np.sqrt(np.mean(samples**2))))
        self.centre = float(sound.to_spectrum().get_centre_of_gravity(1.0))


@pytest.fixture(scope="module")
def plain() -> Measured:
    return Measured("briony")


@pytest.mark.parametrize("speaker", ENGLISH[8:], ids=lambda s: s.name)
def test_a_given_voice_is_as_it_is_said_to_be(speaker) -> None:
    found = Measured(speaker.name)
    assert found.pitch == pytest.approx(speaker.timbre.hertz, rel=0.08)
    assert found.voiced > 0.25


def test_at_least_two_dozen_voices_are_given_and_none_is_anothers() -> None:
    assert len(ENGLISH) >= 24
    assert len({(s.timbre.base, round(s.timbre.hertz), s.timbre.pace) for s in ENGLISH}) == len(
        ENGLISH
    )
    assert {s.age for s in ENGLISH} == {"child", "adult", "old"}


@pytest.mark.parametrize(
    ("one", "other", "what", "times"),
    [
        ("a woman, low", "a woman, high", "pitch", 1.2),
        ("a man", "a woman", "pitch", 1.3),
        ("a woman", "a girl", "pitch", 1.25),
        ("a woman, flat", "a woman, lively", "span", 1.8),
        ("a woman, quick", "a woman, slow", "seconds", 1.2),
        ("a woman, warm", "a woman, bright", "centre", 1.03),
    ],
)
def test_descriptions_differ_in_the_way_that_is_asked(one, other, what, times) -> None:
    def of(description: str) -> float:
        made, unused = candidates(description, 1, 0)
        assert not unused
        return getattr(Measured(made[0].name), what)

    assert of(other) > of(one) * times


def test_candidates_are_each_their_own_and_say_what_was_of_no_use() -> None:
    made, unused = candidates("a young man, warm, low, steady, purple, as if in the room", 3, 0)
    assert unused == ["purple"]
    names = [v.name for v in made]
    assert len(set(names)) == 3 and all(
        timbre_of(n) == v.timbre.within() or timbre_of(n) for n, v in zip(names, made, strict=True)
    )
    others, _ = candidates("a young man, warm, low, steady, purple, as if in the room", 3, 1)
    assert not set(names) & {v.name for v in others}
    again, _ = candidates("a young man, warm, low, steady, purple, as if in the room", 3, 0)
    assert [v.name for v in again] == names


def test_a_whisper_has_no_tone_and_is_softer(plain) -> None:
    found = Measured("briony", "whispered")
    assert found.voiced < 0.35 * plain.voiced
    assert found.level < plain.level - 3
    half = Measured("briony", "almost a whisper")
    assert found.level < half.level < plain.level


def test_directions_do_what_they_say(plain) -> None:
    shout, sad, glad, quick, flat = (
        Measured("briony", d) for d in ("shouting", "sadly", "cheerfully", "quickly", "flat")
    )
    assert shout.pitch > plain.pitch * 1.1 and shout.level > plain.level + 2.5
    assert sad.pitch < plain.pitch and sad.seconds > plain.seconds * 1.08
    assert glad.pitch > plain.pitch * 1.04 and glad.span > plain.span
    assert quick.seconds < plain.seconds * 0.9
    assert flat.span < plain.span * 0.7
    for found in (shout, sad, quick):
        assert [w for w, _, _ in found.words] == [w for w, _, _ in plain.words]
        assert found.words[-1][2] <= found.seconds + 0.05


def test_words_of_no_use_are_said_and_a_taking_differs_a_little(plain) -> None:
    assert Measured("briony", "rising, almost a whisper").unused == ("rising",)
    other = Measured("briony", seed=3)
    assert 0.003 < abs(other.pitch / plain.pitch - 1) < 0.08
    assert speak(LINE, "briony", seed=3).flac == speak(LINE, "briony", seed=3).flac


def test_every_word_of_a_manner_is_known_alone() -> None:
    assert len(MANNERS) > 90
    assert all(not directed(word)[1] for word in MANNERS)


def test_what_is_no_voice_is_refused() -> None:
    for bad in (
        "nobody",
        "made-kal-1-2-3-4-5-6-7",
        "made-slt-1",
        "made-slt-100-50-100-100-0-0-100; rm",
    ):
        with pytest.raises(KeyError):
            speak("Well.", bad)
