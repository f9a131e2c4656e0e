"""Which format a script is in: by its file's name, else by what it looks like."""

from collections.abc import Sequence

from ..title import titled
from .fountain import looks_like_fountain, read_fountain
from .markdown import looks_like_markdown, read_markdown
from .story import ReadStory
from .table import Column, looks_like_table, read_table
from .timed import TIMED, read_timed, timed_format

FORMATS = {
    "txt": "plain text", "md": "Markdown", "fountain": "Fountain", **TIMED, "csv": "CSV", "tsv": "TSV",
}  # fmt: skip
_ENDINGS = {"markdown": "md", "tab": "tsv", "text": "txt", "spmd": "fountain"}


def format_of(text: str, name: str = "") -> str:
    """The format of a script, a key of FORMATS."""
    ending = name.rsplit(".", 1)[-1].lower() if "." in name else ""
    ending = _ENDINGS.get(ending, ending)
    if timed := timed_format(text, ending):
        return timed
    if ending in ("md", "fountain", "csv", "tsv"):
        return ending
    if looks_like_fountain(text):
        return "fountain"
    if ending != "txt" and looks_like_table(text):
        return "csv"
    if ending != "txt" and looks_like_markdown(text):
        return "md"
    return "txt"


def read_story(text: str, name: str = "", columns: Sequence[Column] | None = None) -> ReadStory:
    """Read a script of any format; `columns` say what the columns of a table are. Raises
    BadInput."""
    text = text.removeprefix("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
    format = format_of(text, name)
    if format == "fountain":
        return read_fountain(text)
    if format == "md":
        return read_markdown(text)
    if format in TIMED:
        return read_timed(text, format)
    if format in ("csv", "tsv"):
        return read_table(text, columns)
    own = titled(text)
    return ReadStory(own.title, own.text, "txt") if own else ReadStory("", text, "txt")
