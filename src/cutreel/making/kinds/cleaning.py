"""A recorded line cleaned: what was recorded stays as it is."""

import io
from collections.abc import Mapping
from typing import Any, ClassVar

import soundfile

from cutreel.core.errors import NotFound
from cutreel.core.sound import RATE, Cleaning, cleaned, line_lufs

from ..audio import peaks_of, samples_of
from ..registry import COMPUTING, Kind, Made, Spec
from ..work import Work


class CleaningSpec(Spec):
    """A recording, by its key, cleaned by so much; `line` is the key that the film knows the line by."""

    kind: ClassVar[str] = "cleaning"
    line: str
    recorded: str
    how: tuple[float, ...]

    @property
    def key(self) -> str:
        return self.line


class CleaningKind(Kind[CleaningSpec]):
    spec = CleaningSpec
    queue = COMPUTING

    def make(self, spec: CleaningSpec, work: Work) -> Made | None:
        kept = work.shop.results.get(spec.recorded)
        if kept is None or kept.media is None:
            raise NotFound("That recording is gone.", "Record the line again.")
        recorded = samples_of(work.shop.media.get(kept.media))[:, 0]
        pauses = pauses_in(kept.data, len(recorded) / RATE)
        sound = cleaned(recorded, RATE, Cleaning(*spec.how), pauses)
        out = io.BytesIO()
        soundfile.write(out, sound, RATE, format="FLAC", subtype="PCM_16")
        start, end = kept.data["trim"]
        data: dict[str, Any] = {
            **kept.data,
            "peaks": peaks_of(sound[start:end, None]),
            "lufs": line_lufs(sound[start:end, None]),
        }
        return Made(work.shop.media.put(out.getvalue(), "flac"), data)


def pauses_in(line: Mapping[str, Any], seconds: float) -> list[tuple[float, float]]:
    """The stretches of a recorded line's file in which no word is said, in seconds of it."""
    first = line["trim"][0] / RATE
    edges = [0.0, *(first + t for word in line["words"] for t in word), seconds]
    return [(a, b) for a, b in zip(edges[::2], edges[1::2], strict=True) if b > a]
