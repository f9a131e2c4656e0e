"""Wordings in a prompt, compared whatever the letters and the marks between words."""

import re
from functools import lru_cache

from .model import Trait


def is_said(said: str, trait: Trait) -> bool:
    """Whether a prompt, in plain words, says a trait in its long or its short wording."""
    return any(plainly(wording) in said for wording in (trait.text, trait.short) if wording)


@lru_cache(maxsize=16_384)
def plainly(text: str) -> str:
    """Small letters and single spaces, framed by spaces so that whole words are compared."""
    return " " + " ".join(re.sub(r"[^\w\s'-]", " ", text.lower()).split()) + " "
