"""What a narrator tells, against what somebody speaks."""

from collections.abc import Iterator
from typing import NamedTuple

from cutreel.core.manuscript import Manuscript

from .parsed import Parsed, Parses


class Narrated(NamedTuple):
    """A parsed paragraph by its number, and which of its tokens are words of a quotation."""

    number: int
    parsed: Parsed
    spoken: frozenset[int]


def narrated(script: Manuscript, parses: Parses) -> Iterator[Narrated]:
    """The paragraphs of a manuscript as far as they are parsed, in order."""
    stretches = spoken_stretches(script)
    for number, start, text in script.paragraphs:
        parsed = parses.get(text)
        if parsed is None:
            continue
        said = stretches.get(number, ())
        yield Narrated(
            number,
            parsed,
            frozenset(
                i
                for i, t in enumerate(parsed.tokens)
                if any(a <= start + t.start < b for a, b in said)
            ),
        )


def spoken_stretches(script: Manuscript) -> dict[int, list[tuple[int, int]]]:
    """Where somebody speaks, in characters of the manuscript, by the numbers of paragraphs."""
    out: dict[int, list[tuple[int, int]]] = {}
    for line in script.lines:
        if line.speaker is not None and line.end > line.first:
            first, last = script.words[line.first], script.words[line.end - 1]
            out.setdefault(first.paragraph, []).append((first.start, last.end))
    return out
