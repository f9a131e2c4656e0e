"""How long words take before a voice has spoken them."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from cutreel.core.manuscript import Manuscript, Word, syllables

SECONDS_A_WORD = 0.085
SECONDS_A_SYLLABLE = 0.172
"""Fitted to the measured speech of the shipped voices; together about 155 words a minute of plain prose."""

COMMA, CLAUSE, SENTENCE, PARAGRAPH, SCENE = 0.22, 0.30, 0.38, 0.62, 1.20


def speaking_seconds(word: str) -> float:
    """Seconds to say one word."""
    return SECONDS_A_WORD + SECONDS_A_SYLLABLE * syllables(word)


def pause_after(word: Word, following: Word | None) -> float:
    """Seconds of silence between a word and the one that follows."""
    if following is None:
        return 0.0
    if following.scene != word.scene:
        return SCENE
    if following.paragraph != word.paragraph:
        return PARAGRAPH
    if following.sentence != word.sentence:
        return SENTENCE
    mark = word.text.rstrip("”’\"')")[-1:]
    if mark in ";:—–…" or word.text.endswith("--"):
        return CLAUSE
    return COMMA if mark == "," else 0.0


def estimate_words(script: Manuscript) -> NDArray[np.float64]:
    """Estimated (start, end) of every word in seconds from the first word's start. Shape (words, 2)."""
    times = np.zeros((len(script.words), 2))
    at = 0.0
    for i, word in enumerate(script.words):
        times[i, 0] = at
        at += speaking_seconds(word.bare)
        times[i, 1] = at
        at += pause_after(word, script.words[i + 1] if i + 1 < len(script.words) else None)
    return times


def total_seconds(times: Sequence[Sequence[float]] | NDArray[np.float64]) -> float:
    """End of the last word, in seconds."""
    return float(times[-1][1]) if len(times) else 0.0
