"""What is heard of a clip, as quick or slow as it plays, and as high as it was."""

import io
from typing import ClassVar

import numpy as np
import soundfile

from cutreel.core.sound import RATE, Stretch

from ..audio import samples_of
from ..registry import COMPUTING, Kind, Made, Spec
from ..tempo import at_tempo
from ..work import Work


class PacedSpec(Spec):
    """A stretch of a sound: from its second `first` on as much as fills so many `seconds` at a `speed`."""

    kind: ClassVar[str] = "paced"
    media: str
    first: float
    seconds: float
    speed: float

    @property
    def key(self) -> str:
        return Stretch(self.first, self.seconds, self.speed).key(self.media)


class PacedKind(Kind[PacedSpec]):
    spec = PacedSpec
    queue = COMPUTING

    def make(self, spec: PacedSpec, work: Work) -> Made | None:
        whole = samples_of(work.shop.media.get(spec.media))
        begin = round(spec.first * RATE)
        part = whole[begin : begin + round(spec.seconds * spec.speed * RATE)]
        sound = at_tempo(part, spec.speed)[: round(spec.seconds * RATE)]
        out = io.BytesIO()
        soundfile.write(out, np.clip(sound, -1, 1), RATE, format="FLAC", subtype="PCM_16")
        seconds = round(len(sound) / RATE, 4)
        return Made(work.shop.media.put(out.getvalue(), "flac"), {"seconds": seconds})
