"""Chapters: where a viewer may jump to. They begin at 0:00, there are three or more, each lasts ten seconds or more
(common practice); where that cannot be, there are none."""

from collections.abc import Sequence
from typing import NamedTuple

LEAST_CHAPTERS = 3
LEAST_CHAPTER = 10.0
"""Seconds."""


class Chapter(NamedTuple):
    """A chapter: the second that it begins at, and what it is called."""

    start: float
    title: str


def plan_chapters(scenes: Sequence[Chapter], seconds: float) -> list[Chapter]:
    """Chapters from scenes, in order, of a film of so many `seconds`: one that would be too short goes with the one
    before it; the first begins with the film."""
    out: list[Chapter] = []
    for scene in scenes:
        if not out:
            out.append(Chapter(0.0, scene.title))
        elif scene.start - out[-1].start >= LEAST_CHAPTER and scene.title != out[-1].title:
            out.append(scene)
    while len(out) > 1 and seconds - out[-1].start < LEAST_CHAPTER:
        out.pop()
    return out if len(out) >= LEAST_CHAPTERS else []


def stamp_of(seconds: float) -> str:
    """A time as descriptions have it: 0:00, 12:05, 1:00:00."""
    whole = int(seconds)
    hours, minutes = whole // 3600, whole // 60 % 60
    start = f"{hours}:{minutes:02d}" if hours else str(minutes)
    return f"{start}:{whole % 60:02d}"


def chapters_told(chapters: Sequence[Chapter]) -> str:
    """Chapters as lines of a description."""
    return "\n".join(f"{stamp_of(c.start)} {c.title}" for c in chapters)
