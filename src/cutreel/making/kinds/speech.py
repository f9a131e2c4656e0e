"""Speech: one line as its voice speaks it, with the time of each word."""

import time
from collections.abc import Mapping, Sequence
from decimal import Decimal
from typing import Any, ClassVar, Literal

from pydantic import Field

from cutreel.core.film import LineWork, cleaning_of
from cutreel.core.manuscript import read
from cutreel.protocol import Offer, SpeechInput
from cutreel.store import Assembled, ItemSpec

from ..apart import SOUND, reader
from ..audio import spoken_line
from ..recording import listened
from ..registry import Kind, Made, RunKind, Spec, Stage, Wanted, item, offer_for
from ..work import Work
from ..workshop import A_MOMENT, Workshop
from .cleaning import CleaningSpec


class SpeechSpec(Spec):
    """A line's text and voice; `ssml` is the same where words are marked. `words` are the manuscript's, to which times
    are matched; `line` is the key that the film knows the line by."""

    kind: ClassVar[str] = "speech"
    line: str
    text: str
    voice: str
    words: tuple[str, ...] = ()
    direction: str = ""
    seed: int = 0
    ssml: str = ""
    pace: float = 1.0

    @property
    def key(self) -> str:
        return self.line


def _input(spec: SpeechSpec, offer: Offer) -> SpeechInput:
    """What is asked of an offer: marks and directions only of one that understands them."""
    marked = bool(spec.ssml) and "ssml" in offer.understands
    return SpeechInput(
        text=spec.ssml if marked else spec.text,
        voice=spec.voice,
        direction=spec.direction if "direction" in offer.understands else "",
        seed=spec.seed,
        ssml=marked,
        rate=spec.pace,
    )


def speaking(offers: Sequence[Offer], voice: str) -> Offer | None:
    """Who speaks with a voice: the first that offers it, else the first that speaks."""
    having = (o for o in offers if o.kind == "speech" and any(v.name == voice for v in o.voices))
    return next(having, None) or offer_for("speech", offers)


def heard_in(spec: SpeechSpec, data: bytes, told: Mapping[str, Any]) -> dict[str, Any]:
    """What is kept of a line as it was spoken. Who does not tell when each word is said is listened to, as somebody's
    own recording is."""
    words = read(" ".join(spec.words)).words if spec.words and not told.get("words") else ()
    if len(words) == len(spec.words) > 0:
        return reader.read(listened, data, words, what=SOUND)
    return spoken_line(data, dict(told), list(spec.words))


class SpeechKind(Kind[SpeechSpec]):
    spec = SpeechSpec

    def make(self, spec: SpeechSpec, work: Work) -> Made | None:
        offer = speaking(work.shop.offers(), spec.voice)
        if offer is None or all(v.name != spec.voice for v in offer.voices):
            # It may have been plugged in by another process a moment ago.
            asked_now = work.shop.offers(since=time.monotonic() - A_MOMENT)
            offer = speaking(asked_now, spec.voice) or work.offer_of("speech")
        done = work.ask(offer.name, _input(spec, offer), spec)
        if done is None:
            return None
        about, data = done.files[0]
        heard = heard_in(spec, data, about.data)
        heard["unused"] = done.unused_words
        if done.rights:
            heard["rights"] = dict(done.rights)
        return Made(work.shop.media.put(data, "flac"), heard, done.cost)

    def price(self, spec: SpeechSpec, offers: Sequence[Offer]) -> Decimal:
        offer = speaking(offers, spec.voice)
        return offer.price.amount * len(spec.text) if offer else Decimal(0)


def spec_of(line: LineWork, words: tuple[str, ...]) -> SpeechSpec:
    """What is asked for a line; `words` are the manuscript's."""
    return SpeechSpec(
        line=line.key,
        text=line.text,
        voice=line.voice,
        words=words,
        direction=line.direction,
        seed=line.seed,
        ssml=line.ssml,
        pace=line.pace,
    )


def unspoken(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """Lines that were not spoken yet, each different one once."""
    out: dict[str, ItemSpec] = {}
    only = set(wanted.lines) if isinstance(wanted, SpeechWanted) else set()
    for i, line in enumerate(film.read.speech):
        if only and i not in only:
            continue
        made = film.spoken.get(i)
        if line.recorded:
            if line.plain and (made is None or made.key != line.key):
                how = cleaning_of(film.document.settings)
                cleaning = CleaningSpec(line=line.key, recorded=line.plain, how=tuple(how))
                out[line.key] = item(cleaning, f"clean “{line.text[:40]}”", weight=0.3)
            continue
        if (made is None or made.key != line.key) and line.key not in out:
            words = tuple(film.line_words(i))
            spec = spec_of(line, words)
            out[line.key] = item(spec, f"speak “{line.text[:40]}”", weight=0.5)
    return list(out.values())


class SpeechWanted(Wanted):
    """All lines that are not spoken yet, or those of them with their places among `lines`."""

    kind: Literal["speech"] = "speech"
    lines: list[int] = Field([], max_length=20_000)


SPEECH_RUN = RunKind(SpeechWanted, lambda wanted: [Stage("speech", unspoken)])
