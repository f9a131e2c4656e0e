"""A table of stories: one a row, by what it is called, when it is due and what is told."""

import csv
import io
import re
from typing import NamedTuple

from cutreel.core.errors import BadInput

COLUMNS = {
    "title": ("title", "name", "film"),
    "text": ("story", "manuscript", "text"),
    "due": ("due", "date", "ready"),
}
"""What columns may be called."""
_DAY = re.compile(r"\d{4}-\d{2}-\d{2}")


class StoryRow(NamedTuple):
    """A story, what it is called (empty: nothing), and the day it is due (ISO 8601; empty: none)."""

    title: str
    text: str
    due: str


def looks_like_stories(text: str) -> bool:
    """Whether a text is a table with a column of whole stories and one of what they are called."""
    head, _ = _head(text)
    return head is not None and "title" in head


def read_stories(text: str) -> list[StoryRow]:
    """The stories of a table (CSV or TSV). Raises BadInput."""
    head, mark = _head(text)
    if head is None:
        raise BadInput(
            "The table has no column of stories.",
            "Its first row names the columns: “story” and, if you like, “title” and “due”.",
        )
    rows = list(csv.reader(io.StringIO(text.removeprefix("\ufeff"), newline=""), delimiter=mark))[
        1:
    ]

    def cell(row: list[str], name: str) -> str:
        at = head.get(name, len(row))
        return row[at].strip() if at < len(row) else ""

    out = []
    for number, row in enumerate(rows, 2):
        due = cell(row, "due")
        if due and not _DAY.fullmatch(due):
            raise BadInput(f"Row {number}: “{due}” is no day.", "Write days as 2026-12-24.")
        if cell(row, "text"):
            out.append(StoryRow(cell(row, "title")[:200], cell(row, "text"), due))
    return out


def _head(text: str) -> tuple[dict[str, int] | None, str]:
    """Which column holds what, and what parts columns; None where no column holds stories."""
    first = text.removeprefix("\ufeff").split("\n", 1)[0]
    mark = max(",;\t", key=first.count)
    names = [cell.strip().strip('"').lower() for cell in first.split(mark)]
    found = {
        what: names.index(called)
        for what, calls in COLUMNS.items()
        for called in reversed(calls)
        if called in names
    }
    return (found if "text" in found else None), mark
