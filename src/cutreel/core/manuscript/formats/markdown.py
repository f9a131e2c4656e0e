"""Markdown as a script: headings are scenes, paragraphs are narration, `**Name:** words` are
spoken; and back."""

import re
from collections.abc import Sequence

from markdown_it import MarkdownIt
from markdown_it.token import Token

from .story import Block, ReadStory, story_from

_CUE = re.compile(r"^\x02([^\x02:]{1,60}):?\x02:?\s*(.+)$", re.DOTALL)


def looks_like_markdown(text: str) -> bool:
    """Whether a text uses marks that only Markdown has: bold, links, ruled titles, comments."""
    return bool(re.search(r"\*\*\S|\]\(\w|^\s*<!--|^[=-]{3,}\s*$|^##", text, re.MULTILINE))


def read_markdown(text: str) -> ReadStory:
    """Read Markdown. One single top heading above the others is the title; links become sources."""
    tokens = MarkdownIt("commonmark").parse(text)
    levels = [t.tag for t in tokens if t.type == "heading_open"]
    title_level = (
        "h1" if levels.count("h1") == 1 and (len(levels) == 1 or levels[0] == "h1") else ""
    )
    title = ""
    blocks: list[Block] = []
    sources: list[tuple[int, str]] = []
    heading = ""
    for token in tokens:
        if token.type == "heading_open":
            heading = token.tag
        elif token.type == "inline":
            words, links = _words(token)
            plain = words.replace("\x02", "")
            if heading and heading == title_level and not title and not blocks:
                title = plain
            elif heading:
                blocks.append(Block("heading", plain))
            else:
                cue = _CUE.match(words)
                blocks.append(
                    Block("dialogue", cue.group(2).replace("\x02", ""), cue.group(1).strip())
                    if cue
                    else Block("narration", plain)
                )
            sources += [(len(blocks) - 1, link) for link in links if blocks]
            heading = ""
        elif token.type == "html_block":
            note = re.sub(r"<!--|-->|<[^>]+>", "", token.content).strip()
            if note:
                blocks.append(Block("note", " ".join(note.split())))
        elif token.type in ("fence", "code_block") and token.content.strip():
            blocks.append(Block("note", " ".join(token.content.split())))
    return story_from(blocks, "markdown", title, sources)


def _words(token: Token) -> tuple[str, list[str]]:
    """Words of an inline token, bold stretches between marks of our own, and its links."""
    out, links = [], []
    for child in token.children or []:
        if child.type in ("text", "code_inline"):
            out.append(child.content)
        elif child.type in ("softbreak", "hardbreak"):
            out.append(" ")
        elif child.type in ("strong_open", "strong_close"):
            out.append("\x02")
        elif child.type == "link_open":
            links.append(str(child.attrs.get("href", "")))
    return "".join(out).strip(), links


def write_markdown(blocks: Sequence[Block], title: str) -> str:
    """Markdown of the blocks."""
    out = [f"# {_escaped(title)}"]
    for block in blocks:
        if block.kind == "heading":
            out.append("## " + _escaped(block.text))
        elif block.kind == "note":
            out.append(f"<!-- {block.text} -->")
        elif block.kind == "dialogue":
            out.append(f"**{_escaped(block.speaker or '')}:** {_escaped(block.text)}")
        else:
            out.append(_escaped(block.text))
    return "\n\n".join(out) + "\n"


def _escaped(text: str) -> str:
    text = re.sub(r"([\\`*_\[\]<>&])", r"\\\1", text)
    return re.sub(
        r"^(\d+)([.)])|^([#+=~-])", lambda m: f"{m[1]}\\{m[2]}" if m[1] else f"\\{m[3]}", text
    )
