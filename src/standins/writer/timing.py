"""About how long a voice takes over a text, pauses counted, so that a manuscript can be written to
a length."""

import re

WORD, SYLLABLE = 0.128, 0.1155
COMMA, STOP, LINE = 0.29, 0.15, 0.28
PARAGRAPH, SCENE = 0.62 + LINE, 1.2 + LINE
"""Seconds; measured on the stand-in voices and on how films lay their lines."""


def spoken_seconds(text: str) -> float:
    """Seconds to say a text: words, syllables by groups of vowels, short pauses at marks, longer
    ones around speech."""
    words = re.findall(r"[A-Za-zÀ-ÿ'’]+", text.lower())
    syllables = sum(max(1, len(re.findall(r"[aeiouyà-ÿ]+", w)) - (w.endswith("e") and not w.endswith("le"))) for w in words)
    commas, stops = len(re.findall(r"[,;:](?=\s)", text)), len(re.findall(r"[.!?](?=\s|”)", text))
    return WORD * len(words) + SYLLABLE * syllables + COMMA * commas + STOP * stops + 2 * LINE * text.count("“")
