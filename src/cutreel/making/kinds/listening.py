"""Spoken lines listened to: which of their words a recogniser hears, and how loud and clean they are."""

from typing import Any, ClassVar, Literal

from pydantic import Field

from cutreel.core.errors import CutReelError
from cutreel.core.film import language_spoken
from cutreel.core.keys import key
from cutreel.core.manuscript import Word
from cutreel.core.sound import RATE
from cutreel.core.speech import hearable, measured
from cutreel.store import Assembled, ItemSpec

from ..audio import samples_of
from ..recording import hearer_of, misheard
from ..registry import COMPUTING, Kind, Made, RunKind, Spec, Stage, Wanted, item
from ..work import Work
from ..workshop import Workshop

AT_ONCE = 12
"""Lines of one item: what hears them is made ready once."""


def listened_key(spoken: str) -> str:
    """The key of what was found in a spoken line, by the key of that."""
    return key("listened", 1, spoken=spoken)


class ListeningSpec(Spec):
    """Some lines of a film, by their places, and the keys of what was spoken."""

    kind: ClassVar[str] = "listening"
    film: str
    lines: tuple[tuple[int, str], ...]


class ListeningKind(Kind[ListeningSpec]):
    spec = ListeningSpec
    queue = COMPUTING

    def make(self, spec: ListeningSpec, work: Work) -> Made | None:
        film = work.shop.assembled(spec.film)
        for n, (line, spoken) in enumerate(spec.lines):
            if work.dropped():
                return None
            result = film.spoken.get(line)
            if result is not None and result.key == spoken and result.media:
                speech = film.read.speech[line]
                words = film.read.script.words[speech.first : speech.end]
                data = _heard(work.shop.media.get(result.media), result.data["trim"], film, words)
                work.shop.results.put(listened_key(spoken), "listened", None, data)
            work.progress((n + 1) / len(spec.lines))
        return Made(None)


def _heard(
    flac: bytes, trim: list[int], film: Assembled, words: tuple[Word, ...]
) -> dict[str, Any]:
    sound = samples_of(flac)[trim[0] : trim[1], 0]
    found = measured(sound, RATE)
    missed = []
    if (
        language_spoken(film.document) == "en" and not film.said.pieces
    ):  # the recogniser knows no other language
        missed = misheard(words, hearable(sound, RATE), hearer_of(film.document.text))
    return {**found._asdict(), "missed": missed}


class ListeningWanted(Wanted):
    """All spoken lines, or those with their places among `lines`, that were not listened to."""

    kind: Literal["listening"] = "listening"
    lines: list[int] = Field([], max_length=20_000)


def unlistened(film: Assembled, wanted: ListeningWanted, shop: Workshop) -> list[ItemSpec]:
    """Spoken lines that nobody listened to, some at a time."""
    only = set(wanted.lines)
    spoken = [
        (i, result.key)
        for i, result in sorted(film.spoken.items())
        if result.media and (not only or i in only)
    ]
    if not spoken:
        raise CutReelError("Nothing is spoken yet.", "Let the lines be spoken first.")
    known = shop.results.known([listened_key(k) for _, k in spoken])
    left = [(i, k) for i, k in spoken if listened_key(k) not in known]
    return [
        item(
            ListeningSpec(film=film.film, lines=tuple(left[n : n + AT_ONCE])),
            f"listen to lines {n + 1} to {min(len(left), n + AT_ONCE)}",
            weight=4.0,
        )
        for n in range(0, len(left), AT_ONCE)
    ]


LISTENING_RUN = RunKind(ListeningWanted, lambda wanted: [Stage("listen", unlistened)])
