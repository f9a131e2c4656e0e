"""Tables (CSV, TSV and their kin) as a script: which column is what is guessed, and the maker may
say otherwise."""

import csv
import io
import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

from cutreel.core.errors import BadInput

from .story import Block, ReadStory, blocks_of, story_from

Column = Literal[
    "narration", "number", "scene", "description", "speaker", "picture", "motion", "sound",
    "direction", "note",
    "paragraph", "leave",
]  # fmt: skip
COLUMNS: tuple[Column, ...] = get_args(Column)

# fmt: off
_HEADERS: dict[Column, tuple[str, ...]] = {
    "narration": ("narration", "script", "text", "voiceover", "voice over", "vo", "line", "words",
    "dialogue", "story",
                  "narrator", "spoken", "content", "sentence"),
    "number": ("number", "no", "nr", "#", "shot", "shot number", "id", "index", "row", "edge"),
    "scene": ("scene", "heading", "chapter", "location", "part"),
    "description": ("description", "action", "what happens", "visual", "summary",
    "shot description"),
    "speaker": ("speaker", "character", "who", "voice", "name", "role"), "picture": ("picture",
    "picture prompt", "image", "image prompt", "prompt", "visual prompt"), "motion": ("motion",
    "motion prompt", "movement", "camera", "animation", "video prompt"), "sound": ("sound",
    "sound prompt", "sfx", "effects", "audio", "sound effect"), "direction": ("direction",
    "delivery", "emotion", "tone", "voice direction", "how"), "note": ("note", "notes", "comment",
    "remarks", "todo"), "paragraph": ("paragraph", "paragraphs"), "leave": (),
}
# fmt: on
MOST_COLUMNS = 200
_EXTRA = ("description", "picture", "motion", "sound", "direction")
_OWN = {
    "picture": "prompt",
    "motion": "motion",
    "sound": "sound",
    "direction": "direction",
    "description": "action",
}


@dataclass(frozen=True)
class TableView:
    """A table as found: its header (empty when it has none), its first rows, and what each column
    seems to be."""

    separator: str
    header: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    columns: tuple[Column, ...]
    why: tuple[str, ...]
    count: int


def looks_like_table(text: str) -> bool:
    """Whether most lines hold the same number, two or more, of fields by one separator."""
    return bool(text.strip()) and _separator(text) is not None


def look_at(text: str, first: int = 6) -> TableView:
    """A table's columns and first rows, for the maker to confirm."""
    rows, separator = _rows(text)
    header = _header(rows)
    body = [cells for _, cells in rows[1 if header else 0 :]]
    columns, why = _guess(header, body)
    return TableView(separator, header, tuple(map(tuple, body[:first])), columns, why, len(body))


def read_table(text: str, columns: Sequence[Column] | None = None) -> ReadStory:
    """Read a table, with `columns` as the maker says or as guessed. A bad row is named and the rest
    kept."""
    rows, _ = _rows(text)
    header = _header(rows)
    body = rows[1 if header else 0 :]
    chosen = list(columns or _guess(header, [cells for _, cells in body])[0])
    if "narration" not in chosen:
        raise BadInput(
            "No column holds the narration.", "Say which column holds the words that are spoken."
        )
    width = len(chosen)
    blocks: list[Block] = []
    bad: list[str] = []
    scene = paragraph = ""
    for number, cells in body:
        if len(cells) > width and any(c.strip() for c in cells[width:]):
            bad.append(
                f"Line {number} has {len(cells)} fields where {width} belong; it was left out."
            )
            continue
        by: dict[Column, str] = {}
        for column, cell in zip(chosen, cells, strict=False):
            if cell.strip() and column != "leave":
                by[column] = (by[column] + " " if column in by else "") + cell.strip()
        words = by.get("narration", "")
        if not re.search(r"\w", words):
            if by:
                bad.append(f"Line {number} has nothing to be spoken; it was left out.")
            continue
        if by.get("scene") and by["scene"] != scene:
            blocks.append(Block("heading", by["scene"]))
        scene = by.get("scene", "")
        if "note" in by:
            blocks.append(Block("note", by["note"]))
        speaker = by.get("speaker")
        if speaker and speaker.strip().lower() in (
            "narrator",
            "narration",
            "voiceover",
            "vo",
            "none",
            "-",
        ):
            speaker = None
        own = {_OWN[c]: by[c] for c in _EXTRA if c in by}
        first, *more = [part for part in re.split(r"\n\s*\n", words) if part.strip()]
        numbers = re.findall(r"\d+", by.get("paragraph", ""))
        joins = bool(numbers and numbers[0] == paragraph)
        paragraph = numbers[-1] if numbers else ""
        blocks.append(
            Block("dialogue" if speaker else "narration", first, speaker, True, own, joins=joins)
        )
        blocks += [_written_block(part) for part in more]
    if not any(b.kind != "note" for b in blocks):
        raise BadInput(
            "No row of that table has words to be spoken.", "Say which column holds the narration."
        )
    return story_from(blocks, "table", bad=bad)


def _written_block(text: str) -> Block:
    """A further paragraph of a cell, which is written as a manuscript writes it."""
    found = blocks_of(text)
    return found[0] if found else Block("narration", text)


def write_table(header: Sequence[str], rows: Sequence[Sequence[str]], separator: str) -> str:
    """A table by RFC 4180, with the separator asked for."""
    out = io.StringIO()
    writer = csv.writer(out, delimiter=separator, lineterminator="\r\n")
    writer.writerow(header)
    writer.writerows(rows)
    return out.getvalue()


def _rows(text: str) -> tuple[list[tuple[int, list[str]]], str]:
    """Every row that is not empty, with the number of its first line, and the separator."""
    separator = _separator(text) or ","
    reader = csv.reader(
        io.StringIO(text, newline=""), delimiter=separator, skipinitialspace=separator != "\t"
    )
    rows: list[tuple[int, list[str]]] = []
    before = 0
    try:
        for cells in reader:
            if any(c.strip() for c in cells):
                rows.append((before + 1, cells))
            before = reader.line_num
    except csv.Error as error:
        raise BadInput(
            f"The table breaks off at line {before + 1}: {error}.",
            "Look at the quotation marks there.",
        ) from error
    widest = max((len(cells) for _, cells in rows), default=0)
    if widest > MOST_COLUMNS:
        raise BadInput(
            f"The table has {widest:,} columns.",
            f"Give one of at most {MOST_COLUMNS}, with a row for each shot.",
        )
    if not rows:
        raise BadInput("The table is empty.", "Give it at least one row.")
    return rows, separator


def _separator(text: str) -> str | None:
    """The separator by which most rows have the same number of fields; None when no separator
    does."""
    best: tuple[float, int, str] | None = None
    sample = text[:20_000]
    for separator in ("\t", ";", ",", "|"):
        if separator not in sample:
            continue
        try:
            counts = [
                len(row)
                for row in csv.reader(io.StringIO(sample, newline=""), delimiter=separator)
                if row
            ]
        except csv.Error:
            continue
        counts = counts[:-1] if len(text) > len(sample) and len(counts) > 1 else counts
        usual, times = Counter(counts).most_common(1)[0] if counts else (0, 0)
        if usual < 2:
            continue
        agree = times / len(counts)
        if agree >= 0.6 and (best is None or (agree, usual) > best[:2]):
            best = (agree, usual, separator)
    return best[2] if best else None


def _header(rows: Sequence[tuple[int, list[str]]]) -> tuple[str, ...]:
    """The first row when it reads as names of columns: short, without full stops, one of them
    known."""
    first = [c.strip() for c in rows[0][1]]
    known = {name for names in _HEADERS.values() for name in names}
    if any(_name(c) in known for c in first) and all(
        len(c) < 40 and not c.endswith(".") for c in first
    ):
        return tuple(first)
    return ()


def _guess(
    header: Sequence[str], body: Sequence[Sequence[str]]
) -> tuple[tuple[Column, ...], tuple[str, ...]]:
    width = len(header) or max((len(r) for r in body[:50]), default=0)
    columns: list[Column] = ["leave"] * width
    why = ["nothing says what it is"] * width
    for i, name in enumerate(header):
        found = next((c for c, names in _HEADERS.items() if _name(name) in names), None)
        if found and (found not in columns or found == "note"):
            columns[i], why[i] = found, f"its header says “{name}”"
    cells = [[row[i].strip() for row in body[:200] if i < len(row)] for i in range(width)]
    free = [i for i in range(width) if columns[i] == "leave" and any(cells[i])]
    if "number" not in columns:
        for i in free:
            if all(re.fullmatch(r"\d+[A-Z]{0,2}", c) for c in cells[i] if c):
                columns[i], why[i] = "number", "it counts"
                break
    free = [i for i in free if columns[i] == "leave"]
    if "narration" not in columns and free:
        i = max(free, key=lambda i: sum(len(c) * (2 if c[-1:] in '.!?”"' else 1) for c in cells[i]))
        columns[i], why[i] = "narration", "it holds the longest sentences"
    for i in free:
        short = [c for c in cells[i] if c]
        names = (
            short
            and len(set(short)) * 2 <= len(short)
            and all(len(c.split()) <= 3 and c[:1].isupper() for c in short)
        )
        if columns[i] == "leave" and "speaker" not in columns and names:
            columns[i], why[i] = "speaker", "a few names come again and again"
    return tuple(columns), tuple(why)


def _name(header: str) -> str:
    return " ".join(re.sub(r"[_\W]+", " ", header.lower()).split()) or header.strip()
