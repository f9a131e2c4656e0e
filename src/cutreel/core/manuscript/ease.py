"""How easy a text is to read: Flesch's reading ease (Flesch 1948). 100 is very easy, 30 hard."""

from .model import Manuscript
from .syllables import syllables


def reading_ease(script: Manuscript) -> float:
    """206.835 - 1.015 words per sentence - 84.6 syllables per word; 0 for no words."""
    words = len(script.words)
    if not words:
        return 0.0
    count = sum(syllables(w.bare) for w in script.words)
    return 206.835 - 1.015 * words / len(script.sentences) - 84.6 * count / words
