"""Fountain, the plain-text syntax for screenplays: its headings, characters, dialogue, notes; and
back."""

import re
from collections.abc import Sequence
from itertools import pairwise

from .marks import replaced_between, without_emphasis
from .story import Block, ReadStory, story_from

_HEADING = re.compile(r"^(?:(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ].*|\.(?=[^.\s]).*)$", re.IGNORECASE)
_CHARACTER = re.compile(
    r"^(?:@(?P<forced>.+?)|(?P<plain>(?=[^a-z]*[A-Z])[^a-z()]+?))(?:\s*\([^)]*\))?\s*\^?$"
)
LONGEST_NAME = 120
"""Characters: a longer line is no name, whatever it is written in."""
_TRANSITION = re.compile(r"^(?:[A-Z ]+TO:|>[^<]*)$")
_TITLE_KEY = re.compile(r"^([A-Za-z][A-Za-z ]*):\s*(.*)$")
_SET = re.compile(r"^\.|^(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ]+", re.IGNORECASE)


def looks_like_fountain(text: str) -> bool:
    """Whether a text is a screenplay in Fountain: it has scene headings or a title page, and
    characters with words."""
    lines = text.split("\n")
    headings = sum(bool(re.match(r"^(?:INT|EXT|EST|I/E)[. ]", line)) for line in lines)
    cues = sum(
        bool(line and not line.startswith("#") and _character(line)) and bool(after.strip())
        for line, after in pairwise(lines)
    )
    return headings > 0 and (cues > 0 or bool(re.match(r"^title:", text, re.IGNORECASE)))


def read_fountain(text: str) -> ReadStory:
    """Read a screenplay. Action is narration; parentheticals, transitions, synopses and notes
    become notes."""
    title, body = _title_page(text)
    notes: list[str] = []

    def set_aside(inside: str) -> str:
        notes.append(" ".join(inside.split()))
        return f"\n\n\x01{len(notes) - 1}\n\n"

    body = replaced_between(body, "/*", "*/", set_aside)
    body = replaced_between(body, "[[", "]]", set_aside)
    blocks: list[Block] = []
    for chunk in re.split(r"\n[ \t]*\n", body):
        lines = [line.strip() for line in chunk.strip("\n").split("\n") if line.strip()]
        at = 0
        while at < len(lines):
            at = _take(lines, at, notes, blocks)
    return story_from(blocks, "fountain", title)


def _take(lines: Sequence[str], at: int, notes: Sequence[str], blocks: list[Block]) -> int:
    """Read the element that begins with line `at` into `blocks`; returns where the next begins."""
    line = lines[at]
    if (character := _character(line)) and at + 1 < len(lines) and _is_free(line):
        blocks += _dialogue(character, lines[at + 1 :])
        return len(lines)
    if (block := _of_one_line(line, notes)) is not None:
        blocks += block
        return at + 1
    stop = next((i for i in range(at + 1, len(lines)) if lines[i].startswith("\x01")), len(lines))
    words = " ".join(_plain(part.removeprefix("!")) for part in lines[at:stop])
    blocks.append(Block("narration", words))
    return stop


def _is_free(line: str) -> bool:
    """Whether a line is no element of another kind, so that it may be a character's name."""
    return not line.startswith("!") and _of_one_line(line, ()) is None


def _of_one_line(line: str, notes: Sequence[str]) -> list[Block] | None:
    """The element that a line is by itself: a note, a heading, a synopsis, a page break, centred
    words, a transition; None for what may go on."""
    if line.startswith("\x01"):
        return [Block("note", notes[int(line[1:])])] if notes else []
    if _HEADING.match(line):
        return [Block("heading", _heading(line))]
    if line.startswith("#"):
        return [Block("heading", line.lstrip("#").strip())]
    if line.startswith("="):
        return [] if set(line) == {"="} else [Block("note", line[1:].strip())]
    if line.startswith(">") and line.endswith("<"):
        return [Block("narration", _plain(line[1:-1]))]
    if _TRANSITION.match(line):
        return [Block("note", line.lstrip("> ").strip())]
    return None


def _character(line: str) -> str:
    """The name of the character whose words follow a line; empty for any other line."""
    match = _CHARACTER.match(line) if len(line) <= LONGEST_NAME else None
    if match is None:
        return ""
    forced = match["forced"]
    return str(forced.strip() if forced else match["plain"].strip().title())


def _dialogue(name: str, lines: Sequence[str]) -> list[Block]:
    """What a character says: words that follow one another are one block, parentheticals are
    notes."""
    out: list[Block] = []
    words: list[str] = []

    def said() -> None:
        if words:
            out.append(Block("dialogue", " ".join(words), name))
            words.clear()

    for line in lines:
        if line.startswith("(") and line.endswith(")"):
            said()
            out.append(Block("note", f"{name.title()}: {line[1:-1]}"))
        else:
            words.append(_plain(line))
    said()
    return out


def _title_page(text: str) -> tuple[str, str]:
    head, _, rest = text.lstrip("\n").partition("\n\n")
    first = head.split("\n")[0]
    if not _TITLE_KEY.match(first) or _HEADING.match(first):
        return "", text
    title, in_title = "", False
    for line in head.split("\n"):
        key = _TITLE_KEY.match(line)
        if key:
            in_title = key.group(1).lower() == "title"
        if in_title:
            title = f"{title} {(key.group(2) if key else line).strip()}".strip()
    return _plain(title), rest


def _heading(line: str) -> str:
    """`EXT. THE JETTY - DUSK` as our heading, `The jetty — dusk`; one forced by a full stop is kept
    as it is."""
    if line.startswith("."):
        return _plain(line[1:])
    body = re.sub(r"\s*#[^#]+#$", "", _SET.sub("", line)).strip()
    parts = re.split(r"\s+(?:-|–|—)\s+", body)
    place = parts[0]
    return " — ".join(
        [place.capitalize() if place.isupper() else place, *(p.lower() for p in parts[1:])]
    )


def _plain(text: str) -> str:
    """Words without the marks of emphasis, lyrics and escapes."""
    text = without_emphasis(text.removeprefix("~").strip())
    return re.sub(r"\\([*_\[])", r"\1", text)


def write_fountain(blocks: Sequence[Block], title: str) -> str:
    """A screenplay of the blocks, with everything forced that a reader might take for something
    else."""
    out = [f"Title: {_escaped(title)}"]
    for block in blocks:
        if block.kind == "heading":
            out.append("." + _escaped(block.text))
        elif block.kind == "note":
            out.append(f"[[{block.text}]]")
        elif block.kind == "dialogue":
            out.append(f"@{block.speaker}\n{_escaped(block.text)}")
        else:
            out.append("!" + _escaped(block.text))
    return "\n\n".join(out) + "\n"


def _escaped(text: str) -> str:
    return re.sub(r"([*_]|\[(?=\[))", r"\\\1", text)
