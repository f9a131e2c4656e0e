"""Sounds and music that the maker brings: read in a process apart, bounded, kept in stereo at 48 kHz."""

import io
from typing import NamedTuple

import av
import numpy as np
import soundfile

from cutreel.core.errors import BadInput
from cutreel.core.sound import RATE, beats_of, own_key

from .workshop import Workshop

MOST_MINUTES = 15
LEAST_TEMPO = 12.0
"""Seconds: of what is shorter no tempo is told."""
ADVICE = "Bring WAV, FLAC, MP3, M4A or Ogg."
FAINTEST = 1e-4


class OpenedSound(NamedTuple):
    """A sound as FLAC, its seconds, and its beats a minute where it has some."""

    flac: bytes
    seconds: float
    tempo: float | None


def opened_sound(data: bytes) -> OpenedSound:
    """A file of sound. Raises BadInput in words the maker can act on."""
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
    if float(np.abs(sound).max(initial=0.0)) < FAINTEST:
        raise BadInput("Nothing is heard in that file.", "Look at the file, and bring another.")
    tempo = beats_of(sound).tempo if length > LEAST_TEMPO * RATE else 0.0
    out = io.BytesIO()
    soundfile.write(out, np.clip(sound, -1, 1), RATE, format="FLAC", subtype="PCM_16")
    return OpenedSound(out.getvalue(), length / RATE, round(tempo, 1) or None)


def keep_own(shop: Workshop, opened: OpenedSound) -> str:
    """Keep a sound that was brought; returns its media name."""
    media = shop.media.put(opened.flac, "flac")
    shop.results.put(own_key(media), "own sound", media, {"seconds": opened.seconds})
    return media
