"""Sound files to samples and back, and what is kept of a spoken line."""

import io
from typing import Any

import av
import numpy as np
import soundfile
import soxr
from numpy.typing import NDArray

from cutreel.core.errors import BadInput
from cutreel.core.sound import RATE, match_words, trim


def samples_of(data: bytes) -> NDArray[np.float32]:
    """Samples at 48 kHz, shape (n, channels), of a sound file. Raises BadInput for what is none."""
    try:
        audio, rate = soundfile.read(io.BytesIO(data), dtype="float32", always_2d=True)
    except Exception as error:
        raise BadInput("That sound file cannot be read.", "Use WAV, FLAC or Ogg.") from error
    if rate != RATE:
        audio = soxr.resample(audio, rate, RATE).astype(np.float32)
    out: NDArray[np.float32] = audio
    return out


def flac_of(samples: NDArray[np.float32]) -> bytes:
    """24 bit FLAC at 48 kHz."""
    out = io.BytesIO()
    soundfile.write(out, np.clip(samples, -1, 1), RATE, format="FLAC", subtype="PCM_24")
    return out.getvalue()


def decoded(data: bytes) -> NDArray[np.float32]:
    """Samples of an encoded track (AAC in MP4), shape (n, 2)."""
    with av.open(io.BytesIO(data), "r") as container:
        frames = [f.to_ndarray() for f in container.decode(audio=0)]
    out: NDArray[np.float32] = np.concatenate(frames, axis=1).T.astype(np.float32)
    return out


def peaks_of(samples: NDArray[np.float32]) -> list[int]:
    """The loudest sample of every twentieth of a second, 0 … 100 of the line's own loudest: a
    waveform to look at."""
    mono = np.abs(samples).max(axis=1)
    block = RATE // 20
    padded = np.pad(mono, (0, -len(mono) % block))
    loud = padded.reshape(-1, block).max(axis=1)
    return [round(float(v)) for v in loud / max(1e-6, float(loud.max())) * 100]


def spoken_line(data: bytes, about: dict[str, Any], words: list[str]) -> dict[str, Any]:
    """What is kept of a spoken line: the stretch without silence at its ends, and each word's time
    in that stretch."""
    samples = samples_of(data)
    start, end = trim(samples, RATE)
    if end <= start:
        raise BadInput("The voice returned silence.", "Try again, or choose another voice.")
    offset, seconds = start / RATE, (end - start) / RATE
    spoken = [(w["text"], w["start"], w["end"]) for w in about.get("words", [])]
    times = match_words(words, spoken, len(samples) / RATE)
    return {
        "trim": [start, end],
        "seconds": seconds,
        "peaks": peaks_of(samples[start:end]),
        "phones": about.get("phones", []),
        "words": [[max(0.0, a - offset), min(seconds, max(0.0, b - offset))] for a, b in times],
    }
