"""Where somebody begins to speak before another has ended: the text breaks the one off with a dash."""

from cutreel.core.manuscript import UNKNOWN, Line, Manuscript

OVER = 0.25
"""Seconds by which an interruption comes early: speakers who take turns overlap by about as much (Heldner and Edlund,
2010: pauses, gaps and overlaps in conversations)."""
_DASHES = ("—", "–", "--")
_CLOSING = "\"'”’»)"


def over_told(script: Manuscript, before: Line | None, line: Line) -> float:
    """By how many seconds a line begins before the one before it has ended; 0 where the text tells of no such thing."""
    if before is None or before.speaker is None or line.speaker is None:
        return 0.0
    if before.speaker == line.speaker or UNKNOWN in (before.speaker, line.speaker):
        return 0.0
    last, first = script.words[before.end - 1], script.words[line.first]
    broken_off = last.text.rstrip(_CLOSING).endswith(_DASHES)
    return OVER if broken_off and last.scene == first.scene else 0.0
