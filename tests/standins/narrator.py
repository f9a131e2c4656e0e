"""A narrator who is none of the stand-in's voices reads a story with mistakes: sentences said twice, begun and begun
anew, left out; what was said when is known. The voice is `kal16`, a diphone voice that comes with Debian's flite."""

import re
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from standins.voices.engine import say


@dataclass
class Narrated:
    """A recording, mono: its sentences as lists of plain words, the times (seconds) of the last saying of each that was
    said, and which were said again or left out."""

    samples: NDArray[np.float32]
    rate: int
    sentences: list[list[str]]
    last: dict[int, tuple[float, float]] = field(default_factory=dict)
    again: set[int] = field(default_factory=set)
    left_out: set[int] = field(default_factory=set)


def plain(text: str) -> list[str]:
    return re.findall(r"[a-z']+", text.lower().replace("’", "'"))


def narrated(
    sentences: list[str],
    again: set[int] = frozenset(),
    begun: set[int] = frozenset(),
    left_out: set[int] = frozenset(),
    noise: float = 0.003,
    seed: int = 1,
    base: str = "kal16",
) -> Narrated:
    """`again` are said twice, `begun` to their middle and then whole after an apology, `left_out` not at all."""
    rng = np.random.default_rng(seed)
    parts: list[NDArray[np.float32]] = []
    out = Narrated(np.zeros(0, np.float32), 16_000, [plain(s) for s in sentences])
    out.again, out.left_out = set(again) | set(begun), set(left_out)
    at = 0.0

    def add(text: str) -> tuple[float, float]:
        nonlocal at
        spoken = say(text, base, 1.0)
        out.rate = spoken.rate
        pause = np.zeros(round(rng.uniform(0.3, 0.9) * spoken.rate), np.float32)
        parts.extend((spoken.samples / np.abs(spoken.samples).max() * 0.5, pause))
        start, at = at, at + (len(spoken.samples) + len(pause)) / spoken.rate
        return start, start + len(spoken.samples) / spoken.rate

    for i, sentence in enumerate(sentences):
        if i in left_out:
            continue
        if i in begun:
            words = sentence.split()
            add(" ".join(words[: len(words) // 2]))
            add("sorry, again")
        out.last[i] = add(sentence)
        if i in again:
            out.last[i] = add(sentence)
    sound = np.concatenate(parts)
    out.samples = (sound + rng.normal(0, noise, len(sound))).astype(np.float32)
    return out
