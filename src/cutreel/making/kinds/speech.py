"""Speech: one line as its voice speaks it, with the time of each word."""

from collections.abc import Sequence
from decimal import Decimal
from typing import ClassVar, Literal

from cutreel.protocol import Offer, SpeechInput
from cutreel.store import Assembled, ItemSpec

from ..audio import spoken_line
from ..registry import Kind, Made, RunKind, Spec, Stage, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop


class SpeechSpec(Spec):
    """A line's text and voice. `words` are the manuscript's, to which times are matched; `line` is
    the key that the film knows the line by."""

    kind: ClassVar[str] = "speech"
    line: str
    text: str
    voice: str
    words: tuple[str, ...] = ()

    @property
    def key(self) -> str:
        return self.line


class SpeechKind(Kind[SpeechSpec]):
    spec = SpeechSpec

    def make(self, spec: SpeechSpec, work: Work) -> Made | None:
        offer = work.offer_of("speech").name
        done = work.ask(offer, SpeechInput(text=spec.text, voice=spec.voice), spec)
        if done is None:
            return None
        about, data = done.files[0]
        heard = spoken_line(data, about.data, list(spec.words))
        return Made(work.shop.media.put(data, "flac"), heard, done.cost)

    def price(self, spec: SpeechSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("speech", offers)
        return offer.price.amount * len(spec.text) if offer else Decimal(0)


def unspoken(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """Lines that were not spoken yet, each different one once."""
    out: dict[str, ItemSpec] = {}
    for i, line in enumerate(film.read.speech):
        if i not in film.spoken and line.key not in out:
            words = tuple(w.text for w in film.read.script.words[line.first : line.end])
            spec = SpeechSpec(line=line.key, text=line.text, voice=line.voice, words=words)
            out[line.key] = item(spec, f"speak “{line.text[:40]}”", weight=0.5)
    return list(out.values())


class SpeechWanted(Wanted):
    """All lines that are not spoken yet."""

    kind: Literal["speech"] = "speech"


SPEECH_RUN = RunKind(SpeechWanted, lambda wanted: [Stage("speech", unspoken)])
