"""Texts of a film where it is published."""

import re
from collections.abc import Sequence

from pydantic import BaseModel, Field


class OwnTexts(BaseModel):
    """What the maker wrote; None: as it is drafted."""

    title: str | None = Field(None, max_length=400)
    description: str | None = Field(None, max_length=20_000)
    tags: list[str] | None = Field(None, max_length=200)
    hashtags: list[str] | None = Field(None, max_length=60)


class Texts(BaseModel):
    """A film's title, its description, tags and hashtags."""

    title: str
    description: str
    tags: list[str]
    hashtags: list[str]

    def with_own(self, own: OwnTexts) -> "Texts":
        """With what the maker wrote in place of what was drafted."""
        return self.model_copy(update=own.model_dump(exclude_none=True))


def hashtag_of(words: str) -> str:
    """Some words as one hashtag: letters and digits alone, each word with a capital. Empty where nothing is left."""
    parts = re.findall(r"[^\W_]+", words)
    joined = "".join(p[:1].upper() + p[1:] for p in parts)
    return f"#{joined}" if joined and not joined.isdigit() else ""


def tags_line(tags: Sequence[str]) -> str:
    """Tags as they are pasted: with commas between them."""
    return ", ".join(tags)
