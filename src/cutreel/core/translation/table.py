"""The table that goes to a translator and comes back: a row for each passage (CSV, RFC 4180)."""

import csv
import io
import re
from collections.abc import Iterable
from typing import NamedTuple

from cutreel.core.errors import BadInput

HEAD = ("number", "who", "words", "translation", "seconds")
MOST_CHARACTERS = 8_000_000


class TableRow(NamedTuple):
    """A passage by the number of its first word, or words on the screen ("screen 3"): who says it, what it says, what
    it is in the other language, how many seconds there are for it (None: not said)."""

    number: str
    who: str
    words: str
    translation: str
    seconds: float | None = None


def write_table(rows: Iterable[TableRow]) -> str:
    """A table as text, with a mark at its start by which spreadsheets know its letters."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(HEAD)
    for row in rows:
        seconds = "" if row.seconds is None else f"{row.seconds:.1f}"
        writer.writerow(
            [row.number, _plain(row.who), _plain(row.words), _plain(row.translation), seconds]
        )
    return "\ufeff" + out.getvalue()


def read_table(text: str) -> list[TableRow]:
    """A table that came back, its columns in any order, parted by commas, semicolons or tabs. Raises BadInput."""
    if len(text) > MOST_CHARACTERS:
        raise BadInput(
            "The table is too long.", "Bring the one that was taken out here, filled in."
        )
    text = text.removeprefix("\ufeff")
    first = text.split("\n", 1)[0]
    mark = max(",;\t", key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(text, newline=""), delimiter=mark, strict=True))
    except csv.Error as error:
        raise BadInput(
            f"The table cannot be read: {error}.", "Save it as CSV (UTF-8) again."
        ) from error
    head = [cell.strip().lower() for cell in rows[0]] if rows else []
    lacks = [name for name in HEAD[:4] if name not in head and name != "who"]
    if lacks:
        raise BadInput(
            f"The table has no column “{lacks[0]}”.",
            "Keep the first row as it was when the table was taken out.",
        )
    at = {name: head.index(name) for name in HEAD if name in head}

    def cell(row: list[str], name: str) -> str:
        n = at.get(name, len(row))
        return re.sub(r"^'(?=[=+@\t\r-])", "", row[n]).strip() if n < len(row) else ""

    return [
        TableRow(
            cell(row, "number"), cell(row, "who"), cell(row, "words"), cell(row, "translation")
        )
        for row in rows[1:]
        if cell(row, "number")
    ]


def _plain(text: str) -> str:
    """Text that no spreadsheet takes for a formula (OWASP, CSV injection)."""
    return f"'{text}" if text[:1] in "=+-@\t\r" and text[:1] else text
