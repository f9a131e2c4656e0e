"""Whether a text is in English, which is the only language that is parsed."""

import re

_COMMON = frozenset(
    "the a an and of to in was he she it that his her with on at for had they as but from by him not were "
    "said is you i my we there out up then into when all be so one this have what their them".split()
)
LOOKED_AT = 4_000
"""Characters from the start by which a language is told."""
LEAST = 0.22
"""Of English prose about two words in five are among the commonest sixty; of its neighbours less than one in eight."""


def is_english(text: str) -> bool:
    """Whether so many of a text's words are common English ones that it must be English."""
    words = re.findall(r"[^\W\d_]+", text[:LOOKED_AT].lower())
    return bool(words) and sum(w in _COMMON for w in words) >= LEAST * len(words)
