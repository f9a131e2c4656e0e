"""Recordings of the maker's own voice: read in a process apart, bounded, put to their words, kept as speech."""

import io
from collections.abc import Iterator, Sequence
from functools import lru_cache
from typing import Any, NamedTuple

import av
import numpy as np
import soundfile
from numpy.typing import NDArray

from cutreel.core.errors import BadInput
from cutreel.core.film import recorded_key
from cutreel.core.manuscript import Word, read, words_text
from cutreel.core.sound import RATE, line_lufs, trim
from cutreel.core.speech import Hearer, followed, hearable, placed, tokens_of

from .audio import peaks_of, samples_of
from .workshop import Workshop

F32 = NDArray[np.float32]
MOST_SECONDS, MOST_HOURS = 180.0, 3
ADVICE = "Bring WAV, FLAC, MP3, M4A or Ogg of at most three minutes."
QUIETEST = 0.003
"""The loudest sample of a recording in which anybody speaks, at least."""
PIECE, SEARCHED = 60.0, 20.0
"""Seconds of a piece of a long recording, at least; and of what follows, in whose quietest moment it ends."""


def opened_recording(data: bytes) -> bytes:
    """A recording of a line as FLAC, mono, 48 kHz. Raises BadInput in words the maker can act on."""
    parts: list[F32] = []
    length = 0
    for part in _decoded(io.BytesIO(data)):
        parts.append(part)
        length += len(part)
        if length > MOST_SECONDS * RATE:
            raise BadInput(
                "The recording is longer than three minutes.", "Bring it as a narration."
            )
    sound = np.concatenate(parts) if parts else np.zeros(0, np.float32)
    if float(np.abs(sound).max(initial=0.0)) < QUIETEST:
        raise BadInput(
            "Nobody is heard in that recording.", "Look at the microphone, and record again."
        )
    return _flac(sound)


class Piece(NamedTuple):
    """A part of a long recording that begins and ends in a pause: FLAC, and its seconds."""

    flac: bytes
    seconds: float


def opened_narration(path: bytes) -> list[Piece]:
    """A long recording in pieces of about a minute. `path` is where its file lies. Raises BadInput in words the maker
    can act on."""
    pieces: list[Piece] = []
    held: list[F32] = []
    length = total = 0
    loudest = 0.0
    for part in _decoded(path.decode()):
        held.append(part)
        length += len(part)
        total += len(part)
        loudest = max(loudest, float(np.abs(part).max(initial=0.0)))
        if total > MOST_HOURS * 3600 * RATE:
            raise BadInput(
                f"The recording is longer than {MOST_HOURS} hours.", "Bring it in several files."
            )
        if length > (PIECE + SEARCHED) * RATE:
            sound = np.concatenate(held)
            end = _quiet(sound, round(PIECE * RATE))
            pieces.append(Piece(_flac(sound[:end]), end / RATE))
            held, length = [sound[end:]], len(sound) - end
    if loudest < QUIETEST:
        raise BadInput("Nobody is heard in that recording.", "Look at the file, and bring another.")
    if length:
        pieces.append(Piece(_flac(np.concatenate(held)), length / RATE))
    return pieces


def _quiet(sound: F32, first: int) -> int:
    """The middle of the quietest third of a second from a sample on."""
    block, wide = RATE // 50, 17
    rest = sound[first:]
    level = np.abs(rest[: len(rest) // block * block]).reshape(-1, block).mean(axis=1)
    smooth = np.convolve(level, np.ones(wide) / wide, "valid")
    return first + (int(np.argmin(smooth)) + wide // 2) * block


def _decoded(file: str | io.BytesIO) -> Iterator[F32]:
    """The samples of a file, mono at 48 kHz, as they are decoded. Raises BadInput."""
    try:
        with av.open(file, "r") as source:
            if not source.streams.audio:
                raise BadInput("There is no sound in that file.", ADVICE)
            resampler = av.AudioResampler(format="flt", layout="mono", rate=RATE)
            for frame in source.decode(audio=0):
                for part in resampler.resample(frame):
                    yield part.to_ndarray().reshape(-1).astype(np.float32)
    except av.FFmpegError as error:
        raise BadInput("That recording cannot be opened.", ADVICE) from error


def _flac(sound: F32) -> bytes:
    out = io.BytesIO()
    soundfile.write(out, np.clip(sound, -1, 1), RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()


def joined(parts: Sequence[F32], fade: float = 0.008) -> F32:
    """Stretches of a recording one behind another, each faded into the next over `fade` seconds."""
    wide = round(fade * RATE)
    out = parts[0] if parts else np.zeros(0, np.float32)
    for part in parts[1:]:
        n = min(wide, len(out), len(part))
        ramp = np.linspace(0, 1, n, dtype=np.float32)
        mixed = out[len(out) - n :] * (1 - ramp) + part[:n] * ramp
        out = np.concatenate((out[: len(out) - n], mixed, part[n:]))
    return out


def flac_of(parts: Sequence[F32]) -> bytes:
    """Stretches of a recording as one FLAC file."""
    return _flac(joined(parts))


def spoken_in(flac: bytes) -> tuple[F32, int, int]:
    """The samples of a recording, mono, and the stretch of them that somebody speaks in. Raises BadInput."""
    sound = samples_of(flac)
    start, end = trim(sound, RATE)
    if end <= start:
        raise BadInput(
            "Nobody is heard in that recording.", "Look at the microphone, and record again."
        )
    return sound[:, 0], start, end


@lru_cache(maxsize=1)
def hearer_of(text: str) -> Hearer:
    """What hears the words of a story: kept, since lines of one story follow each other."""
    script = read(text)
    return Hearer([tokens_of(script.words[s.first : s.end]).texts for s in script.sentences])


def misheard(words: Sequence[Word], sound: F32, hearer: Hearer | None = None) -> list[int]:
    """Which of some words (counted among them) a recogniser does not hear in a hearable sound; by itself it knows no
    other words."""
    tokens = tokens_of(words)
    heard = (hearer or Hearer([tokens.texts])).heard(sound)
    right: set[int] = set()
    for passage in followed(tokens.texts, heard).passages:
        for i, place in enumerate(passage.heard, passage.first):
            if place is not None and i not in passage.others:
                right.add(i)
    return sorted({tokens.of[i] for i in range(len(tokens.texts)) if i not in right})


Found = dict[str, Any]
"""What is kept of a recorded line."""


def recorded(words: Sequence[Word], flac: bytes, unsure: Sequence[int] | None = None) -> Found:
    """A recording of a line with its words and phones put where they are said. Words that are `unsure` are counted in
    the line; where they are not given, they are those that a recogniser does not hear. Raises BadInput."""
    sound, start, end = spoken_in(flac)
    clear = hearable(sound[start:end], RATE)
    if unsure is None:
        unsure = misheard(words, clear)
    lead, seconds = start / RATE, (end - start) / RATE
    tokens = tokens_of(words)
    found = placed(clear, tokens.texts) if tokens.texts else None
    return {
        "trim": [start, end],
        "seconds": seconds,
        "lufs": line_lufs(sound[start:end, None]),
        "peaks": peaks_of(sound[start:end, None]),
        "phones": [
            {"text": text, "start": a + lead, "end": min(seconds, b) + lead}
            for text, a, b in (found.phones if found else [])
        ],
        "words": _times(len(words), tokens.of, found.words if found else None, seconds),
        "unsure": list(unsure) if found else list(range(len(words))),
    }


def line_recorded(words: Sequence[Word], flac: bytes, unsure: Sequence[int]) -> tuple[bytes, Found]:
    """A line cut out of a narration, with what is kept of it; `unsure` of its words. Raises BadInput."""
    return flac, recorded(words, flac, unsure)


def listened(flac: bytes, words: Sequence[Word]) -> Found:
    """A line that a voice spoke which does not tell when each word is said, as `recorded`. Raises BadInput."""
    return recorded(words, flac)


def opened_line(data: bytes, words: Sequence[Word]) -> tuple[bytes, Found]:
    """A recording of a line from outside, as FLAC, with what is kept of it: for the process apart, since listening
    takes a core for seconds. Raises BadInput."""
    flac = opened_recording(data)
    return flac, recorded(words, flac)


def keep_recording(shop: Workshop, words: Sequence[Word], flac: bytes, found: Found) -> str:
    """Keep a recording of a line; returns its media name."""
    media = shop.media.put(flac, "flac")
    shop.results.put(recorded_key(words_text(words), media), "recording", media, found)
    return media


def _times(
    count: int, of: Sequence[int], found: Sequence[tuple[float, float]] | None, seconds: float
) -> list[list[float]]:
    """When each word is said, from the times of its plain words; where they are not known, evenly."""
    if found is None:
        return [[seconds * i / count, seconds * (i + 1) / count] for i in range(count)]
    times: list[list[float]] = []
    for word in range(count):
        own = [found[i] for i, w in enumerate(of) if w == word]
        last = times[-1][1] if times else 0.0
        times.append([min(seconds, own[0][0]), min(seconds, own[-1][1])] if own else [last, last])
    return times
