"""Lines laid one after another in time. A line that has been spoken brings its own word times;
others are estimated."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.breakdown import LINE_END, pause_after, pause_within, speaking_seconds
from cutreel.core.manuscript import Word, strip_marks

LEAD_IN, TAIL = 0.35, 1.60
"""Seconds before the first word, and the last picture's hold behind the last word."""


@dataclass(frozen=True)
class Rests:
    """Seconds of silence between paragraphs and scenes, `before` the first word and `behind` the last; None: as is
    usual."""

    paragraph: float | None = None
    scene: float | None = None
    before: float | None = None
    behind: float | None = None

    def after(self, word: Word, following: Word) -> float:
        """The silence between the last word of a line and the first of the next."""
        if following.scene != word.scene and self.scene is not None:
            return self.scene
        same_scene = following.scene == word.scene
        if same_scene and following.paragraph != word.paragraph and self.paragraph is not None:
            return self.paragraph
        return max(0.12, pause_after(word, following))


@dataclass(frozen=True)
class LineSound:
    """A spoken line: its length in seconds, and the (start, end) of each of its words within it."""

    seconds: float
    words: tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class Timing:
    """Where everything spoken stands in the film, in seconds.

    `words` has shape (words, 2); `lines` is the start of each line; `measured` tells which lines
    were spoken.
    """

    words: NDArray[np.float64]
    lines: tuple[float, ...]
    measured: tuple[bool, ...]
    seconds: float


def lay_out(
    said: Sequence[Word],
    lines: Sequence[tuple[int, int]],
    sounds: Mapping[int, LineSound],
    pauses: Mapping[int, float] | None = None,
    lengths: Sequence[float] | None = None,
    overs: Sequence[float] | None = None,
    rests: Rests = Rests(),
) -> Timing:
    """Lay out `lines`, each the words that are `said` from its first up to its second index, which together are all
    words in order.

    `sounds` maps indices of lines to what was spoken; the gaps between lines follow punctuation and `rests`.
    `pauses` are seconds of silence more before the word with an index, which must open a line (or
    be the number of words: at the end). `lengths` says for each line how long its voice takes,
    where 1 is an even reader; it counts for estimates alone. `overs` says for each line by how many seconds it begins
    before the one before it has ended. Words that are still said then count as said by its beginning, so that words
    stand in their order.
    """
    more = pauses or {}
    words = np.zeros((len(said), 2))
    starts: list[float] = []
    at = ended = LEAD_IN if rests.before is None else rests.before
    for number, (first, end) in enumerate(lines):
        over = overs[number] if overs and number and first not in more else 0.0
        if over:
            # Never before the line that it cuts short has begun in earnest.
            at = max(ended - over, (starts[-1] + ended) / 2)
            begun = lines[number - 1][0]
            words[begun:first] = np.minimum(words[begun:first], at)
        starts.append(at)
        sound = sounds.get(number)
        if sound is not None and len(sound.words) == end - first:
            words[first:end] = np.asarray(sound.words).reshape(-1, 2) + at
            at += sound.seconds
        else:
            slow = lengths[number] if lengths else 1.0
            words[first:end] = _estimated(said[first:end]) * slow + at
            at = float(words[end - 1, 1])
        at = ended = max(at, ended)
        if end < len(said):
            at += rests.after(said[end - 1], said[end])
        at += more.get(end, 0.0)
    at += TAIL if rests.behind is None else rests.behind
    return Timing(words, tuple(starts), tuple(n in sounds for n in range(len(lines))), at)


def _estimated(words: Sequence[Word]) -> NDArray[np.float64]:
    """When an even voice would say the words of a line, in seconds from its beginning. Shape (words, 2)."""
    return _estimated_of(tuple([w.text for w in words]))


@lru_cache(maxsize=4096)
def _estimated_of(texts: tuple[str, ...]) -> NDArray[np.float64]:
    """The same by the words' text, which is all that it depends on: a line lies in one paragraph."""
    says = np.array([speaking_seconds(strip_marks(text)) for text in texts])
    says[-1] += LINE_END
    rests = np.zeros(len(texts))
    rests[:-1] = [pause_within(text) for text in texts[:-1]]
    ends = np.cumsum(says + rests) - rests
    out = np.stack([ends - says, ends], axis=1)
    out.flags.writeable = False
    return out
