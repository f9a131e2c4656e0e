"""Marked words are heard as they are marked: measured on the sound, by the times that forced alignment gives them.

Outside of the project: pocketsphinx, and praat's pitch."""

import io

import numpy as np
import parselmouth
import pytest
import soundfile

from standins.voices import read_ssml, speak
from standins.voices.marked import stretched
from tests.alignment import aligned_starts

RATE = 48_000
HEAD = '<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis" xml:lang="en">'


def said(inside: str, voice: str = "briony"):
    spoken = speak(f"{HEAD}{inside}</speak>", voice, ssml=True)
    samples, _ = soundfile.read(io.BytesIO(spoken.flac), dtype="float32")
    return samples, {w.lower().strip(".,"): (a, b) for w, a, b in spoken.words}, spoken


PLAIN = "She looked across the grey water and nobody came."


def level(samples: np.ndarray, span: tuple[float, float]) -> float:
    part = samples[round(span[0] * RATE) : round(span[1] * RATE)]
    return float(20 * np.log10(np.sqrt(np.mean(part**2))))


def test_without_a_mark_it_is_what_it_is_without_ssml() -> None:
    samples, _, _ = said(PLAIN)
    plain, _ = soundfile.read(io.BytesIO(speak(PLAIN, "briony").flac), dtype="float32")
    assert np.array_equal(samples, plain)


def test_a_stressed_word_is_longer_and_louder_beside_the_others() -> None:
    _, before, _ = said(PLAIN)
    samples, after, _ = said(PLAIN.replace("nobody", '<emphasis level="strong">nobody</emphasis>'))
    plain, _, _ = said(PLAIN)
    long = (after["nobody"][1] - after["nobody"][0]) / (before["nobody"][1] - before["nobody"][0])
    assert 1.05 < long < 1.3
    gained = level(samples, after["nobody"]) - level(plain, before["nobody"])
    others = level(samples, after["looked"]) - level(plain, before["looked"])
    assert 2 < gained - others < 5


@pytest.mark.parametrize(("rate", "least", "most"), [("slow", 1.2, 1.4), ("fast", 0.7, 0.9)])
def test_a_passage_is_slower_or_quicker_at_its_own_pitch(rate, least, most) -> None:
    _, before, _ = said(PLAIN)
    samples, after, _ = said(
        PLAIN.replace("the grey water", f'<prosody rate="{rate}">the grey water</prosody>')
    )
    long = (after["water"][1] - after["the"][0]) / (before["water"][1] - before["the"][0])
    assert least < long < most
    plain, _, _ = said(PLAIN)

    def pitch(sound, span):
        part = sound[round(span[0] * RATE) : round(span[1] * RATE)].astype(np.float64)
        found = parselmouth.Sound(part, RATE).to_pitch().selected_array["frequency"]
        return float(np.median(found[found > 0]))

    spans = [(t["the"][0], t["water"][1]) for t in (before, after)]
    assert pitch(samples, spans[1]) == pytest.approx(pitch(plain, spans[0]), rel=0.05)


def test_a_pause_is_as_long_as_it_is_asked_for() -> None:
    _, before, _ = said(PLAIN)
    samples, after, _ = said(PLAIN.replace("and", '<break time="700ms"/>and'))
    gap = (after["and"][0] - after["water"][1]) - (before["and"][0] - before["water"][1])
    assert gap == pytest.approx(0.7, abs=0.02)
    quiet = samples[round((after["water"][1] + 0.1) * RATE) : round((after["and"][0] - 0.1) * RATE)]
    assert np.abs(quiet).max() < 0.02


def test_words_are_where_they_are_told_to_be() -> None:
    inside = PLAIN.replace(
        "across", '<break time="400ms"/><emphasis level="strong">across</emphasis>'
    )
    samples, _, spoken = said(
        inside.replace("nobody came", '<prosody rate="slow">nobody came</prosody>')
    )
    theirs = np.array(aligned_starts(samples, RATE, PLAIN.lower().replace(".", "")))
    ours = np.array([a for _, a, _ in spoken.words])
    assert np.quantile(np.abs(theirs - ours), 0.9) < 0.08
    assert all(a <= b for _, a, b in spoken.phones)


def test_what_is_not_understood_is_said_and_the_words_are_spoken() -> None:
    _, words, spoken = said(
        'She <phoneme ph="x">looked</phoneme> <audio src="a.wav"/>up <sub alias="kindly">k.</sub>.'
    )
    assert {"she", "looked", "up", "kindly"} <= set(words)
    assert set(spoken.unused) == {"phoneme", "audio"}
    with pytest.raises(ValueError, match="SSML"):
        read_ssml("<speak>no end")
    with pytest.raises(ValueError, match="SSML"):
        read_ssml('<!DOCTYPE x [<!ENTITY a "b">]><speak>&a;</speak>')


def test_stretching_keeps_a_tone() -> None:
    at = np.arange(RATE) / RATE
    tone = np.sin(2 * np.pi * 220 * at).astype(np.float32)
    for factor in (0.7, 1.4):
        out = stretched(tone, RATE, factor)
        assert len(out) == round(RATE * factor)
        spectrum = np.abs(np.fft.rfft(out * np.hanning(len(out))))
        assert np.argmax(spectrum) * RATE / len(out) == pytest.approx(220, abs=1.5)
