"""About how long a voice takes over a text, pauses counted, so that a manuscript can be written to a length."""

import re

WORD, SYLLABLE = 0.057, 0.18
STOP, PARAGRAPH, SCENE = 0.13, 0.62, 1.2
"""Seconds; measured on the stand-in voices and on how films lay their lines."""


def spoken_seconds(text: str) -> float:
    """Seconds to say a text: words, syllables by groups of vowels, and short pauses at marks."""
    words = re.findall(r"[A-Za-zÀ-ÿ'’]+", text.lower())
    syllables = sum(max(1, len(re.findall(r"[aeiouyà-ÿ]+", w)) - (w.endswith("e") and not w.endswith("le"))) for w in words)
    quotes = text.count("“") * 2
    return WORD * len(words) + SYLLABLE * syllables + STOP * len(re.findall(r"[.,;:!?](?=\s|”|$)", text)) + 0.12 * quotes
