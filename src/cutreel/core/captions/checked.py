"""Whether captions can be read in time (DCMP Captioning Key, from memory: at most 235 words a minute for what is nearly
verbatim, at least 40 frames of 30, which we take for 1.3 s, at most 6 seconds)."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from .caption import LONGEST, SHORTEST, Caption

QUICKEST = 235.0
"""Words a minute."""
A_WORD = 5.5
"""Letters, with its space, that a word has at least where words are counted: of many short ones fewer are read."""
CaptionFaultKind = Literal["too quick", "too short", "too long"]


class CaptionFault(NamedTuple):
    """What is wrong with a caption, by its place: `found` in words a minute or in seconds, beside what is aimed at."""

    caption: int
    kind: CaptionFaultKind
    found: float
    aim: float


def caption_faults(captions: Sequence[Caption]) -> list[CaptionFault]:
    """All that cannot be read in time, in the order of the captions; of each caption the worst."""
    out: list[CaptionFault] = []
    for n, caption in enumerate(captions):
        seconds = caption.end - caption.start
        letters = sum(map(len, caption.lines)) + len(caption.lines) - 1
        rate = 60 * min(caption.last - caption.first, letters / A_WORD) / max(0.1, seconds)
        if rate > QUICKEST:
            out.append(CaptionFault(n, "too quick", round(rate), QUICKEST))
        elif seconds < SHORTEST - 0.02:
            out.append(CaptionFault(n, "too short", round(seconds, 2), SHORTEST))
        elif seconds > LONGEST + 0.02:
            out.append(CaptionFault(n, "too long", round(seconds, 2), LONGEST))
    return out
