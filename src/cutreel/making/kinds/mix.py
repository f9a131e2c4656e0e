"""The film's sound: every line, cue and the music laid into one mix, block by block, and that mix
encoded."""

import tempfile
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import asdict
from mmap import ACCESS_READ, mmap
from pathlib import Path
from typing import Any, ClassVar

import numpy as np

from cutreel.core.render import encode_sound, split_init
from cutreel.core.sound import (
    AIM_LUFS,
    DUCK_DB,
    RATE,
    InRoom,
    Loudness,
    MixedPart,
    Powers,
    Source,
    TruePeaks,
    band_powers,
    mix,
    understood,
)
from cutreel.core.timeline import Room, SoundClip, Track
from cutreel.store import Assembled, ItemSpec

from ..audio import FileScratch, KeptSounds, decoded_blocks
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
    gain: float = 0.0
    whole: tuple[int, int] | None = None
    room: Room = "dry"
    pan: float = 0.0

    @classmethod
    def of(cls, clip: SoundClip) -> "MixedSound":
        return cls(**asdict(clip))


class MixSpec(Spec):
    """All that sounds, and how long the film is. A film with no sound yet is silent."""

    kind: ClassVar[str] = "mix"
    version: ClassVar[int] = 7
    sounds: tuple[MixedSound, ...] = ()
    seconds: float
    loudness: float = AIM_LUFS
    ambience_duck: float = -DUCK_DB["ambience"]
    music_duck: float = -DUCK_DB["music"]


def mix_spec(film: Assembled) -> MixSpec:
    """The sound of a film as it stands."""
    sounds = tuple(MixedSound.of(clip) for clip in film.sound_clips)
    settings = film.document.settings
    return MixSpec(
        sounds=sounds,
        seconds=round(film.seconds, 4),
        loudness=settings.loudness,
        ambience_duck=settings.ambience_duck,
        music_duck=settings.music_duck,
    )


def _heard(source: Source, room: Room) -> Source:
    """A sound as it is heard where it is."""
    return source if room == "dry" else InRoom(source, room)


class MixKind(Kind[MixSpec]):
    """Mixes and encodes, and measures what came of it on the decoded file, since that is what is
    heard."""

    spec = MixSpec
    queue = COMPUTING

    def make(self, spec: MixSpec, work: Work) -> Made | None:
        shop, progress = work.shop, work.progress
        with tempfile.TemporaryDirectory(prefix="cutreel-mix-") as folder:
            path = Path(folder) / "mix.m4a"
            sounds = KeptSounds(shop.media)
            parts = [
                MixedPart(
                    s.track,
                    s.start,
                    _heard(sounds.source(s.media, s.cut), s.room),
                    s.loop_to,
                    s.fade_in,
                    s.fade_out,
                    s.gain,
                    sounds.source(s.media, s.whole or s.cut)
                    if s.whole or s.room != "dry"
                    else None,
                    s.pan,
                )
                for s in spec.sounds
            ]
            powers: dict[str, list[Powers]] = defaultdict(list)
            with FileScratch(Path(folder) / "sum.wav") as scratch:
                blocks = mix(
                    parts,
                    spec.seconds,
                    spec.loudness,
                    scratch,
                    lambda share: progress(share * 0.7),
                    {**DUCK_DB, "ambience": -spec.ambience_duck, "music": -spec.music_duck},
                    lambda role, block: powers[role].append(band_powers(block)),
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
                "understood": _understood(parts, powers),
                **_fragments(path),
            }
            return Made(shop.media.put_file(path, "m4a"), about)


def _understood(
    parts: Sequence[MixedPart], powers: Mapping[str, Sequence[Powers]]
) -> list[tuple[float, str, float]]:
    """How well each sound of the voice is understood beside the rest, in their order."""
    lanes = {role: np.concatenate(blocks) for role, blocks in powers.items()}
    speech = lanes.pop("voice", None)
    if speech is None:
        return []
    spans = [(p.start, p.start + p.source.length / RATE) for p in parts if p.role == "voice"]
    return [(u.value, u.culprit, u.less) for u in understood(speech, lanes, spans)]


def _fragments(path: Path) -> dict[str, Any]:
    """Where in the file a player finds what it needs first, and each fragment: `init` bytes, and (start, end)."""
    with path.open("rb") as file, mmap(file.fileno(), 0, access=ACCESS_READ) as data:
        init, fragments = split_init(data)
        return {"init": len(init), "fragments": fragments}


def missing_mix(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """The mix, unless this one is there."""
    spec = mix_spec(film)
    if shop.results.known([spec.key]):
        return []
    return [item(spec, "mix the sound", weight=mix_weight(film))]


def mix_weight(film: Assembled) -> float:
    """About how many seconds mixing a film takes; what it says is only shown as time left."""
    return 1 + film.seconds * 0.03
