"""The film's sound: every line, cue and the music laid into one mix, block by block, and that mix
encoded."""

import tempfile
from collections.abc import Callable
from dataclasses import asdict
from pathlib import Path
from typing import ClassVar

from cutreel.core.render import encode_sound
from cutreel.core.sound import RATE, Loudness, MixedPart, TruePeaks, mix
from cutreel.core.timeline import SoundClip, Track
from cutreel.store import Assembled, ItemSpec

from ..audio import FileScratch, FileSource, decoded_blocks
from ..registry import COMPUTING, Kind, Made, Spec, Wanted, item
from ..work import Work
from ..workshop import Workshop

FRAGMENT_SECONDS = 4.0


class MixedSound(Spec):
    """A sound in its place, as the timeline has it."""

    track: Track
    start: float
    media: str
    cut: tuple[int, int] | None = None
    loop_to: float | None = None
    fade_in: float = 0.0
    fade_out: float = 0.0

    @classmethod
    def of(cls, clip: SoundClip) -> "MixedSound":
        return cls(**asdict(clip))


class MixSpec(Spec):
    """All that sounds, and how long the film is. A film with no sound yet is silent."""

    kind: ClassVar[str] = "mix"
    version: ClassVar[int] = 5
    sounds: tuple[MixedSound, ...] = ()
    seconds: float


def mix_spec(film: Assembled) -> MixSpec:
    """The sound of a film as it stands."""
    sounds = tuple(MixedSound.of(clip) for clip in film.timeline.sounds)
    return MixSpec(sounds=sounds, seconds=round(film.seconds, 4))


class MixKind(Kind[MixSpec]):
    spec = MixSpec
    queue = COMPUTING

    def make(self, spec: MixSpec, work: Work) -> Made | None:
        return mixed(work.shop, spec, work.progress)


def mixed(
    shop: Workshop, spec: MixSpec, progress: Callable[[float], None] = lambda share: None
) -> Made:
    """Mix and encode, and measure what came of it on the decoded file, since that is what is
    heard."""
    with tempfile.TemporaryDirectory(prefix="cutreel-mix-") as folder:
        path = Path(folder) / "mix.m4a"
        sources = {(s.media, s.cut): FileSource.of(shop.media, s.media, s.cut) for s in spec.sounds}
        parts = [
            MixedPart(s.track, s.start, sources[s.media, s.cut], s.loop_to, s.fade_in, s.fade_out)
            for s in spec.sounds
        ]
        with FileScratch(Path(folder) / "sum.wav") as scratch:
            blocks = mix(
                parts, spec.seconds, scratch=scratch, progress=lambda share: progress(share * 0.7)
            )
            encode_sound(blocks, RATE, FRAGMENT_SECONDS, str(path))
        progress(0.8)
        loudness, peaks = Loudness(RATE), TruePeaks(RATE // 100)
        for block in decoded_blocks(path):
            loudness.add(block)
            peaks.add(block)
        about = {
            "integrated_lufs": round(loudness.lufs, 2),
            "true_peak_dbtp": round(peaks.dbtp, 2),
            "seconds": spec.seconds,
        }
        return Made(shop.media.put_file(path, "m4a"), about)


def missing_mix(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """The mix, unless this one is there."""
    spec = mix_spec(film)
    if shop.results.known([spec.key]):
        return []
    return [item(spec, "mix the sound", weight=1 + film.seconds * 0.03)]
