"""What is said in a sound: recognised among the words of a text, or known words put where they are said.

The recogniser and its English model are pocketsphinx's (Huggins-Daines and others, 2006).
"""

import tempfile
from collections.abc import Iterator, Sequence
from functools import lru_cache
from pathlib import Path
from threading import Lock
from typing import Any, NamedTuple

import numpy as np
import soxr
from numpy.typing import NDArray
from pocketsphinx import Decoder

from .sounding import phones_of
from .vocabulary import arpa

F32 = NDArray[np.float32]
RATE = 16_000
"""Samples a second of what the recogniser hears."""
FRAME = 0.01
ROOM = 0.2
"""Seconds of quiet laid at both ends, without which a first or last consonant is lost."""
LOUDEST = 0.5
WIDE = {"beam": 1e-64, "wbeam": 1e-48, "pbeam": 1e-64}
"""How unlikely a way may be that is still followed where words are known, so that noise loses none of them."""
LONGEST, SHORTEST = 25.0, 6.0
"""Seconds of a stretch that is recognised at once, at most; and from when on a pause ends it."""


class HeardWord(NamedTuple):
    """A word (small letters) and when it was heard, in seconds."""

    text: str
    start: float
    end: float


class Placed(NamedTuple):
    """Words and phones, in the order of the text, and when each is said, in seconds."""

    words: list[tuple[float, float]]
    phones: list[tuple[str, float, float]]


def hearable(sound: F32, rate: int) -> F32:
    """A mono sound as the recogniser wants it: at its rate, at an even level."""
    out: F32 = soxr.resample(sound, rate, RATE).astype(np.float32) if rate != RATE else sound
    peak = float(np.quantile(np.abs(out), 0.9995)) if len(out) else 0.0
    even: F32 = np.clip(out * np.float32(LOUDEST / max(peak, 1e-5)), -1, 1)
    return even


class Hearer:
    """Hears what is said of some sentences, which are lists of plain words as they are spoken."""

    def __init__(
        self, sentences: Sequence[Sequence[str]], more: frozenset[str] | None = None
    ) -> None:
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "text.arpa"
            path.write_text(arpa(sentences, more))
            self._decoder = _decoder(lm=None, topn=2)
            for word in sorted({w for s in sentences for w in s}):
                _teach(self._decoder, word)
            self._decoder.add_lm_file("text", str(path))
            self._decoder.activate_search("text")
        self._one_at_a_time = Lock()

    def heard(self, sound: F32) -> list[HeardWord]:
        """The words of a hearable sound."""
        with self._one_at_a_time:
            return [
                HeardWord(word, start, end)
                for word, start, end in _segments(self._decoder, sound)
                if word[0] not in "<[("
            ]


def placed(sound: F32, words: Sequence[str]) -> Placed | None:
    """Known words put where a hearable sound says them; None where that sound does not say them. `words` are plain, as
    spoken."""
    with _ONE_AT_A_TIME:
        return _placed(_aligner(), sound, words)


_ONE_AT_A_TIME = Lock()
"""The aligner is one, and remembers what it aligns."""


def _placed(decoder: Any, sound: F32, words: Sequence[str]) -> Placed | None:
    for word in set(words):
        _teach(decoder, word)
    decoder.set_align_text(" ".join(words))
    spoken = [(w, a, b) for w, a, b in _segments(decoder, sound) if w[0] not in "<[("]
    if len(spoken) != len(words):
        return None
    decoder.set_alignment()
    try:
        _utter(decoder, sound)
    except RuntimeError:  # a sound in which the phones find no room, though the words do
        return Placed(
            [(a, b) for _, a, b in spoken],
            [p for word, a, b in spoken for p in _spread(phones_of(word), a, b)],
        )
    found, phones = [], []
    for word in decoder.get_alignment():
        if word.name[0] not in "<[(":
            found.append(_span(word))
            phones += [(p.name.lower(), *_span(p)) for p in word]
    return Placed(found, phones)


def _span(entry: Any) -> tuple[float, float]:
    start = entry.start * FRAME - ROOM
    return max(0.0, start), max(0.0, start + entry.duration * FRAME)


def _spread(phones: Sequence[str], start: float, end: float) -> list[tuple[str, float, float]]:
    step = (end - start) / max(1, len(phones))
    return [(p.lower(), start + i * step, start + (i + 1) * step) for i, p in enumerate(phones)]


def stretches(sound: F32) -> Iterator[tuple[int, int]]:
    """A hearable sound in stretches that begin and end in pauses, as (first, end) samples."""
    block = RATE // 100
    count = len(sound) // block
    level = np.sqrt(np.mean(sound[: count * block].reshape(count, block) ** 2, axis=1))
    smooth = np.convolve(level, np.ones(15) / 15, "same")
    first = 0
    while count - first > LONGEST / FRAME:
        low, high = first + int(SHORTEST / FRAME), first + int(LONGEST / FRAME)
        end = low + int(np.argmin(smooth[low:high]))
        yield first * block, end * block
        first = end
    yield first * block, len(sound)


@lru_cache(maxsize=1)
def _aligner() -> Any:
    # Two Gaussians of each mixture put words where four do (28 and 38 ms off at most in 95 of 100), and sooner.
    return _decoder(lm=None, bestpath=False, topn=2, **WIDE)


def _decoder(**more: Any) -> Any:
    return Decoder(loglevel="FATAL", **more)


def _teach(decoder: Any, word: str) -> None:
    if decoder.lookup_word(word) is None:
        decoder.add_word(word, " ".join(phones_of(word)) or "AH", False)


def _pcm(sound: F32) -> bytes:
    quiet = np.random.default_rng(0).normal(0, 2e-4, round(ROOM * RATE))
    whole = np.concatenate((quiet, sound, quiet))
    return bytes((np.clip(whole, -1, 1) * 32_767).astype("<i2").tobytes())


def _utter(decoder: Any, sound: F32) -> None:
    decoder.start_utt()
    decoder.process_raw(_pcm(sound), full_utt=True)
    decoder.end_utt()


def _segments(decoder: Any, sound: F32) -> Iterator[tuple[str, float, float]]:
    _utter(decoder, sound)
    for s in decoder.seg() or ():
        word = s.word.split("(")[0] if s.word[0] != "(" else s.word
        yield word, max(0.0, s.start_frame * FRAME - ROOM), (s.end_frame + 1) * FRAME - ROOM
