"""Marks on words, and lines as SSML 1.1 (W3C, 2010): stressed words, slower and quicker passages, pauses."""

from collections.abc import Iterable, Mapping, Sequence
from itertools import groupby
from typing import Literal
from xml.sax.saxutils import escape, quoteattr

from pydantic import BaseModel, Field

from cutreel.core.manuscript import Word, strip_marks

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


def marked_text(
    words: Sequence[Word],
    texts: Sequence[str],
    marks: Mapping[int, WordMark],
    phonemes: Mapping[str, str] | None = None,
) -> str:
    """Words as they are to sound (`texts`) with the marks of some of them, by their places, as the inside of an SSML
    document. With `phonemes` (of words in small letters, IPA) it says how words are written, too, and what they are
    said as stands beside."""
    out: list[str] = []
    for pace, group in groupby(
        range(len(words)), key=lambda i: marks[i].pace if i in marks else ""
    ):
        inside = "".join(
            _word(words, i, _sounding(words[i].text, texts[i], phonemes), marks) for i in group
        )
        if not pace:
            out.append(inside)
            continue
        gap = " " if inside.startswith(" ") else ""
        out.append(f'{gap}<prosody rate="{_RATES[pace]}">{inside.lstrip()}</prosody>')
    return "".join(out).strip()


def _sounding(written: str, sounds: str, phonemes: Mapping[str, str] | None) -> str:
    """A word as it is sent, or, where phonemes are known, as it is written with how it is said."""
    if phonemes is None or written == sounds:
        return escape(sounds)
    bare = strip_marks(written)
    before, behind = written.split(bare, 1) if bare else ("", "")
    said = sounds.removeprefix(before).removesuffix(behind)
    ipa = phonemes.get(bare.lower())
    told = f'phoneme alphabet="ipa" ph={quoteattr(ipa)}' if ipa else f"sub alias={quoteattr(said)}"
    inside = f"<{told}>{escape(bare)}</{told.split(' ', maxsplit=1)[0]}>"
    return escape(before) + inside + escape(behind)


def _word(words: Sequence[Word], i: int, text: str, marks: Mapping[int, WordMark]) -> str:
    mark = marks.get(i)
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


def script_ssml(lines: Iterable[tuple[str, str]], language: str = "en") -> str:
    """A whole script in a language (BCP 47): lines as (voice, marked text), each a paragraph in its voice."""
    said = "\n".join(
        f"<voice name={quoteattr(voice)}><p>{text}</p></voice>" for voice, text in lines
    )
    return '<?xml version="1.0" encoding="UTF-8"?>\n' + as_ssml(f"\n{said}\n", language)
