"""The pieces of a kept narration, as one: what was heard in them, and how they sound."""

from bisect import bisect_right
from dataclasses import dataclass
from itertools import accumulate
from typing import Any

import numpy as np

from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument
from cutreel.core.sound import RATE
from cutreel.core.speech import HeardWord
from cutreel.store import Result

from .audio import KeptSounds
from .kinds.hearing import HearingSpec
from .recording import F32
from .workshop import Workshop

AROUND = 1.0
VOICED = 0.3


def _level(sound: F32) -> float:
    return float(np.sqrt(np.mean(sound**2))) if len(sound) else 0.0


@dataclass(frozen=True)
class Pieces:
    """A narration as it is kept: its pieces' media, where each begins (seconds; the last: where it ends), and all that
    was heard in it, in seconds of the whole."""

    media: tuple[str, ...]
    starts: tuple[float, ...]
    heard: tuple[HeardWord, ...]
    sounds: KeptSounds

    @classmethod
    def of(cls, shop: Workshop, film: str, narration: str) -> "Pieces":
        """A narration by its key. Raises BadInput where it was not heard yet."""
        kept = kept_narration(shop, narration)
        specs = hearing_specs(film, kept, brought_for(shop.films.get(film).document, narration))
        found = shop.results.many([s.key for s in specs])
        if len(found) < len({s.key for s in specs}):
            raise BadInput("That recording was not heard yet.", "Follow the text again.")
        starts = (0.0, *accumulate(s.seconds for s in specs))
        heard = tuple(
            HeardWord(text, at + a, at + b)
            for spec, at in zip(specs, starts, strict=False)
            for text, a, b in found[spec.key].data["words"]
        )
        return cls(tuple(s.media for s in specs), starts, heard, KeptSounds(shop.media))

    def at(self, place: int) -> dict[str, Any]:
        """What was heard at a place, and where it can be heard: a piece, and seconds of it."""
        word = self.heard[place]
        piece = self._piece(word.start)
        return {
            "heard": word.text,
            "media": self.media[piece],
            "at": round(word.start - self.starts[piece], 2),
        }

    def sound(self, start: float, end: float) -> F32:
        """The samples of a stretch, mono."""
        out = []
        for piece in range(self._piece(start), self._piece(end) + 1):
            first, last = self.starts[piece], self.starts[piece + 1]
            opened = self.sounds.opened(self.media[piece])
            a, b = (round((min(max(t, first), last) - first) * RATE) for t in (start, end))
            out.append(opened.read(a, b)[:, 0])
        whole: F32 = np.concatenate(out)
        return whole

    def voiced(self, start: float, end: float) -> bool:
        """Whether somebody speaks between two moments: it is nearly as loud there as what is around."""
        around = _level(self.sound(max(0.0, start - AROUND), min(self.starts[-1], end + AROUND)))
        return _level(self.sound(start, end)) > VOICED * around

    def _piece(self, seconds: float) -> int:
        return min(len(self.media) - 1, max(0, bisect_right(self.starts, seconds) - 1))


def kept_narration(shop: Workshop, narration: str) -> Result:
    """A narration as it is kept, by its key. Raises BadInput."""
    kept = shop.results.get(narration)
    if kept is None or kept.kind != "narration":
        raise BadInput("That recording is not kept here.", "Bring it again.")
    return kept


def hearing_specs(film: str, kept: Result, text: str) -> list[HearingSpec]:
    """What is asked for to hear all of it, for the text with a key."""
    return [HearingSpec(film=film, media=m, seconds=s, text=text) for m, s in kept.data["pieces"]]


def brought_for(film: FilmDocument, narration: str) -> str:
    """The key of the text that a narration was brought for; empty where that is not known."""
    return next((n.text for n in film.narrations if n.key == narration), "")
