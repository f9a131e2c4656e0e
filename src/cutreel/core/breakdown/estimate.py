"""How long words take before a voice has spoken them."""

from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.manuscript import Manuscript, Word, syllables

SECONDS_A_WORD = 0.128
SECONDS_A_SYLLABLE = 0.1155
LINE_END = 0.28
"""Fitted by least squares to 480 measured lines of all shipped voices; each voice's own length is a
factor on them. `LINE_END` is what a voice spends on drawing out the end of what it speaks in one
breath."""

COMMA_WITHIN, STOP_WITHIN = 0.29, 0.15
"""The pauses a voice makes at a comma and at a full stop inside what it speaks in one breath,
fitted likewise."""

COMMA, CLAUSE, SENTENCE, PARAGRAPH, SCENE = 0.22, 0.30, 0.38, 0.62, 1.20
"""Pauses between lines, which are laid one behind another."""


@lru_cache(maxsize=65_536)
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
    if following.line == word.line:
        return pause_within(word.text)
    mark = _mark(word.text)
    if following.sentence != word.sentence:
        return SENTENCE
    if mark in ";:—–…" or word.text.endswith("--"):
        return CLAUSE
    return COMMA if mark == "," else 0.0


def pause_within(text: str) -> float:
    """Seconds of silence behind a word, written so, inside of a line."""
    mark = _mark(text)
    if mark in tuple(".!?…"):
        return STOP_WITHIN
    return COMMA_WITHIN if mark in tuple(",;:—–") or text.endswith("--") else 0.0


def _mark(text: str) -> str:
    """The punctuation that ends a word; empty where none does."""
    return text.rstrip("”’\"')")[-1:]


def estimate_words(script: Manuscript) -> NDArray[np.float64]:
    """Estimated (start, end) of every word in seconds from the first word's start. Shape (words,
    2); an even voice."""
    times = np.zeros((len(script.words), 2))
    at = 0.0
    for i, word in enumerate(script.words):
        following = script.words[i + 1] if i + 1 < len(script.words) else None
        times[i, 0] = at
        at += speaking_seconds(word.bare) + (
            LINE_END if following is None or following.line != word.line else 0.0
        )
        times[i, 1] = at
        at += pause_after(word, following)
    return times


def total_seconds(times: Sequence[Sequence[float]] | NDArray[np.float64]) -> float:
    """End of the last word, in seconds."""
    return float(times[-1][1]) if len(times) else 0.0
