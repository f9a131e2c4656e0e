"""A piece of the maker's own music, brought to the length of its cue."""

import io
from typing import ClassVar

import numpy as np
import soundfile

from cutreel.core.sound import RATE, beats_of, fit, fitted, fitted_key

from ..audio import samples_of
from ..registry import COMPUTING, Kind, Made, Spec
from ..work import Work


class FittedSpec(Spec):
    """A media file, and the seconds that it is to last."""

    kind: ClassVar[str] = "fitted"
    media: str
    seconds: float

    @property
    def key(self) -> str:
        return fitted_key(self.media, self.seconds)


class FittedKind(Kind[FittedSpec]):
    spec = FittedSpec
    queue = COMPUTING

    def make(self, spec: FittedSpec, work: Work) -> Made | None:
        piece = samples_of(work.shop.media.get(spec.media))
        if piece.shape[1] == 1:
            piece = np.repeat(piece, 2, axis=1)
        beats = beats_of(piece)
        work.progress(0.6)
        how = fit(beats, len(piece), round(spec.seconds * RATE))
        out = io.BytesIO()
        sound = np.clip(fitted(piece, how), -1, 1)
        soundfile.write(out, sound, RATE, format="FLAC", subtype="PCM_16")
        about = {
            "tempo": round(beats.tempo, 2),
            "later": how.later / RATE,
            "seconds": spec.seconds,
            "beats": [round(at, 3) for at in how.heard_at(beats.times.tolist())],
            "seams": [(how.later + at) / RATE for at in how.seams],
        }
        return Made(work.shop.media.put(out.getvalue(), "flac"), about)
