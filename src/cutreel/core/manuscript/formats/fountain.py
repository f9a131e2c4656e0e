"""Fountain, the plain-text syntax for screenplays: its headings, characters, dialogue, notes; and
back."""

import re
from collections.abc import Sequence
from itertools import pairwise

from .story import Block, ReadStory, story_from

_HEADING = re.compile(r"^(?:(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ].*|\.(?=[^.\s]).*)$", re.IGNORECASE)
_CHARACTER = re.compile(
    r"^(?:@(?P<forced>.+?)|(?P<plain>(?=[^a-z]*[A-Z])[^a-z()]+?))(?:\s*\([^)]*\))?\s*\^?$"
)
_TRANSITION = re.compile(r"^(?:[A-Z ]+TO:|>[^<]*)$")
_TITLE_KEY = re.compile(r"^([A-Za-z][A-Za-z ]*):\s*(.*)$")
_SET = re.compile(r"^\.|^(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ]+", re.IGNORECASE)


def looks_like_fountain(text: str) -> bool:
    """Whether a text is a screenplay in Fountain: it has scene headings or a title page, and
    characters with words."""
    lines = text.split("\n")
    headings = sum(bool(re.match(r"^(?:INT|EXT|EST|I/E)[. ]", line)) for line in lines)
    cues = sum(
        bool(line and _CHARACTER.match(line) and not line.startswith("#")) and bool(after.strip())
        for line, after in pairwise(lines)
    )
    return headings > 0 and (cues > 0 or bool(re.match(r"^title:", text, re.IGNORECASE)))


def read_fountain(text: str) -> ReadStory:
    """Read a screenplay. Action is narration; parentheticals, transitions, synopses and notes
    become notes."""
    title, body = _title_page(text)
    notes: list[str] = []

    def set_aside(match: re.Match[str]) -> str:
        notes.append(" ".join(match.group(1).split()))
        return f"\n\n\x01{len(notes) - 1}\n\n"

    body = re.sub(r"/\*(.*?)\*/", set_aside, body, flags=re.DOTALL)
    body = re.sub(r"(?<!\\)\[\[(.*?)\]\]", set_aside, body, flags=re.DOTALL)
    blocks: list[Block] = []
    for chunk in re.split(r"\n[ \t]*\n", body):
        lines = [line.strip() for line in chunk.strip("\n").split("\n") if line.strip()]
        while lines:
            lines = _take(lines, notes, blocks)
    return story_from(blocks, "fountain", title)


def _take(lines: list[str], notes: Sequence[str], blocks: list[Block]) -> list[str]:
    """Read one element from `lines` into `blocks`; returns what is left."""
    line = lines[0]
    if line.startswith("\x01"):
        blocks.append(Block("note", notes[int(line[1:])]))
    elif _HEADING.match(line):
        blocks.append(Block("heading", _heading(line)))
    elif line.startswith("#"):
        blocks.append(Block("heading", line.lstrip("#").strip()))
    elif line.startswith("=") and set(line) != {"="}:
        blocks.append(Block("note", line[1:].strip()))
    elif set(line) == {"="}:
        pass
    elif re.match(r"^>.*<$", line):
        blocks.append(Block("narration", _plain(line[1:-1])))
    elif _TRANSITION.match(line):
        blocks.append(Block("note", line.lstrip("> ").strip()))
    elif len(lines) > 1 and (character := _CHARACTER.match(line)) and not line.startswith("!"):
        name = (
            character["forced"].strip()
            if character["forced"]
            else character["plain"].strip().title()
        )
        for spoken in lines[1:]:
            if spoken.startswith("(") and spoken.endswith(")"):
                blocks.append(Block("note", f"{name.title()}: {spoken[1:-1]}"))
            elif blocks[-1:] and blocks[-1].kind == "dialogue" and lines[1] != spoken:
                blocks[-1] = Block("dialogue", blocks[-1].text + " " + _plain(spoken), name)
            else:
                blocks.append(Block("dialogue", _plain(spoken), name))
        return []
    else:
        stop = next(
            (i for i, later in enumerate(lines) if i and later.startswith("\x01")), len(lines)
        )
        blocks.append(
            Block("narration", " ".join(_plain(part.removeprefix("!")) for part in lines[:stop]))
        )
        return lines[stop:]
    return lines[1:]


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
    text = re.sub(
        r"(?<!\\)(\*{1,3}|_)(?=\S)(.+?)(?<=\S)(?<!\\)\1", r"\2", text.removeprefix("~").strip()
    )
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
