"""How easy a text is to read: Flesch's reading ease (Flesch 1948). 100 is very easy, 30 hard."""

from collections import Counter

from .model import Manuscript, strip_marks
from .syllables import syllables


def reading_ease(script: Manuscript) -> float:
    """206.835 - 1.015 words per sentence - 84.6 syllables per word; 0 for no words."""
    words = len(script.words)
    if not words:
        return 0.0
    often = Counter([w.text for w in script.words])
    count = sum(syllables(strip_marks(text)) * n for text, n in often.items())
    return 206.835 - 1.015 * words / len(script.sentences) - 84.6 * count / words
