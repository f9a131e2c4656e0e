"""Which captions of a film cannot be read in time, and what would mend each."""

from bisect import bisect_right
from typing import NamedTuple

from cutreel.core.captions import Caption, CaptionFault, CaptionFaultKind, caption_faults
from cutreel.core.speech import WordMark

from .assembled import Assembled
from .commands import MarkWords, SetHold

PAUSE = 0.4
"""Seconds of silence that give a short caption its time."""


class UnreadCaption(NamedTuple):
    """A caption that cannot be read in time: its shot, the second it comes at, its text; what is wrong, as found and as
    aimed at; what would mend it, and that in words (None: nothing that a click can do)."""

    shot: int
    at: float
    text: str
    kind: CaptionFaultKind
    found: float
    aim: float
    remedy: MarkWords | SetHold | None
    says: str


def captions_unread(film: Assembled) -> list[UnreadCaption]:
    """All of them, in the order of the film."""
    starts = [film.rate.seconds(s.start) for s in film.spans]
    out: list[UnreadCaption] = []
    for fault in caption_faults(film.captions):
        caption = film.captions[fault.caption]
        at = max(0, bisect_right(starts, caption.start + 0.05) - 1)
        remedy, says = _remedy(film, fault, caption, at)
        text = " ".join(caption.lines)
        told = (fault.kind, fault.found, fault.aim)
        number = film.read.shots[at].shot.id
        out.append(UnreadCaption(number, caption.start, text, *told, remedy, says))
    return out


def _remedy(
    film: Assembled, fault: CaptionFault, caption: Caption, at: int
) -> tuple[MarkWords | SetHold | None, str]:
    """What would mend a caption in the shot with the index `at`, and that in words."""
    if film.said.pieces:
        # Marks hold to the manuscript's words, which are not these.
        return None, ""
    known = {m.word: m for m in film.document.word_marks}
    read = film.read
    if fault.kind == "too quick":
        words = [read.ids[i] for i in range(caption.first, caption.last)]
        slower = [known.get(w, WordMark(word=w)) for w in words]
        marks = [m.model_copy(update={"pace": "slow"}) for m in slower if m.pace != "slow"]
        return (MarkWords(marks=marks), "say it slower") if marks else (None, "")
    if fault.kind == "too long" or caption.last >= len(read.ids):
        return None, ""
    here, following = (read.script.words[i].line for i in (caption.last - 1, caption.last))
    if here == following:
        mark = known.get(read.ids[caption.last], WordMark(word=read.ids[caption.last]))
        longer = mark.model_copy(update={"pause": PAUSE})
        return (
            (MarkWords(marks=[longer]), "a pause behind it") if mark.pause < PAUSE else (None, "")
        )
    shot = read.shots[at]
    if shot.end == caption.last:
        hold = round(shot.shot.hold + fault.aim - fault.found + 0.1, 1)
        return SetHold(shot=shot.shot.id, seconds=hold), "hold its picture"
    return None, ""
