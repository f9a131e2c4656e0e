"""No word is cut where pauses are shortened: pocketsphinx finds every word in what is left, where the film says it is."""

import io
from decimal import Decimal

import numpy as np
import pytest
import soundfile

from cutreel.core.film import Result, tightened
from cutreel.core.speech import Longest
from cutreel.making.audio import spoken_line
from standins.voices import speak
from tests.alignment import aligned_starts

LINE = "She lifted her lantern that night, and looked across the water. Nobody came, nobody called, and nobody knew."
WORDS = LINE.split()


@pytest.mark.parametrize("voice", ["alder", "briony", "lorne"])
def test_every_word_is_whole_in_what_is_left(voice) -> None:
    spoken = speak(LINE, voice, rate=0.55)  # so slowly that there are long pauses
    about = {
        "words": [{"text": t, "start": a, "end": b} for t, a, b in spoken.words],
        "phones": [{"text": t, "start": a, "end": b} for t, a, b in spoken.phones],
    }
    result = Result("k", "speech", "m", spoken_line(spoken.flac, about, WORDS), Decimal(0))
    tight = tightened(result, WORDS, Longest(0.1, 0.15))
    saved = result.data["seconds"] - tight.data["seconds"]
    assert saved > 0.15, "there was dead air"
    samples, rate = soundfile.read(io.BytesIO(spoken.flac), dtype="float32")
    left = np.concatenate([samples[a:b] for a, b in tight.data["pieces"]])
    assert len(left) / rate == pytest.approx(tight.data["seconds"], abs=0.001)
    # What goes is silence: far under the quietest part of a word.
    gone = len(samples[slice(*result.data["trim"])]) - len(left)
    assert gone / rate == pytest.approx(saved, abs=0.001)
    goes = np.zeros(len(samples), bool)
    goes[slice(*result.data["trim"])] = True
    for a, b in tight.data["pieces"]:
        goes[a:b] = False
    assert np.sqrt(np.mean(samples[goes] ** 2)) < 0.02 * np.abs(samples).max()
    heard = aligned_starts(left, rate, LINE.replace(",", "").replace(".", "").lower())
    assert len(heard) == len(WORDS)
    off = [abs(a - w[0]) for a, w in zip(heard, tight.data["words"], strict=True)]
    assert np.quantile(off, 0.9) < 0.08, off
    pauses = [
        b[0] - a[1] for a, b in zip(tight.data["words"], tight.data["words"][1:], strict=False)
    ]
    for word, pause in zip(WORDS, pauses, strict=False):
        if word.endswith((",", ".")):
            assert pause <= (0.15 if word.endswith(".") else 0.1) + 0.02
