"""The voice is always understood: what a recogniser hears in the mix against what it hears in the voice alone."""

import io
import re
from collections.abc import Iterator

import jiwer
import numpy as np
import pytest
import soundfile
import soxr
from pocketsphinx import Decoder

from cutreel.core.sound import RATE, MixedPart, Samples, mix
from standins.music import compose, play
from standins.sounds import make_sound
from standins.voices import speak

MAY_LOSE = 0.18
"""Share of words that music and sound may cost, beyond what the recogniser misses of the voice alone."""

LINES = (
    "The old man carried the ladder across the road in the evening",
    "she looked at the water and knew that the light was gone",
    "nobody could remember who had left the letter on the chair",
    "in the morning the boats came back to the harbour one after another",
)


def samples(data: bytes) -> np.ndarray:
    return soundfile.read(io.BytesIO(data), dtype="float32", always_2d=True)[0]


def heard(audio: np.ndarray) -> str:
    """What pocketsphinx recognises with its own general language model."""
    pcm = (
        (np.clip(soxr.resample(audio.mean(axis=1), RATE, 16_000), -1, 1) * 32767)
        .astype("<i2")
        .tobytes()
    )
    decoder = Decoder(loglevel="FATAL")
    decoder.start_utt()
    decoder.process_raw(pcm, full_utt=True)
    decoder.end_utt()
    return re.sub(r"[^a-z ]", "", decoder.hyp().hypstr.lower())


def whole(blocks: Iterator[np.ndarray]) -> np.ndarray:
    return np.concatenate(list(blocks))


@pytest.mark.long
def test_music_and_sound_cost_few_words() -> None:
    """Word error rate by jiwer, for each line in the mix and alone."""
    music = samples(play(compose("playful", 12.0, 3).song, 12.0))
    wind = samples(make_sound("waves on a shore, gusts of wind", 12.0, 1)[0])
    alone, mixed = [], []
    for line in LINES:
        voice = MixedPart("voice", 1.0, Samples(samples(speak(line, "briony").flac)))
        seconds = voice.source.length / RATE + 2.0
        spoken = slice(
            round(0.8 * RATE), round((seconds - 0.8) * RATE)
        )  # music alone, before and behind, holds no words
        alone.append(heard(whole(mix([voice], seconds))[spoken]))
        everything = [
            voice,
            MixedPart("music", 0.0, Samples(music[: round(seconds * RATE)])),
            MixedPart("ambience", 0.0, Samples(wind), loop_to=seconds),
        ]
        mixed.append(heard(whole(mix(everything, seconds))[spoken]))
    words = [line.lower() for line in LINES]
    assert jiwer.wer(words, alone) < 0.3
    assert jiwer.wer(words, mixed) <= jiwer.wer(words, alone) + MAY_LOSE
