"""Which part of a caption is being said: each of its words, where it stands in its lines and when it begins."""

from collections.abc import Sequence

from numpy import float64
from numpy.typing import NDArray

from cutreel.core.manuscript import Word

from .caption import Caption

SaidWord = tuple[int, int, int, float]
"""A line by its place, the characters from which up to which a word stands in it, and the second at which it begins."""


def said_in(
    caption: Caption, words: Sequence[Word], times: NDArray[float64]
) -> tuple[SaidWord, ...]:
    """The words of a caption in their order. A word that was cut over two lines is left out."""
    out: list[SaidWord] = []
    line = at = 0
    for i in range(caption.first, caption.last):
        text = words[i].text
        for n in range(line, len(caption.lines)):
            found = caption.lines[n].find(text, at if n == line else 0)
            if found >= 0:
                line, at = n, found + len(text)
                out.append((n, found, at, float(times[i, 0])))
                break
    return tuple(out)
