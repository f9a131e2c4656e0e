"""How long words take before a voice has spoken them."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from cutreel.core.manuscript import Manuscript, Word, syllables

SECONDS_A_WORD = 0.057
SECONDS_A_SYLLABLE = 0.180
"""Fitted by least squares to the measured words of three shipped voices; about 170 words a minute of plain prose."""

WITHIN_LINE = 0.13
"""The pause a voice makes at a comma or a full stop inside what it speaks in one breath, as measured."""

COMMA, CLAUSE, SENTENCE, PARAGRAPH, SCENE = 0.22, 0.30, 0.38, 0.62, 1.20
"""Pauses between lines, which are laid one behind another."""


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
    mark = word.text.rstrip("”’\"')")[-1:]
    if following.line == word.line:
        return WITHIN_LINE if mark in tuple(".!?…,;:—–") or word.text.endswith("--") else 0.0
    if following.sentence != word.sentence:
        return SENTENCE
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
