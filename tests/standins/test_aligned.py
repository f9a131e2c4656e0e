"""Recordings aligned with their words: made by other voices than the one that they are aligned with, with noise and at other paces;
checked against the times that those voices report themselves."""

import io

import numpy as np
import pytest
import soundfile

from cutreel.core.sound import trim
from cutreel.core.speech import aligned
from standins.voices import speak

LINE = (
    "She lifted her lantern that night, and looked across the grey water. Nobody came, nobody called, and nobody knew "
    "what had become of the old ferry at Saltmere."
)
RATE = 48_000


def said(
    voice: str, **how
) -> tuple[np.ndarray, list[tuple[float, float]], list[tuple[float, float]]]:
    spoken = speak(LINE, voice, **how)
    samples, _ = soundfile.read(io.BytesIO(spoken.flac), dtype="float32")
    start, end = trim(samples, RATE)
    moved = lambda times: [(a - start / RATE, b - start / RATE) for _, a, b in times]  # noqa: E731
    return samples[start:end], moved(spoken.words), moved(spoken.phones)


def off(found, true) -> np.ndarray:
    return np.array([abs(a[0] - b[0]) for a, b in zip(found, true, strict=True)])


@pytest.fixture(scope="module")
def reference():
    return said("alder")


@pytest.mark.parametrize(
    ("voice", "how"),
    [
        ("briony", {}), ("lorne", {}), ("corin", {}), ("tamsin", {}), ("rook", {}), ("yarrow", {}),
        ("briony", {"rate": 0.75}), ("nils", {"direction": "slowly, sadly"}), ("kestrel", {"direction": "quickly"}),
    ],
)  # fmt: skip
def test_words_go_where_another_voice_says_them(reference, voice, how) -> None:
    recording, words, phones = said(voice, **how)
    noisy = recording + np.random.default_rng(1).normal(0, 0.003, len(recording)).astype(np.float32)
    found = aligned(*reference, noisy, RATE)
    apart = off(found.words, words)
    assert np.median(apart) < 0.025
    assert np.quantile(apart, 0.9) < 0.06
    assert found.words == sorted(found.words) and found.words[-1][1] <= len(recording) / RATE + 0.01
    assert len(found.unsure) <= 2
    # Mouths follow the phones.
    assert np.quantile(off(found.phones, phones), 0.9) < 0.09


def test_long_pauses_of_ones_own_are_kept_between_the_words(reference) -> None:
    recording, words, _ = said("briony")
    at = round((words[5][1] + words[6][0]) / 2 * RATE)
    paused = np.concatenate([recording[:at], np.zeros(RATE, np.float32), recording[at:]])
    found = aligned(*reference, paused, RATE)
    moved = [(a + (i > 5), b + (i > 5)) for i, (a, b) in enumerate(words)]
    assert np.quantile(off(found.words, moved), 0.9) < 0.06
    assert found.words[6][0] - found.words[5][1] > 0.9


def test_other_words_are_said_to_be_unsure(reference) -> None:
    spoken = speak(
        LINE.replace("the grey water", "a bowl of soup").replace("nobody called", "seven geese"),
        "briony",
    )
    samples, _ = soundfile.read(io.BytesIO(spoken.flac), dtype="float32")
    found = aligned(*reference, samples, RATE)
    right, _, _ = said("briony")
    assert len(found.unsure) > len(aligned(*reference, right, RATE).unsure)
