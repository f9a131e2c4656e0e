"""SSML 1.1 as far as this voice understands it: emphasis, the rate of prosody, breaks, substitutes. What was said
plainly is bent afterwards: words are stretched, raised, and put further apart where they are marked so."""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from xml.etree.ElementTree import Element

import numpy as np
from defusedxml.ElementTree import fromstring
from numpy.typing import NDArray

F32 = NDArray[np.float32]
Times = list[tuple[str, float, float]]
RATES = {"x-slow": 1.6, "slow": 1.3, "medium": 1.0, "default": 1.0, "fast": 0.8, "x-fast": 0.65}
BREAKS = {"none": 0.0, "x-weak": 0.1, "weak": 0.25, "medium": 0.5, "strong": 0.9, "x-strong": 1.4}
EMPHASIS = {
    "strong": (1.14, 3.5),
    "moderate": (1.07, 2.0),
    "none": (1.0, 0.0),
    "reduced": (0.95, -2.0),
}
"""How many times as long, and how many decibels louder."""


@dataclass(frozen=True)
class Manner:
    """How one word is said: so many times as long, so much louder (dB), after so much silence (seconds)."""

    long: float = 1.0
    louder: float = 0.0
    silence: float = 0.0


@dataclass(frozen=True)
class Marked:
    """The words of a document, and how each is said; and what of it is not understood."""

    words: list[tuple[str, Manner]]
    unused: list[str]

    @property
    def text(self) -> str:
        return " ".join(word for word, _ in self.words)


def read_ssml(document: str) -> Marked:
    """Read a document. Raises ValueError for what is none."""
    try:
        root = fromstring(document, forbid_dtd=True)
    except Exception as error:
        raise ValueError("That is no SSML.") from error
    if _tag(root) != "speak":
        raise ValueError("An SSML document begins with “speak”.")
    unused: list[str] = []
    words: list[tuple[str, Manner]] = []
    silence, open_ = 0.0, False  # whether a word may go on: "<emphasis>home</emphasis>."
    for text, manner in _walk(root, Manner(), unused):
        if manner.silence:
            silence, open_ = silence + manner.silence, False
        for i, word in enumerate(text.split()):
            if i == 0 and open_ and not text[0].isspace():
                words[-1] = (words[-1][0] + word, words[-1][1])
            else:
                words.append((word, replace(manner, silence=silence)))
            silence = 0.0
        open_ = not text[-1].isspace() and bool(words) if text else open_
    return Marked(words, list(dict.fromkeys(unused)))


def _tag(element: Element) -> str:
    return element.tag.rsplit("}", 1)[-1]


def _walk(element: Element, manner: Manner, unused: list[str]) -> Iterator[tuple[str, Manner]]:
    """Stretches of text with how they are said; a break is one without text."""
    tag = _tag(element)
    if tag == "emphasis":
        long, louder = EMPHASIS.get(element.get("level", "moderate"), EMPHASIS["moderate"])
        manner = replace(manner, long=manner.long * long, louder=manner.louder + louder)
    elif tag == "prosody":
        manner = replace(manner, long=manner.long * _rate(element.get("rate", "medium")))
        unused += [f"prosody {name}" for name in element.attrib if name != "rate"]
    elif tag == "break":
        yield "", Manner(silence=_seconds(element))
    elif tag not in ("speak", "p", "s", "sub", "w", "token", "voice"):
        unused.append(tag)
    yield (element.get("alias") or "") if tag == "sub" else (element.text or ""), manner
    for child in element:
        yield from _walk(child, manner, unused)
        yield child.tail or "", manner


def _rate(value: str) -> float:
    if value in RATES:
        return RATES[value]
    found = re.fullmatch(r"(\d+(?:\.\d+)?)%", value)
    return 100 / max(30.0, min(300.0, float(found[1]))) if found else 1.0


def _seconds(element: Element) -> float:
    found = re.fullmatch(r"(\d+(?:\.\d+)?)(ms|s)", element.get("time", ""))
    if found:
        return min(10.0, float(found[1]) / (1000 if found[2] == "ms" else 1))
    return BREAKS.get(element.get("strength", "medium"), BREAKS["medium"])


def bent(
    sound: F32, rate: int, words: Times, phones: Times, marked: Marked
) -> tuple[F32, Times, Times]:
    """A line bent as its words are marked: its sound, and the times of its words and phones in it."""
    manners = _of_spoken(marked, [text for text, _, _ in words])
    if not words or all(m == Manner() for m in manners):
        return sound, words, phones
    edges = _edges(words, len(sound) / rate)
    out: list[F32] = [sound[: round(edges[0] * rate)]]
    at = [(0.0, 0.0), (edges[0], edges[0])]  # moments as they were, and as they come to be
    for manner, first, end in zip(manners, edges, edges[1:], strict=False):
        if manner.silence:
            out.append(np.zeros(round(manner.silence * rate), np.float32))
            at.append((first + 1e-6, _length(out, rate)))
        part = stretched(sound[round(first * rate) : round(end * rate)], rate, manner.long)
        out.append(part * np.float32(10 ** (manner.louder / 20)))
        at.append((end, _length(out, rate)))
    out.append(sound[round(edges[-1] * rate) :])
    whole = np.concatenate(out)
    peak = float(np.abs(whole).max(initial=0.0))
    before, after = np.array(at).T

    def moved(times: Times) -> Times:
        return [
            (text, float(np.interp(a + 2e-6, before, after)), float(np.interp(b, before, after)))
            for text, a, b in times
        ]

    return (whole * np.float32(min(1.0, 0.97 / max(peak, 1e-6)))), moved(words), moved(phones)


def _length(parts: Sequence[F32], rate: int) -> float:
    return sum(len(p) for p in parts) / rate


def _edges(words: Times, length: float) -> list[float]:
    """Where one word's stretch ends and the next's begins: in the middle of what lies between."""
    inner = [(a[2] + b[1]) / 2 for a, b in pairwise(words)]
    return [max(0.0, words[0][1] - 0.02), *inner, min(length, words[-1][2] + 0.02)]


def _of_spoken(marked: Marked, spoken: Sequence[str]) -> list[Manner]:
    """The manner of each word that the engine says, which may say one word as several."""
    letters = [re.sub(r"[^a-z]", "", w.lower()) for w, _ in marked.words]
    out: list[Manner] = []
    at = taken = 0
    for word in spoken:
        own = re.sub(r"[^a-z]", "", word.lower())
        while at < len(letters) - 1 and taken >= len(letters[at]):
            at, taken = at + 1, 0
        manner = marked.words[at][1] if marked.words else Manner()
        out.append(manner if taken == 0 else replace(manner, silence=0.0))
        taken += len(own)
    return out


FRAME, SEARCH = 0.03, 0.008


def stretched(sound: F32, rate: int, factor: float) -> F32:
    """A sound so many times as long, at its own pitch: overlap-add of frames that go on as the one before does (WSOLA,
    Verhelst and Roelands, 1993)."""
    size, reach = int(FRAME * rate) // 2 * 2, int(SEARCH * rate)
    hop = size // 2
    if abs(factor - 1) < 0.02 or len(sound) < 3 * size:
        return sound
    window = np.asarray(np.hanning(size), np.float32)
    padded = np.pad(sound, (reach, size + 2 * reach))
    length = round(len(sound) * factor)
    out = np.zeros(length + 2 * size, np.float32)
    weight: F32 = np.zeros(len(out), np.float32)
    last = reach
    for k in range(length // hop + 1):
        aim = reach + round(k * hop / factor)
        if k:
            wanted = padded[last + hop : last + hop + size]
            area = padded[max(0, aim - reach) : aim + reach + size]
            if len(wanted) == size and len(area) > size:
                aim = max(0, aim - reach) + int(np.argmax(np.correlate(area, wanted, "valid")))
        frame = padded[aim : aim + size]
        if len(frame) < size:
            break
        out[k * hop : k * hop + size] += frame * window
        weight[k * hop : k * hop + size] += window
        last = aim
    made: F32 = (out[:length] / np.maximum(weight[:length], 0.1)).astype(np.float32)
    return made
