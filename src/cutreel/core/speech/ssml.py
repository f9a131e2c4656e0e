"""Marks on words, and lines as SSML 1.1 (W3C, 2010): stressed words, slower and quicker passages, pauses."""

from collections.abc import Iterable, Mapping, Sequence
from itertools import groupby
from typing import Literal
from xml.sax.saxutils import escape, quoteattr

from pydantic import BaseModel, Field

from cutreel.core.manuscript import Word

NAMESPACE = "http://www.w3.org/2001/10/synthesis"
Pace = Literal["", "slow", "quick"]
_RATES = {"slow": "slow", "quick": "fast"}
"""SSML's own names for paces."""


class WordMark(BaseModel):
    """How one word, known by its number, is said: `stress`ed, at a `pace`, after a `pause` in seconds."""

    word: int
    stress: bool = False
    pace: Pace = ""
    pause: float = Field(0, ge=0, le=5)

    @property
    def plain(self) -> bool:
        """Whether nothing is marked."""
        return not (self.stress or self.pace or self.pause)


def marked_text(words: Sequence[Word], texts: Sequence[str], marks: Mapping[int, WordMark]) -> str:
    """Words as they are to sound (`texts`) with the marks of some of them, by their places, as the inside of an SSML
    document."""
    out: list[str] = []
    for pace, group in groupby(
        range(len(words)), key=lambda i: marks[i].pace if i in marks else ""
    ):
        inside = "".join(_word(words, texts, marks, i) for i in group)
        if not pace:
            out.append(inside)
            continue
        gap = " " if inside.startswith(" ") else ""
        out.append(f'{gap}<prosody rate="{_RATES[pace]}">{inside.lstrip()}</prosody>')
    return "".join(out).strip()


def _word(
    words: Sequence[Word], texts: Sequence[str], marks: Mapping[int, WordMark], i: int
) -> str:
    mark, text = marks.get(i), escape(texts[i])
    gap = " " if i and words[i].start != words[i - 1].end else ""
    if mark is None:
        return gap + text
    if mark.stress:
        text = f'<emphasis level="strong">{text}</emphasis>'
    rest = f'<break time="{round(mark.pause * 1000)}ms"/>' if mark.pause else ""
    return gap + rest + text


def as_ssml(inside: str, language: str = "en") -> str:
    """The inside of a document as a document."""
    return f'<speak version="1.1" xmlns="{NAMESPACE}" xml:lang="{language}">{inside}</speak>'


def script_ssml(lines: Iterable[tuple[str, str]]) -> str:
    """A whole script: lines as (voice, marked text), each a paragraph in its voice."""
    said = "\n".join(
        f"<voice name={quoteattr(voice)}><p>{text}</p></voice>" for voice, text in lines
    )
    return '<?xml version="1.0" encoding="UTF-8"?>\n' + as_ssml(f"\n{said}\n")
