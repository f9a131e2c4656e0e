"""Which part of a caption is being said: each of its words, where it stands in its lines and when it begins."""

from collections.abc import Collection, Iterator, Sequence

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
    return tuple((n, a, b, float(times[i, 0])) for i, n, a, b in _placed(caption, words))


def stressed_in(
    caption: Caption, words: Sequence[Word], stressed: Collection[int]
) -> tuple[tuple[int, int, int], ...]:
    """Where the words of a caption that are `stressed` (by their indices) stand: line, characters from and up to."""
    if not any(i in stressed for i in range(caption.first, caption.last)):
        return ()
    return tuple((n, a, b) for i, n, a, b in _placed(caption, words) if i in stressed)


def _placed(caption: Caption, words: Sequence[Word]) -> Iterator[tuple[int, int, int, int]]:
    """Each word by its index, with its line and the characters from which up to which it stands there."""
    line = at = 0
    for i in range(caption.first, caption.last):
        text = words[i].text
        for n in range(line, len(caption.lines)):
            found = caption.lines[n].find(text, at if n == line else 0)
            if found >= 0:
                line, at = n, found + len(text)
                yield i, n, found, at
                break
