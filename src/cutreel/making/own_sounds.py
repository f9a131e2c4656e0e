"""Sounds and music that the maker brings: read in a process apart, bounded, kept in stereo at 48 kHz."""

import io
from collections.abc import Mapping
from typing import NamedTuple

import av
import numpy as np
import soundfile

from cutreel.core.errors import BadInput
from cutreel.core.film import OwnSound
from cutreel.core.sound import RATE, beats_of, own_key

from .midi import MARK, played_midi
from .workshop import Workshop

MOST_MINUTES = 15
LEAST_TEMPO = 12.0
"""Seconds: of what is shorter no tempo is told."""
ADVICE = "Bring WAV, FLAC, MP3, M4A, Ogg or a MIDI file."
FAINTEST = 1e-4
OWN_SOUND = "own sound"
"""The kind under which they are kept."""


class OpenedSound(NamedTuple):
    """A sound as FLAC, its seconds, and its beats a minute where it has some."""

    flac: bytes
    seconds: float
    tempo: float | None


def opened_sound(data: bytes) -> OpenedSound:
    """A file of sound, or of notes (MIDI), which are played. Raises BadInput in words the maker can act on."""
    written = data.startswith(MARK)
    if written:
        data = played_midi(data)
    parts: list[np.ndarray] = []
    length = 0
    try:
        with av.open(io.BytesIO(data), "r") as source:
            if not source.streams.audio:
                raise BadInput("There is no sound in that file.", ADVICE)
            resampler = av.AudioResampler(format="flt", layout="stereo", rate=RATE)
            for frame in source.decode(audio=0):
                for part in resampler.resample(frame):
                    parts.append(part.to_ndarray().reshape(-1, 2).astype(np.float32))
                    length += len(parts[-1])
                if length > MOST_MINUTES * 60 * RATE:
                    raise BadInput(
                        f"The sound is longer than {MOST_MINUTES} minutes.",
                        "Bring the part of it that you need.",
                    )
    except av.FFmpegError as error:
        raise BadInput("That sound cannot be opened.", ADVICE) from error
    sound = np.concatenate(parts) if parts else np.zeros((0, 2), np.float32)
    if written:
        # A synthesiser goes on for a while behind its last note.
        heard = np.flatnonzero(np.abs(sound).max(axis=1, initial=0.0) > FAINTEST)
        sound = sound[: heard[-1] + 1] if len(heard) else sound
        length = len(sound)
    if float(np.abs(sound).max(initial=0.0)) < FAINTEST:
        raise BadInput("Nothing is heard in that file.", "Look at the file, and bring another.")
    tempo = beats_of(sound).tempo if length > LEAST_TEMPO * RATE else 0.0
    out = io.BytesIO()
    soundfile.write(out, np.clip(sound, -1, 1), RATE, format="FLAC", subtype="PCM_16")
    return OpenedSound(out.getvalue(), length / RATE, round(tempo, 1) or None)


def keep_own(shop: Workshop, opened: OpenedSound, told: Mapping[str, str]) -> OwnSound:
    """Keep a sound that was brought, with what is `told` of it (name, licence, credit), for this film and all
    others."""
    media = shop.media.put(opened.flac, "flac")
    sound = OwnSound(media=media, seconds=opened.seconds, tempo=opened.tempo, **told)
    shop.results.put(own_key(media), OWN_SOUND, media, sound.model_dump(mode="json"))
    return sound


def shelf(shop: Workshop) -> list[OwnSound]:
    """All sounds that were ever brought, in the order of their names."""
    kept = shop.results.of_kind(OWN_SOUND)
    sounds = [OwnSound(**k.data) for k in kept if "name" in k.data]
    return sorted(sounds, key=lambda s: s.name.casefold())
