"""SSML 1.1 brought in: its words with what it says of them, found again in a manuscript."""

import re
from bisect import bisect_left
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from xml.etree.ElementTree import Element

import defusedxml.ElementTree as safe

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import strip_marks

from .ssml import NAMESPACE, Pace

MOST_WORDS = 300_000
LONGEST_PAUSE = 5.0
_BREAKS = {"none": 0.0, "x-weak": 0.1, "weak": 0.25, "medium": 0.4, "strong": 0.8, "x-strong": 1.4}
"""Seconds of SSML's named breaks, which it leaves to who says them."""
_PACES: dict[str, Pace] = {"x-slow": "slow", "slow": "slow", "fast": "quick", "x-fast": "quick"}
_SPOKEN = frozenset(
    "speak p s w token emphasis prosody sub phoneme say-as voice lang break".split()
)


@dataclass(frozen=True)
class SsmlWord:
    """A word as a document has it: `stress`ed, at a `pace`, after a `pause` in seconds, in a `voice`; said as another
    text (`alias`), or by phonemes (`ipa`)."""

    text: str
    stress: bool = False
    pace: Pace = ""
    pause: float = 0.0
    voice: str = ""
    alias: str = ""
    ipa: str = ""


@dataclass(frozen=True)
class SsmlScript:
    """The words of a document, and what of it has no use here."""

    words: list[SsmlWord]
    unused: list[str]


def from_ssml(data: bytes) -> SsmlScript:
    """Read a document. Raises BadInput for what is none."""
    try:
        root = safe.fromstring(data, forbid_dtd=True)
    except Exception as error:
        raise BadInput("That file is no SSML.", "Bring an SSML file (XML, by W3C).") from error
    if _tag(root) != "speak":
        raise BadInput("That file is no SSML.", "An SSML document begins with “speak”.")
    unused: list[str] = []
    words: list[SsmlWord] = []
    pause, open_ = 0.0, False  # whether a word may go on: "<emphasis>home</emphasis>."
    for text, told in _walk(root, SsmlWord(""), unused):
        if told.pause:
            pause, open_ = min(LONGEST_PAUSE, pause + told.pause), False
        parts = text.split()
        # One text for several words is told of none of them.
        how = replace(told, alias="", ipa="") if len(parts) > 1 else told
        for i, word in enumerate(parts):
            if i == 0 and open_ and not text[0].isspace():
                words[-1] = replace(words[-1], text=words[-1].text + word)
            else:
                words.append(replace(how, text=word, pause=pause))
            pause = 0.0
        open_ = not text[-1].isspace() and bool(words) if text else open_
        if len(words) > MOST_WORDS:
            raise BadInput("That is more than a film can say.", "Bring a part of it.")
    if not words:
        raise BadInput("Nothing is said in that file.", "Bring an SSML file with words.")
    return SsmlScript(words, list(dict.fromkeys(unused)))


def _tag(element: Element) -> str:
    name = str(element.tag)
    return name.removeprefix(f"{{{NAMESPACE}}}") if name.startswith("{") else name


def _walk(element: Element, how: SsmlWord, unused: list[str]) -> Iterator[tuple[str, SsmlWord]]:
    """Stretches of text with how they are said; a break is one without text."""
    tag = _tag(element)
    if tag not in _SPOKEN:
        unused.append(tag)
    if tag in ("meta", "metadata", "lexicon", "desc"):
        return  # told, and not said
    if tag in ("p", "s", "voice"):
        yield " ", how
    if tag == "break":
        yield "", SsmlWord("", pause=_seconds(element))
    inner = _said(element, tag, how)
    yield element.text or "", inner
    for child in element:
        yield from _walk(child, inner, unused)
        yield child.tail or "", inner
    if tag in ("p", "s", "voice"):
        yield " ", how


def _said(element: Element, tag: str, how: SsmlWord) -> SsmlWord:
    """How the text of an element is said."""
    if tag == "emphasis":
        return replace(how, stress=element.get("level", "moderate") in ("strong", "moderate"))
    if tag == "prosody":
        return replace(how, pace=_pace(element.get("rate", ""), how.pace))
    if tag == "voice":
        return replace(how, voice=element.get("name", "").split(" ")[0])
    if tag == "sub":
        return replace(how, alias=" ".join(element.get("alias", "").split()))
    if tag == "phoneme" and element.get("alphabet", "ipa") == "ipa":
        return replace(how, ipa=element.get("ph", ""))
    return how


def _pace(rate: str, before: Pace) -> Pace:
    if rate in _PACES:
        return _PACES[rate]
    found = re.fullmatch(r"(\d+(?:\.\d+)?)%", rate)
    if not found:
        return "" if rate in ("medium", "default") else before
    share = float(found[1])
    return "slow" if share < 92 else "quick" if share > 110 else ""


def _seconds(element: Element) -> float:
    found = re.fullmatch(r"\+?(\d+(?:\.\d+)?)(ms|s)", element.get("time", ""))
    if found:
        return min(LONGEST_PAUSE, float(found[1]) / (1000 if found[2] == "ms" else 1))
    return _BREAKS.get(element.get("strength", "medium"), _BREAKS["medium"])


def found_in(script: Sequence[str], words: Sequence[SsmlWord]) -> dict[int, SsmlWord]:
    """Which word of a document each word of a manuscript is, by its index: those that both have in the same order.
    Words that are said as others stand in a document as they are written. Takes time in proportion to both."""
    ours = [_bare(w) for w in script]
    theirs = [_bare(w.text) for w in words]
    tail = 0
    while tail < min(len(ours), len(theirs)) and ours[-1 - tail] == theirs[-1 - tail]:
        tail += 1
    out = {len(ours) - n: words[len(theirs) - n] for n in range(1, tail + 1)}
    ours, theirs = ours[: len(ours) - tail], theirs[: len(theirs) - tail]
    at: dict[tuple[str, ...], list[int]] = {}
    for j in range(len(theirs) - ALIKE + 1):
        at.setdefault(tuple(theirs[j : j + ALIKE]), []).append(j)
    i = j = 0
    while i < len(ours) and j < len(theirs):
        if ours[i] == theirs[j]:
            out[i] = words[j]
            i, j = i + 1, j + 1
            continue
        again = _together_again(ours, i, j, at)
        if again is None:
            break
        i, j = again
    return out


ALIKE = 3
"""Words in a row that say where one is: of two every story has many alike."""


def _together_again(
    ours: Sequence[str], i: int, j: int, at: Mapping[tuple[str, ...], Sequence[int]]
) -> tuple[int, int] | None:
    """Where two texts that differ at a place go on alike, with the fewest words left out of both."""
    best: tuple[int, int] | None = None
    cost = len(ours) + 1
    for ahead in range(len(ours) - i - ALIKE + 1):
        if ahead >= cost:
            break
        places = at.get(tuple(ours[i + ahead : i + ahead + ALIKE]), ())
        n = bisect_left(places, j)
        if n < len(places) and ahead + places[n] - j < cost:
            best, cost = (i + ahead, places[n]), ahead + places[n] - j
    return best


def _bare(word: str) -> str:
    return strip_marks(word).lower().replace("’", "'")
