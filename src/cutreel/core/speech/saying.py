"""Words that sound otherwise than they are written: names, rare words, figures, short forms."""

import re
from collections.abc import Mapping, Sequence
from types import MappingProxyType

from cutreel.core.manuscript import Word, words_text

from .figures import Beside, read_as, read_out

NOTHING: Mapping[int, str] = MappingProxyType({})
_MAY = re.compile(
    r"[^A-Za-z’'“”‘.,;:!?…—–\s-]|\b[A-Za-z]{1,6}\.|\b[VX]\b|\b[IVXLC]{2,}\b"
    r"|\b(?:[mb]illion|km|cm|kg|mph|ft|lbs?|oz|yds?|hrs?|mins?)\b"
)
"""What figures and short forms look like: all else is not looked at."""
_EDGES = re.compile(r"^(\W*)(.*?)((?:[’']s)?\W*)$", re.S)


def said_as(
    words: Sequence[Word],
    known: Mapping[str, str],
    here: Mapping[int, str] = NOTHING,
    english: bool = True,
) -> str:
    """Words as running text, each as it is to sound: as it is set for it alone (`here`, by its place), as the lexicon
    says (`known`, by the word in small letters), else as figures and short forms are read aloud in `english`; in other
    languages the voice reads them. Marks around words, and “’s” behind them, stay."""
    written = words_text(words)
    if not known and not here and not (english and _MAY.search(written)):
        return written
    texts = said(words, known, here, english)
    return words_text([w._replace(text=text) for w, text in zip(words, texts, strict=True)])


def said(
    words: Sequence[Word],
    known: Mapping[str, str],
    here: Mapping[int, str] = NOTHING,
    english: bool = True,
) -> list[str]:
    """Each of some words as it is to sound, as in `said_as`."""
    out = []
    for i, word in enumerate(words):
        text = _said(word.text, known)
        if i in here:
            text = read_as(word.text, (here[i],))
        elif english and text == word.text and _MAY.search(text):
            text = read_out(text, beside(words, i))
        out.append(text)
    return out


def beside(words: Sequence[Word], i: int) -> Beside:
    """The words before and behind one."""
    return Beside(words[i - 1].text if i else "", words[i + 1].text if i + 1 < len(words) else "")


def _said(word: str, known: Mapping[str, str]) -> str:
    found = _EDGES.match(word) if known else None
    if found is None:
        return word
    before, inner, behind = found.groups()
    return f"{before}{known[inner.lower()]}{behind}" if inner.lower() in known else word
