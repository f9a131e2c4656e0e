"""Scripts from outside: decoded and read in the process apart, since any file may come."""

import re
from bisect import bisect_left
from collections.abc import Sequence
from dataclasses import dataclass

from cutreel.core.breakdown import ReferencePace, measure
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read, text_of
from cutreel.core.manuscript.formats import (
    Column,
    ReadStory,
    StoryRow,
    TableView,
    format_of,
    look_at,
    looks_like_stories,
    read_stories,
    read_story,
)

from .apart import SCRIPT, reader


@dataclass(frozen=True)
class FoundStory:
    """What is in a script's file. Of a table whose narration is in no known column there is no
    story yet."""

    table: TableView | None
    story: ReadStory | None


def story_apart(data: bytes, name: str, columns: Sequence[Column] | None) -> FoundStory:
    """Read a script from outside. Raises BadInput in words the maker can act on, whatever it is."""
    return reader.read(story_in, data, name, columns, what=SCRIPT)


def story_in(data: bytes, name: str, columns: Sequence[Column] | None) -> FoundStory:
    """The script in a file; `columns` say what the columns of a table are. Raises BadInput."""
    text = text_of(data)
    table = look_at(text) if format_of(text, name) in ("csv", "tsv") else None
    if table and "narration" not in (columns or table.columns):
        return FoundStory(table, None)
    return FoundStory(table, read_story(text, name, columns))


def stories_in(data: bytes, name: str) -> list[StoryRow]:
    """The stories in a file: those of a table of them, or the one that it is. Raises BadInput."""
    text = text_of(data)
    if looks_like_stories(text):
        return read_stories(text)
    found = story_in(data, name, None).story
    if found is None:
        raise BadInput(
            "The table says in no column what is told.", "Name a column “story” in its first row."
        )
    called = re.sub(r"\.\w{1,8}$", "", name.rsplit("/", 1)[-1]).replace("_", " ").replace("-", " ")
    called = found.title or called.strip()[:1].upper() + called.strip()[1:]
    return [StoryRow(called[:200], found.text, "")]


def pace_in(data: bytes, name: str) -> ReferencePace:
    """The pace of a script in a file: measures alone. Raises BadInput."""
    story = read_story(text_of(data), name)
    script = read(story.text)
    return measure(script, *_timed_shots(story, [w.start for w in script.words]))


def _timed_shots(
    story: ReadStory, starts: list[int]
) -> tuple[list[int] | None, list[float | None] | None]:
    """The shots of a story with times: the word that opens each and its seconds."""
    if not story.opens or not any(s.seconds for s in story.opens):
        return None, None
    opens = [bisect_left(starts, s.offset) for s in story.opens]
    return opens, [s.seconds for s in story.opens]
