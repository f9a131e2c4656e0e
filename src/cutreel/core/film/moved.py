"""A shot that is put elsewhere in the film goes with its words: whole paragraphs, or whole sentences of one."""

from typing import NamedTuple

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Manuscript, read

from .document import FilmDocument
from .shots import retext, worded

_ALONE = "It shows no words of its own."
_PART = "Its words are a part of a sentence."


class Moved(NamedTuple):
    """A manuscript with words at another place: its text, and its words' numbers in their new order."""

    text: str
    ids: list[int]


def move_shot(film: FilmDocument, shot: int, before: int | None, used: list[str]) -> None:
    """Put a shot, with its words and the shots without words behind it, before another (None: at the end). Raises
    BadInput where that would tear a sentence."""
    moved = moved_words(film, shot, before)
    retext(film, moved.text, used, list(moved.ids))


def moved_words(film: FilmDocument, shot: int, before: int | None) -> Moved:
    """What moving a shot makes of the manuscript. Raises BadInput where it cannot be."""
    script, ids = read(film.text), film.word_ids
    shots = worded(film)
    places = film.word_places
    starts = [places[s.first] for s in shots] + [len(ids)]
    own = next((i for i, s in enumerate(shots) if s.id == shot), None)
    to = next((i for i, s in enumerate(shots) if s.id == before), None)
    if own is None or (to is None and before is not None):
        raise BadInput(_ALONE, "Move the shot whose words it shows.")
    first, end = starts[own], starts[own + 1]
    at = starts[to] if to is not None else len(ids)
    if first <= at <= end:
        raise BadInput("It stands there already.", "Choose another place.")
    if not (_opens(script, first) and _opens(script, end) and _opens(script, at)):
        raise BadInput(_PART, "Move the words in the Script, or cut at the end of the sentence.")
    text = _text_moved(film.text, script, first, end, at)
    run = ids[first:end]
    rest = ids[:first] + ids[end:]
    put = at if at <= first else at - len(run)
    new = [*rest[:put], *run, *rest[put:]]
    if len(read(text).words) != len(new):
        raise BadInput(_PART, "Move the words in the Script.")
    return Moved(text, new)


def _opens(script: Manuscript, word: int) -> bool:
    """Whether a sentence begins with a word, or the film ends before it."""
    words = script.words
    return word in (0, len(words)) or words[word].sentence != words[word - 1].sentence


def _fills(script: Manuscript, first: int, end: int) -> bool:
    """Whether words are whole paragraphs."""
    words = script.words
    return (first == 0 or words[first - 1].paragraph != words[first].paragraph) and (
        end == len(words) or words[end - 1].paragraph != words[end].paragraph
    )


def _text_moved(text: str, script: Manuscript, first: int, end: int, at: int) -> str:
    words = script.words
    whole = _fills(script, first, end)
    # A whole paragraph takes along what stands before its first word: who speaks it, notes to it.
    start = _block(text, words[first].start) if whole else words[first].start
    stop = words[end - 1].end
    piece = text[start:stop].strip()
    opens = at == len(words) or at == 0 or words[at - 1].paragraph != words[at].paragraph
    if at == len(words):
        put, joined = len(text.rstrip()), ("\n\n" + piece)
    elif opens:
        put, joined = _block(text, words[at].start), piece + "\n\n"
    else:
        put, joined = words[at].start, piece + " "
    gone = (start, stop + (0 if whole else _space(text, stop)))
    if put <= start:
        return text[:put] + joined + text[put : gone[0]] + text[gone[1] :]
    return text[: gone[0]] + text[gone[1] : put] + joined + text[put:]


def _block(text: str, at: int) -> int:
    """Where the paragraph begins that a character stands in; a heading above it stays."""
    start = max(text.rfind("\n\n", 0, at) + 2, 0) if "\n\n" in text[:at] else 0
    while text.startswith("#", start) and "\n" in text[start:at]:
        start = text.index("\n", start) + 1
    return start


def _space(text: str, at: int) -> int:
    """How many spaces follow within the line."""
    return len(text[at:]) - len(text[at:].lstrip(" "))
