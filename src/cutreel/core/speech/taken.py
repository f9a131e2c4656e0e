"""Which stretches of a recording say a line: what was kept of it, without coughs, asides and long silences."""

from collections.abc import Callable, Sequence

from .hearing import HeardWord
from .plain import Tokens
from .vocabulary import common_words

ROOM = 0.15
"""Seconds before a first and behind a last word, where nothing else is said there."""
ASIDE = 0.12
"""Seconds of a pause before and behind words that are put in, from which on they are an aside and go: a recogniser that
mishears one long word as two leaves none."""
MISHEARD = 2
"""Words that one may be misheard as, at most."""
UNHEARD = 0.45
"""Seconds before a first word that was heard, in which one that was not heard may be."""
LONG, LEFT = 0.9, 0.3
"""A gap within a line that is longer has a cough or a thought in it; so much of it is left on both sides."""


def stretches_said(
    places: Sequence[int | None], heard: Sequence[HeardWord]
) -> list[tuple[float, float]]:
    """The stretches (seconds of the recording) that say some words, which were heard at `places`, in order."""
    runs: list[list[int]] = []
    for place in places:
        if place is None:
            continue
        if runs and _goes_on(runs[-1][-1], place, heard):
            runs[-1].append(place)
        else:
            runs.append([place])
    stray = len(runs) > 1 and len(runs[0]) == 1
    if stray:
        runs = runs[1:]
    spans = [(_from(run[0], heard), _until(run[-1], heard)) for run in runs]
    if stray:
        # A first word by itself before an aside was heard in that; where it belongs something is said that was not
        # heard.
        first = runs[0][0]
        before = heard[first - 1].end if first else 0.0
        spans[0] = (max(before, heard[first].start - UNHEARD, 0.0), spans[0][1])
    return spans


def _goes_on(last: int, place: int, heard: Sequence[HeardWord]) -> bool:
    if place <= last:
        return False
    if heard[place].start - heard[place - 1].end > LONG:
        return False
    before = heard[last + 1].start - heard[last].end
    behind = heard[place].start - heard[place - 1].end
    misheard = place - last - 1
    return misheard == 0 or (misheard <= MISHEARD and min(before, behind) < ASIDE)


def _from(place: int, heard: Sequence[HeardWord]) -> float:
    start = heard[place].start
    gap = start - (heard[place - 1].end if place else 0.0)
    return max(0.0, start - min(LEFT if gap > LONG else ROOM, max(0.0, gap / 2)))


def _until(place: int, heard: Sequence[HeardWord]) -> float:
    end = heard[place].end
    gap = heard[place + 1].start - end if place + 1 < len(heard) else 2 * ROOM
    return end + min(LEFT if gap > LONG else ROOM, max(0.0, gap / 2))


SPOKEN = 0.1
"""Seconds of a gap between two words, for each that is missing there, in which something else may have been said."""


def left_out(
    tokens: Tokens,
    places: Sequence[int | None],
    heard: Sequence[HeardWord],
    missing: Sequence[int],
    voiced: Callable[[float, float], bool],
) -> list[int]:
    """Which of the `missing` words (of the manuscript) nobody said: not those in whose place there is a voice, which
    the recogniser knew otherwise, a figure above all; nor a small word by itself, which anybody swallows. `places` are
    those of all plain words; `voiced` says whether somebody speaks between two moments."""
    out = []
    for run in in_runs(missing):
        own = [i for i, word in enumerate(tokens.of) if run[0] <= word <= run[-1]]
        small = len(own) == 1 and tokens.texts[own[0]] in common_words()
        gap = _gap(places, heard, own[0], own[-1]) if own else None
        # How many words a figure is read as is the reader's choice.
        expected = len(run) if len(own) > len(run) else min(len(own), 4)
        spoken = gap and gap[1] - gap[0] > SPOKEN * expected and voiced(*gap)
        if own and not small and not spoken:
            out += run
    return out


def in_runs(words: Sequence[int]) -> list[list[int]]:
    """Numbers in rising order, those that follow each other together."""
    out: list[list[int]] = []
    for word in words:
        if out and word == out[-1][-1] + 1:
            out[-1].append(word)
        else:
            out.append([word])
    return out


def _gap(
    places: Sequence[int | None], heard: Sequence[HeardWord], first: int, last: int
) -> tuple[float, float] | None:
    """From when until when nothing of the text was heard in place of some plain words; None where what stands around
    them was not said in one go."""
    before = places[first - 1] if first else None
    behind = places[last + 1] if last + 1 < len(places) else None
    if before is None or behind is None or behind <= before or last - first >= MANY:
        return None
    return heard[before].end, heard[behind].start


MANY = 8
"""Plain words that are not swallowed or misheard all at once: they were left out."""
