"""Limits of texts where films are published. All of them are common practice of such places, none is a standard's."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from .chapters import LEAST_CHAPTER, LEAST_CHAPTERS, Chapter
from .texts import Texts, tags_line

MOST_TITLE, SEEN_TITLE = 100, 60
"""Characters of a title; how many of them are seen in a list."""
MOST_DESCRIPTION, SEEN_DESCRIPTION = 5_000, 150
"""Characters of a description; how many of them are seen before it is unfolded."""
MOST_TAGS = 500
"""Characters of all tags with what parts them."""
MOST_HASHTAGS, MOST_TAG = 15, 100
Field = Literal["title", "description", "tags", "hashtags", "chapters"]


class TextFault(NamedTuple):
    """What is wrong with a text: of which field, in words, and whether it is beyond a limit (else it is only not as
    good as it could be)."""

    field: Field
    says: str
    beyond: bool


def text_faults(
    texts: Texts, chapters: Sequence[Chapter], seconds: float, sources: int
) -> list[TextFault]:
    """What is wrong with a film's texts."""
    out: list[TextFault] = []

    def say(field: Field, wrong: bool, says: str, beyond: bool = True) -> None:
        if wrong:
            out.append(TextFault(field, says, beyond))

    title, description = len(texts.title), len(texts.description)
    tags = len(tags_line(texts.tags))
    say("title", not texts.title.strip(), "There is no title.")
    say("title", title > MOST_TITLE, f"{title} characters; {MOST_TITLE} at most.")
    say(
        "title",
        SEEN_TITLE < title <= MOST_TITLE,
        f"{title} characters; in lists about {SEEN_TITLE} are seen.",
        beyond=False,
    )
    for field, text in (("title", texts.title), ("description", texts.description)):
        say(field, any(c in text for c in "<>"), "< and > are not taken everywhere.")  # type: ignore[arg-type]
    say(
        "description",
        description > MOST_DESCRIPTION,
        f"{description} characters; {MOST_DESCRIPTION} at most.",
    )
    first = texts.description.split("\n", 1)[0]
    say(
        "description",
        len(first) > SEEN_DESCRIPTION,
        f"Its first paragraph has {len(first)} characters; about {SEEN_DESCRIPTION} are seen before it is unfolded.",
        beyond=False,
    )
    say(
        "description",
        sources > 0 and "ource" not in texts.description,
        "It does not name the manuscript's sources.",
        beyond=False,
    )
    say("tags", tags > MOST_TAGS, f"{tags} characters together; {MOST_TAGS} at most.")
    longest = max(texts.tags, key=len, default="")
    say("tags", len(longest) > MOST_TAG, f"“{longest[:24]}…” is longer than {MOST_TAG} characters.")
    say(
        "hashtags",
        len(texts.hashtags) > MOST_HASHTAGS,
        f"{len(texts.hashtags)}; beyond {MOST_HASHTAGS} all of them are passed over.",
    )
    bad = [h for h in texts.hashtags if not h.startswith("#") or not h[1:].isalnum()]
    say("hashtags", bool(bad), f"{', '.join(bad[:3])}: letters and digits behind one #.")
    say(
        "chapters",
        not chapters and seconds >= LEAST_CHAPTERS * LEAST_CHAPTER,
        f"There are none: {LEAST_CHAPTERS} scenes of {LEAST_CHAPTER:.0f} seconds or more would make them.",
        beyond=False,
    )
    return out
