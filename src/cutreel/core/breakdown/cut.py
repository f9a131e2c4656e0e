"""Where the cut marks go: the cheapest way to cut the whole manuscript, not one shot after another.

A cut is a path over word boundaries. Each shot costs by how far its time is from the wanted length
and by what it runs across (paragraphs, changes of speaker); each mark costs by what it breaks. The
cheapest path is found by dynamic programming (Bellman 1952), in time proportional to words times
words per longest shot.
"""

import re
from typing import Any

import numpy as np
from numpy.typing import NDArray

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Manuscript

from .estimate import estimate_words
from .pace import SHORTEST, Wish
from .scrap import SCRAP_SECONDS, SCRAP_WORDS

# Everything is weighed against being too long or too short. A shot that lasts r times what is wanted
# costs LENGTH · ln(r)²: lengths are felt as ratios, and twice is as bad as half.
LENGTH = 2.0
MID_PHRASE = 2.6  # as bad as a shot 3.1 times too long: only a scrap on either side is worse
AT_COMMA = 0.9  # a breath: taken where it saves a shot from being twice too long
AT_CLAUSE = 0.5  # a semicolon or dash nearly ends a thought: 1.6 times too long
AT_TURN = 0.15  # somebody else speaks, and the picture changes anyway: nearly free
TURN_GOES_ON = 0.8  # more, where the turn goes on in the sentence ("…," he said): as a comma
ACROSS_PARAGRAPH = 0.55  # a new thought begins unseen: a little worse than a cut at a clause
ACROSS_DATE = 2.6  # another day, as in a diary: like a cut within a phrase
ACROSS_SPEAKER = 0.25  # two who speak may stand in one picture
ACROSS_SENTENCE = 0.12  # two sentences a picture are usual: only where all else is equal
EVERY_WEIGHT = 5.0
"""How much more time counts than sense where a picture is asked for every so many seconds."""
REACH, REACH_EXACTLY = 2.6, 4.0
"""Shots more than so many times too long are not looked at; where their number is set, they must be."""


def break_down(script: Manuscript, wish: Wish, kept: frozenset[int] = frozenset()) -> list[int]:
    """Indices of the words that open a shot, rising, the first 0. Marks in `kept` (word indices)
    are always set.

    A change of scene always cuts. Raises BadInput when an exact number cannot be had.
    """
    n = len(script.words)
    if n == 0:
        return []
    forced = {
        0,
        *(k for k in kept if 0 <= k < n),
        *(s.first for s in script.scenes if 0 < s.first < n),
    }
    if wish.by == "sentence":
        return _by_sentence(script, forced)
    problem = _Problem(script, wish, forced)
    if wish.by == "exactly":
        return problem.exactly(wish.count)
    return problem.cheapest(0.0)


def cut_ramp(
    script: Manuscript,
    first: int,
    end: int,
    seconds: tuple[float, float],
    kept: frozenset[int] = frozenset(),
) -> list[int]:
    """Indices of the words that open shots among the words from `first` up to `end`, the first `first`: about so many
    seconds long at first and at last, in between by even ratios, as lengths are felt. Marks in `kept`, and changes of
    scene, stay."""
    forced = {0, first, *kept, *(s.first for s in script.scenes)}
    problem = _Problem(script, Wish(), {at for at in forced if first <= at < end} | {0})
    return problem.ramp(first, end, seconds)


def _by_sentence(script: Manuscript, forced: set[int]) -> list[int]:
    times = estimate_words(script)
    opens = sorted(forced | {s.first for s in script.sentences if s.end > s.first})
    out = [opens[0]]
    for i, at in enumerate(opens[1:], 1):
        end = opens[i + 1] if i + 1 < len(opens) else len(script.words)
        scrap = times[end - 1, 1] - times[at, 0] < SCRAP_SECONDS or end - at < SCRAP_WORDS
        same = script.words[at].paragraph == script.words[at - 1].paragraph
        if at in forced or not (scrap and same):
            out.append(at)
    return out


class _Problem:
    """Costs of shots and marks, and the searches over them. Boundary i stands before word i; 0 …
    n."""

    def __init__(self, script: Manuscript, wish: Wish, forced: set[int]) -> None:
        self.n = len(script.words)
        self.forced = forced
        times = estimate_words(script)
        self.starts, self.ends = times[:, 0], times[:, 1]
        total = max(1e-6, float(self.ends[-1]))
        self.wanted = np.array(
            [
                wish.wanted(t, w.scene, t / total)
                for t, w in zip(self.starts.tolist(), script.words, strict=True)
            ]
        )
        self.weight = LENGTH * (EVERY_WEIGHT if wish.by == "every" else 1.0)
        if wish.by == "exactly":
            self.wanted[:] = max(0.5, float(self.ends[-1]) / max(1, wish.count))
        self.mark, self.across = _boundaries(script)
        self.barrier = np.zeros(self.n + 1, dtype=np.int64)
        for at in forced:
            self.barrier[at] = 1
        self.crossed = np.cumsum(self.across)
        self.reach = REACH

    def cheapest(self, toll: float) -> list[int]:
        """The cheapest cut when each shot costs `toll` more."""
        came = _cheapest_path(
            self.starts, self.ends, self.wanted, self.mark, self.crossed, self.barrier,
            self.reach, toll,
            self.weight,
        )  # fmt: skip
        return _walk(came, self.n)

    def ramp(self, first: int, end: int, seconds: tuple[float, float]) -> list[int]:
        """The cheapest cut of the words from `first` up to `end` alone, from one length to another."""
        here = slice(first, end)
        starts, ends = self.starts[here], self.ends[here]
        along = (starts - starts[0]) / max(1e-6, float(ends[-1] - starts[0]))
        least, most = (max(SHORTEST, s) for s in seconds)
        wanted = least * (most / least) ** along
        bounds = slice(first, end + 1)
        came = _cheapest_path(
            starts, ends, wanted, self.mark[bounds], self.crossed[bounds], self.barrier[bounds],
            self.reach, 0.0, self.weight,
        )  # fmt: skip
        return [first + at for at in _walk(came, end - first)]

    def exactly(self, count: int) -> list[int]:
        """The cheapest cut into `count` shots.

        A toll per shot is searched that gives the number (a Lagrange multiplier); where the number
        falls into a gap between two tolls, shots are split or joined where that is cheapest until
        it is exact.
        """
        least = len(self.forced)
        if not least <= count <= self.n:
            raise BadInput(
                f"This manuscript cannot be cut into {count} shots.",
                f"Ask for {least} to {self.n}: it has {self.n} words"
                + (f" and {least - 1} marks that must stay." if least > 1 else "."),
            )
        self.reach = REACH_EXACTLY
        low, high = -40.0, 40.0
        cut = self.cheapest(0.0)
        toll = 0.0
        for _ in range(24):
            if len(cut) == count:
                return cut
            low, high = (toll, high) if len(cut) > count else (low, toll)
            toll = (low + high) / 2
            cut = self.cheapest(toll)
        return cut if len(cut) == count else self._repair(cut, count)

    def _repair(self, cut: list[int], count: int) -> list[int]:
        marks = set(cut)
        while len(marks) > count:
            ordered = sorted(marks)
            free = [m for m in ordered if m not in self.forced]
            spans = dict(zip(ordered, [*ordered[1:], self.n], strict=True))
            before = dict(zip(ordered[1:], ordered, strict=False))
            marks.remove(
                min(
                    free,
                    key=lambda m: (
                        float(self.ends[spans[m] - 1] - self.starts[before[m]]) - self.mark[m]
                    ),
                )
            )
        while len(marks) < count:
            ordered = sorted(marks)
            spans_list = [
                (a, b) for a, b in zip(ordered, [*ordered[1:], self.n], strict=True) if b - a > 1
            ]
            a, b = max(
                spans_list,
                key=lambda s: float(self.ends[s[1] - 1] - self.starts[s[0]]) / self.wanted[s[0]],
            )
            middle = (self.starts[a] + self.ends[b - 1]) / 2
            length = max(0.2, float(self.ends[b - 1] - self.starts[a]))
            marks.add(
                min(
                    range(a + 1, b),
                    key=lambda m: self.mark[m] + 8 * abs(self.starts[m] - middle) / length,
                )
            )
        return sorted(marks)


def _cheapest_path(*given: Any) -> NDArray[np.int64]:
    from .path import cheapest_path  # here: it brings the compiler along, and not everybody cuts

    came: NDArray[np.int64] = cheapest_path(*given)
    return came


def _boundaries(script: Manuscript) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Cost of a mark at each boundary, and of a shot that runs across it. Both of length words +
    1."""
    n = len(script.words)
    mark, across = np.zeros(n + 1), np.zeros(n + 1)
    for i in range(1, n):
        word, following = script.words[i - 1], script.words[i]
        end = word.text.rstrip("”’\"')")[-1:]
        if word.paragraph != following.paragraph:
            across[i] = ACROSS_DATE if _is_dated(script, i) else ACROSS_PARAGRAPH
        elif word.sentence != following.sentence:
            across[i] = ACROSS_SENTENCE
        elif word.line != following.line:
            mark[i] = AT_TURN + (TURN_GOES_ON if following.text[:1].islower() else 0.0)
        elif end in ";:—–" or word.text.endswith("--"):
            mark[i] = AT_CLAUSE
        elif end == ",":
            mark[i] = AT_COMMA
        else:
            mark[i] = MID_PHRASE
        one, other = script.lines[word.line].speaker, script.lines[following.line].speaker
        if one and other and one != other:
            across[i] += ACROSS_SPEAKER
    return mark, across


_MONTH = "(?:January|February|March|April|May|June|July|August|September|October|November|December)"
_DATE = re.compile(
    rf"(?:\d{{1,2}}(?:st|nd|rd|th)? (?:of )?{_MONTH}|{_MONTH} \d{{1,2}}(?:st|nd|rd|th)?|"
    r"(?:Day|Week|Night) (?:\d+|[a-z-]+))\b"
)


def _is_dated(script: Manuscript, i: int) -> bool:
    """Whether a paragraph that word `i` opens begins with a date: "19 March. Still held."."""
    return _DATE.match(" ".join(w.text for w in script.words[i : i + 4])) is not None


def _walk(came: NDArray[np.int64], n: int) -> list[int]:
    cut = []
    at = n
    while at > 0:
        at = int(came[at])
        cut.append(at)
    return cut[::-1]
