"""What a story is called: by a first line that is plainly a title, else by its first words."""

import re
from dataclasses import dataclass

from .read import reads_as_narration

MOST_CHARACTERS, MOST_WORDS = 70, 12
"""A title is short; what is longer is a sentence without its full stop."""
LITTLE = {
    "a", "an", "the", "of", "and", "in", "on", "at", "to", "for", "from", "by", "or", "with", "who",
    "that", "was", "is", "as", "de", "la",
}  # fmt: skip
"""Words that titles leave small."""
USUAL = 60
"""Characters of a name made of first words."""


@dataclass(frozen=True)
class Titled:
    """A story with its title; in `text` the title's line is a note, so it is kept and not spoken."""

    title: str
    text: str


def titled(text: str) -> Titled | None:
    """The story's own title where its first line is plainly one: short, by itself, without a full stop, its words
    written large, and no heading. None otherwise."""
    opening = re.match(r"\s*([^\n]+)\n[ \t]*\n(?=\s*\S)", text)
    if opening is None:
        return None
    line = opening.group(1).strip()
    if not _is_title(line):
        return None
    at = opening.start(1)
    return Titled(line.strip("*_ "), f"{text[:at]}[{line}]{text[opening.end(1) :]}")


def _is_title(line: str) -> bool:
    bare = line.strip("*_ ")
    words = re.findall(r"[^\W\d_][\w’'-]*", bare)
    if not words or len(bare) > MOST_CHARACTERS or len(words) > MOST_WORDS:
        return False
    if bare[-1] in '.,;:…”"’)' or bare[0] in '“"«[#(' or not reads_as_narration(line):
        return False
    large = [w for i, w in enumerate(words) if i == 0 or w.lower() not in LITTLE]
    if words[-1].lower() in LITTLE:
        return False
    return len(words) > 1 and all(w[0].isupper() for w in large)


def first_words(text: str) -> str:
    """A name for a story that has none: the first words that are told, never a heading or a note."""
    for line in text.split("\n"):
        plain = line.strip()
        if plain and reads_as_narration(plain):
            plain = plain.lstrip("\\").strip("*_ ")
            return plain[:USUAL].rsplit(" ", 1)[0] if len(plain) > USUAL else plain
    return "Untitled"
