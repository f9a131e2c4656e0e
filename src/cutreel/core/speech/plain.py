"""Words as they are heard: plain, of small letters, figures and short forms read aloud."""

import re
from collections.abc import Sequence
from typing import NamedTuple

from cutreel.core.manuscript import Word

from .saying import said

_PLAIN = re.compile(r"[a-zà-öø-ÿ]+(?:'[a-z]+)?")


class Tokens(NamedTuple):
    """Plain words, and of which word of the manuscript each is (its place): "1834" is three."""

    texts: list[str]
    of: list[int]


def tokens_of(words: Sequence[Word]) -> Tokens:
    """The plain words that are heard when `words` are read."""
    texts: list[str] = []
    of: list[int] = []
    for i, text in enumerate(said(words, {})):
        for plain in _PLAIN.findall(text.lower().replace("’", "'")):
            texts.append(plain)
            of.append(i)
    return Tokens(texts, of)
