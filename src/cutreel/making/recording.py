"""Recordings of the maker's own voice: read in a process apart, bounded, aligned with their words, kept as speech."""

import io

import av
import numpy as np
import soundfile
from numpy.typing import NDArray

from cutreel.core.errors import BadInput
from cutreel.core.film import recorded_key
from cutreel.core.sound import RATE, trim
from cutreel.core.speech import aligned
from cutreel.store import Result

from .audio import peaks_of, samples_of
from .workshop import Workshop

MOST_SECONDS = 180.0
ADVICE = "Bring WAV, FLAC, MP3, M4A or Ogg of at most three minutes."
QUIETEST = 0.003
"""The loudest sample of a recording in which anybody speaks, at least."""


def opened_recording(data: bytes) -> bytes:
    """A recording as FLAC, mono, 48 kHz. Raises BadInput in words the maker can act on."""
    try:
        with av.open(io.BytesIO(data), "r") as source:
            if not source.streams.audio:
                raise BadInput("There is no sound in that file.", ADVICE)
            sound = _decoded(source)
    except av.FFmpegError as error:
        raise BadInput("That recording cannot be opened.", ADVICE) from error
    if float(np.abs(sound).max(initial=0.0)) < QUIETEST:
        raise BadInput(
            "Nobody is heard in that recording.", "Look at the microphone, and record again."
        )
    out = io.BytesIO()
    soundfile.write(out, sound, RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()


def _decoded(source: av.container.InputContainer) -> NDArray[np.float32]:
    resampler = av.AudioResampler(format="flt", layout="mono", rate=RATE)
    parts: list[NDArray[np.float32]] = []
    length = 0
    for frame in source.decode(audio=0):
        for part in resampler.resample(frame):
            parts.append(part.to_ndarray().reshape(-1).astype(np.float32))
            length += len(parts[-1])
        if length > MOST_SECONDS * RATE:
            raise BadInput("The recording is longer than three minutes.", "Bring it line by line.")
    return np.concatenate(parts) if parts else np.zeros(0, np.float32)


def keep_recording(shop: Workshop, text: str, spoken: Result, flac: bytes) -> tuple[str, list[int]]:
    """Keep a recording of a line that says `text`, aligned with how a voice spoke it. Returns its media name, and
    which words (counted in the line) are unsure."""
    media = shop.media.put(flac, "flac")
    sound = samples_of(flac)
    start, end = trim(sound, RATE)
    if end <= start:
        raise BadInput(
            "Nobody is heard in that recording.", "Look at the microphone, and record again."
        )
    first, last = spoken.data["trim"]
    offset = first / RATE
    voice = samples_of(shop.media.get(spoken.media or ""))[first:last, 0]
    phones = spoken.data.get("phones", [])
    found = aligned(
        voice,
        [(a, b) for a, b in spoken.data["words"]],
        [(p["start"] - offset, p["end"] - offset) for p in phones],
        sound[start:end, 0],
        RATE,
    )
    lead = start / RATE
    data = {
        "trim": [start, end],
        "seconds": (end - start) / RATE,
        "peaks": peaks_of(sound[start:end]),
        "phones": [
            {"text": p["text"], "start": a + lead, "end": b + lead}
            for p, (a, b) in zip(phones, found.phones, strict=True)
        ],
        "words": [[a, b] for a, b in found.words],
        "unsure": found.unsure,
    }
    shop.results.put(recorded_key(text, media), "recording", media, data)
    return media, found.unsure
