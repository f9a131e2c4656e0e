"""Parsing a film's paragraphs: in a process of its own, so that the model's memory is there and nowhere else."""

from collections.abc import Sequence
from threading import Event

from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument
from cutreel.core.manuscript import read
from cutreel.core.reading import Parses, is_english, parse_packed, unpacked
from cutreel.store import ParseStore

from .apart import BEGINS, SCRIPT, Reader

AT_ONCE = 600
"""Words that are parsed while somebody waits: about a fifth of a second. More is for a worker."""
BATCH = 2_500
"""Words after which what was parsed is kept, and shown."""


def _nothing_more() -> None:
    return None


parser = Reader(_nothing_more)


_warm = Event()


def wanted_texts(text: str) -> list[str]:
    """The paragraphs of a manuscript that are to be parsed; none of a text that is not English."""
    if not is_english(text):
        return []
    return list(dict.fromkeys(t for _, _, t in read(text).paragraphs))


def parses_of(
    document: FilmDocument | str, store: ParseStore, most: int | None = None
) -> tuple[Parses, list[str]]:
    """What is parsed of a film, or of a text, and the paragraphs that are not; where those are at most `most` words
    (None: however many) they are parsed here and now."""
    if most is not None and not _warm.is_set():
        most = 0  # nobody waits for the model to load
    wanted = wanted_texts(document if isinstance(document, str) else document.text)
    found = store.many(wanted)
    missing = [t for t in wanted if t not in found]
    if missing and (most is None or sum(t.count(" ") + 1 for t in missing) <= most):
        for batch in batches(missing):
            found |= parsed_apart(batch, store)
        missing = []
    return found, missing


def batches(texts: Sequence[str]) -> list[list[str]]:
    """Paragraphs in portions of about `BATCH` words."""
    out: list[list[str]] = [[]]
    words = 0
    for text in texts:
        if words >= BATCH:
            out.append([])
            words = 0
        out[-1].append(text)
        words += text.count(" ") + 1
    return out


def parsed_apart(texts: Sequence[str], store: ParseStore) -> Parses:
    """Parse paragraphs, and keep what was parsed. What cannot be parsed is left to the simpler rules."""
    try:
        data = parser.read(parse_packed, b"", list(texts), what=SCRIPT)
    except BadInput:
        return {}
    found = {text: unpacked(one) for text, one in zip(texts, data, strict=True)}
    store.put(found)
    return found


def is_warm() -> bool:
    """Whether the model is loaded, so that a little is parsed at once."""
    return _warm.is_set()


def warm_parser() -> None:
    """Load the model before somebody waits for it."""
    parser.read(parse_packed, b"", ["Ada rowed."], what=SCRIPT, seconds=BEGINS)
    _warm.set()
