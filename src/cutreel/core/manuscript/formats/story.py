"""What every script format is read into and written from: blocks in order, as our own manuscript
writes them.

A block is a heading, narration, a speaker's words, or a note that is not spoken. Formats that cut
the script into rows (tables, subtitles) say so by `opens`, and a row may carry what its shot should
be.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any, Literal

from ..model import Manuscript
from ..read import cue_for, read, reads_as_narration

BlockKind = Literal["heading", "narration", "dialogue", "note"]


@dataclass(frozen=True, slots=True)
class Block:
    """One block of a script. `opens`: a shot begins here, with `own` set for it; `seconds`: how
    long it was shown. `joins`: it goes on in the paragraph of the block before."""

    kind: BlockKind
    text: str
    speaker: str | None = None
    opens: bool = False
    own: dict[str, Any] = field(default_factory=dict)
    seconds: float | None = None
    joins: bool = False


@dataclass(frozen=True, slots=True)
class OpenedShot:
    """A shot that a format states: it opens at the first word at or behind `offset` of the text."""

    offset: int
    own: dict[str, Any]
    seconds: float | None


@dataclass(frozen=True, slots=True)
class Source:
    """A link or a note that says where a passage comes from; `offset` is where the passage starts
    in the text."""

    offset: int
    text: str


@dataclass(frozen=True)
class ReadStory:
    """A script that was read from a file. `bad` names what could not be read, a sentence each."""

    title: str
    text: str
    format: str
    opens: tuple[OpenedShot, ...] = ()
    sources: tuple[Source, ...] = ()
    bad: tuple[str, ...] = ()


def story_from(
    blocks: Sequence[Block],
    format: str,
    title: str = "",
    sources: Sequence[tuple[int, str]] = (),
    bad: Sequence[str] = (),
) -> ReadStory:
    """The blocks as a manuscript. `sources` name the index of a block and the source's text."""
    parts: list[str] = []
    opens: list[OpenedShot] = []
    at = 0
    offsets: list[int] = []
    for i, block in enumerate(blocks):
        text = written(block)
        joins = (
            block.joins
            and i > 0
            and blocks[i - 1].kind == block.kind
            and blocks[i - 1].speaker == block.speaker
        )
        if joins:
            text = " ".join(block.text.split())
        glue = "" if not parts else " " if joins else "\n\n"
        at += len(glue)
        offsets.append(at)
        parts.append(glue + text)
        if block.opens and block.kind in ("narration", "dialogue"):
            opens.append(OpenedShot(at, block.own, block.seconds))
        at += len(text)
    found = tuple(Source(offsets[i], text) for i, text in sources if i < len(offsets))
    return ReadStory(
        title.strip()[:200], "".join(parts) + "\n", format, tuple(opens), found, tuple(bad)
    )


def written(block: Block) -> str:
    """A block as our manuscript writes it, such that it is read back as what it is."""
    text = "\n".join(line.strip() for line in block.text.strip().splitlines() if line.strip())
    if block.kind == "heading":
        return "# " + " ".join(text.split("\n"))
    if block.kind == "note":
        return "\n".join(f"[{line.strip('[]')}]" for line in text.split("\n"))
    flat = " ".join(text.split("\n"))
    if block.kind == "dialogue" and block.speaker:
        return f"{cue_for(block.speaker)}: {flat}"
    return flat if reads_as_narration(flat) else "\\" + flat


def blocks_of(script: Manuscript | str) -> list[Block]:
    """The blocks of a manuscript, in order. Lines of dialogue quoted inside narration stay in their
    narration."""
    if isinstance(script, str):
        script = read(script)
    text = script.text
    found: list[tuple[int, Block]] = []
    for scene in script.scenes:
        if scene.end_offset:
            heading = re.sub(r"^#+\s*", "", text[scene.start_offset : scene.end_offset].strip())
            found.append((scene.start_offset, Block("heading", heading)))
    found += [
        (n.start, Block("note", text[n.start : n.end].strip().strip("[]").strip()))
        for n in script.notes
    ]
    first = 0
    while first < len(script.words):
        end = first
        while (
            end < len(script.words) and script.words[end].paragraph == script.words[first].paragraph
        ):
            end += 1
        line = script.lines[script.words[first].line]
        body = re.sub(r"\s*\n\s*", " ", text[script.words[first].start : script.words[end - 1].end])
        if line.why.startswith("by “") and line.why.endswith(":”"):
            found.append((script.words[first].start, Block("dialogue", body, line.speaker)))
        else:
            found.append((script.words[first].start, Block("narration", body)))
        first = end
    found.sort(key=lambda pair: pair[0])
    return [block for _, block in found]
