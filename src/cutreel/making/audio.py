"""Sound files to samples and back, and what is kept of a spoken line."""

import io
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from threading import Lock, RLock
from typing import Any

import av
import numpy as np
import soundfile
import soxr
from cachetools import LRUCache
from numpy.typing import NDArray

from cutreel.core.errors import BadInput
from cutreel.core.sound import RATE, line_lufs, match_words, trim
from cutreel.store import MediaStore

MOST_HELD = 36_000_000
"""Bytes of samples that are held of one sound: a line, an effect, a piece of music of three minutes."""
MOST_DECODED = 48_000_000
"""Bytes of sounds that are held at a time: half a minute of everything that sounds at once."""
FRAMES_IN_HAND = 400


def samples_of(data: bytes) -> NDArray[np.float32]:
    """Samples at 48 kHz, shape (n, channels), of a sound file. Raises BadInput for what is none."""
    file = _file(data)
    audio, rate = file.read(dtype="float32", always_2d=True), file.samplerate
    if rate != RATE:
        audio = soxr.resample(audio, rate, RATE).astype(np.float32)
    out: NDArray[np.float32] = audio
    return out


def _file(data: bytes) -> soundfile.SoundFile:
    try:
        return soundfile.SoundFile(io.BytesIO(data))
    except Exception as error:
        raise BadInput("That sound file cannot be read.", "Use WAV, FLAC or Ogg.") from error


class KeptSounds:
    """Kept sounds, decoded as they are asked for, by any number of threads. What was used last stays decoded until all
    of that together is large, so that a film of a thousand lines needs no more memory than one of ten."""

    def __init__(self, media: MediaStore, most: int = MOST_DECODED) -> None:
        self.media = media
        self._open: LRUCache[str, _Opened] = LRUCache(most, getsizeof=lambda sound: sound.bytes)
        self._lock = RLock()

    @property
    def held(self) -> int:
        """Bytes that are held."""
        return int(self._open.currsize)

    def opened(self, name: str) -> "_Opened":
        """The sound of a media file. Raises BadInput and NotFound."""
        with self._lock:
            found = self._open.get(name)
            if found is None:
                found = _Opened(self.media.get(name))
                if found.bytes <= self._open.maxsize:
                    self._open[name] = found
            return found

    def source(self, name: str, cut: tuple[int, int] | None = None) -> "FileSource":
        """A sound, or the samples of it that lie in `cut`, as a source of a mix. What is cut is not opened before it is
        heard: a film has thousands of lines."""
        first, end = cut or (0, self.opened(name).length)
        return FileSource(self, name, first, end - first)


class _Opened:
    """An encoded sound, opened. What is short is decoded when it is first read, and held; of what is long only the file
    is, and stretches are decoded as they are asked for."""

    def __init__(self, data: bytes) -> None:
        self._held: NDArray[np.float32] | NDArray[np.int16] | None = None
        self._file = file = _file(data)
        self._lock = Lock()
        # Of what has 16 bits these are held: half as many bytes, and the same samples when they are read.
        self._bits = file.subtype == "PCM_16"
        size = len(file) * file.channels * (2 if self._bits else 4)
        self._short = size <= MOST_HELD
        if file.samplerate != RATE:  # rare
            self._held = samples_of(data)
        self.length = len(file) if self._held is None else len(self._held)
        self.bytes = (
            self._held.nbytes if self._held is not None else size if self._short else len(data)
        )

    def read(self, start: int, end: int) -> NDArray[np.float32]:
        """Samples `start` up to `end`, shape (n, 2)."""
        held = self._held if self._held is not None else self._decoded()
        if held is not None:
            part = _as_float(held[start:end])
        else:
            with self._lock:
                self._file.seek(start)
                part = self._file.read(max(0, end - start), dtype="float32", always_2d=True)
        return part if part.shape[1] == 2 else np.repeat(part[:, :1], 2, axis=1)

    def _decoded(self) -> NDArray[np.float32] | NDArray[np.int16] | None:
        """All of what is short; another thread may have been quicker."""
        with self._lock:
            if self._held is None and self._short:
                kind = "int16" if self._bits else "float32"
                self._held = self._file.read(dtype=kind, always_2d=True)
                self._file.close()
            return self._held


def _as_float(held: NDArray[np.float32] | NDArray[np.int16]) -> NDArray[np.float32]:
    if held.dtype == np.float32:
        return held  # type: ignore[return-value]
    # As the file's own reader has it: 1.0 is full scale.
    out: NDArray[np.float32] = held * np.float32(1 / 32768)
    return out


@dataclass(frozen=True)
class FileSource:
    """A stretch of a kept sound, from sample `first` on, that gives any stretch of itself in stereo."""

    sounds: KeptSounds
    name: str
    first: int
    length: int

    def read(self, start: int, end: int) -> NDArray[np.float32]:
        """Samples `start` up to `end`, shape (n, 2)."""
        opened = self.sounds.opened(self.name)
        return opened.read(self.first + start, self.first + min(end, self.length))


def decoded_blocks(path: Path) -> Iterator[NDArray[np.float32]]:
    """The samples of an encoded track (AAC in MP4), in blocks of shape (n, 2)."""
    with av.open(str(path), "r") as container:
        held: list[NDArray[np.float32]] = []
        for frame in container.decode(audio=0):
            held.append(frame.to_ndarray().T.astype(np.float32))
            if len(held) >= FRAMES_IN_HAND:
                yield np.concatenate(held)
                held = []
        if held:
            yield np.concatenate(held)


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
        "lufs": line_lufs(samples[start:end]),
        "peaks": peaks_of(samples[start:end]),
        "phones": about.get("phones", []),
        "words": [[max(0.0, a - offset), min(seconds, max(0.0, b - offset))] for a, b in times],
    }
