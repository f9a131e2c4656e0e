"""Marks that stand in pairs, found in one pass: what is opened and never closed costs no more than
what is."""

import re
from collections.abc import Callable, Iterator

_EMPHASIS = re.compile(r"\\.|\*{1,3}|_", re.DOTALL)


def between(text: str, opening: str, closing: str) -> Iterator[tuple[int, int]]:
    """Where `opening … closing` stands, marks included, one behind another. An opening behind a
    backslash is none."""
    at = 0
    while (start := text.find(opening, at)) >= 0:
        if start and text[start - 1] == "\\":
            at = start + len(opening)
            continue
        end = text.find(closing, start + len(opening))
        if end < 0:
            return  # nothing further on is closed either
        yield start, end + len(closing)
        at = end + len(closing)


def replaced_between(text: str, opening: str, closing: str, instead: Callable[[str], str]) -> str:
    """`text` with each `opening … closing` replaced by what `instead` makes of what is inside."""
    out, at = [], 0
    for start, end in between(text, opening, closing):
        inside = text[start + len(opening) : end - len(closing)]
        out += [text[at:start], instead(inside)]
        at = end
    return "".join([*out, text[at:]])


def without_emphasis(text: str) -> str:
    """`text` without the pairs of `*`, `**`, `***` and `_` that stand around words; a mark that
    stands alone, or behind a backslash, stays."""
    dropped: list[tuple[int, int]] = []
    open_at: dict[str, tuple[int, int]] = {}
    for match in _EMPHASIS.finditer(text):
        mark, (start, end) = match.group(), match.span()
        if mark.startswith("\\"):
            continue
        before, after = text[start - 1 : start], text[end : end + 1]
        if mark in open_at and before.strip() and open_at[mark][1] < start:
            dropped += [open_at.pop(mark), (start, end)]
        elif mark not in open_at and after.strip():
            open_at[mark] = (start, end)
    out, at = [], 0
    for start, end in sorted(dropped):
        out.append(text[at:start])
        at = end
    return "".join([*out, text[at:]])
