"""A piece of the maker's narration, recognised: which words of the story are heard in it, and when."""

from typing import ClassVar

from pydantic import Field

from cutreel.core.sound import RATE
from cutreel.core.speech import HEARING_RATE, hearable, stretches

from ..audio import samples_of
from ..recording import hearer_of
from ..registry import COMPUTING, Kind, Made, Spec
from ..work import Work


class HearingSpec(Spec):
    """A piece of a recording, of so many `seconds`. It is known by its sound and by the `text` (its key) that it was
    brought for, whose words may be heard in it; a text that is changed later is followed through what was heard."""

    kind: ClassVar[str] = "hearing"
    made_of: ClassVar[frozenset[str]] = frozenset(("film", "media", "text"))
    film: str
    media: str = Field(pattern=r"^[0-9a-f]{64}\.flac$")
    seconds: float
    text: str = ""


class HearingKind(Kind[HearingSpec]):
    spec = HearingSpec
    queue = COMPUTING

    def make(self, spec: HearingSpec, work: Work) -> Made | None:
        hearer = hearer_of(work.shop.films.get(spec.film).document.text)
        sound = hearable(samples_of(work.shop.media.get(spec.media))[:, 0], RATE)
        words = []
        for first, end in stretches(sound):
            if work.dropped():
                return None
            words += [
                [
                    w.text,
                    round(first / HEARING_RATE + w.start, 3),
                    round(first / HEARING_RATE + w.end, 3),
                ]
                for w in hearer.heard(sound[first:end])
            ]
            work.progress(end / len(sound))
        return Made(None, {"words": words})
