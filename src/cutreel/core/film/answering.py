"""Two who act on each other: what somebody does when something is done to them, and who reaches for whom."""

import re
from collections.abc import Collection

AIMED: frozenset[str] = frozenset(("hand over", "stroke", "point", "reach", "push", "knock"))
"""Actions whose hand goes to whom they are done to."""
ANSWERS: dict[str, tuple[str, str]] = {
    "hand over": ("reach", "raise the head"),
    "stroke": ("look toward", "wag"),
    "push": ("start back", "hop"),
    "knock": ("start back", "hop"),
    "throw": ("reach", "hop"),
    "wave": ("wave", "raise the head"),
    "bow": ("nod", "raise the head"),
}
"""For each action what it is answered with, by a person and by an animal."""
AFTER = 0.7
"""Seconds by which an answer comes later than what it answers: a person needs about a third of them to see it, the rest
is so that a viewer sees one thing after the other."""
_REFERS = re.compile(r"\{(\d+)\}")


def done_to(text: str, who: Collection[int]) -> list[int]:
    """The people of the cast that a deed is done to, by its clause, in which they stand as numbers in braces."""
    return [n for n in map(int, _REFERS.findall(text)) if n not in who]
