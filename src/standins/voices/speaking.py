"""A line spoken: by a voice, in a manner, as a file with the times of its words and phones."""

import io
import zlib
from dataclasses import dataclass

import numpy as np
import soundfile
import soxr

from .directing import Manner, directed
from .engine import say
from .espeak import say_in
from .marked import bent, read_ssml
from .speakers import BY_NAME
from .timbre import Timbre, coloured, timbre_of

RATE = 48_000
PEAK = 0.97
"""Nothing is louder than this share of full scale, however it is shouted."""


@dataclass(frozen=True)
class Spoken:
    """Speech as FLAC bytes (mono, 48 kHz), with words and phones as (text, start, end) in
    seconds, and the words of its direction that could not be used."""

    flac: bytes
    seconds: float
    words: list[tuple[str, float, float]]
    phones: list[tuple[str, float, float]]
    unused: tuple[str, ...] = ()


def voice_named(name: str) -> Timbre:
    """A given voice, or one that was made. Raises KeyError for a voice that is neither."""
    return BY_NAME[name].timbre if name in BY_NAME else _made(name)


def _made(name: str) -> Timbre:
    timbre = timbre_of(name)
    if timbre is None:
        raise KeyError(name)
    return timbre


def speak(
    text: str, name: str, rate: float = 1.0, direction: str = "", seed: int = 0, ssml: bool = False
) -> Spoken:
    """Speak `text`, or what is marked in it as `ssml`, with the voice called `name`, as a direction says. Another seed
    says the same a little otherwise. Raises KeyError for a voice that is not offered, ValueError for what is no
    SSML."""
    marked = read_ssml(text) if ssml else None
    text = marked.text if marked else text
    manner, unused = directed(direction)
    timbre = voice_named(name)
    plain = manner == Manner() and seed == 0
    if not plain:
        timbre = _varied(manner.on(timbre), seed)
    higher = 1 / timbre.tract
    stretch = higher / (timbre.pace * rate)
    mean = timbre.pitch / higher
    engine = say if timbre.language == "en" else say_in
    said = engine(text, timbre.base, stretch, mean, timbre.moves * mean)
    audio = soxr.resample(said.samples, said.rate * higher, RATE, quality="HQ").astype(np.float32)
    colours = timbre.breath or timbre.rough or timbre.bright
    if colours or manner.whisper or manner.shake:
        level = float(np.sqrt(np.mean(audio**2))) or 1.0
        noise = zlib.crc32(f"{text} {seed}".encode())
        audio = coloured(audio, RATE, timbre, manner.whisper, manner.shake, noise)
        audio *= level / (float(np.sqrt(np.mean(audio**2))) or 1.0)
    if colours or not plain:
        audio = audio * np.float32(manner.loud)
        audio *= min(1.0, PEAK / max(1e-6, float(np.abs(audio).max(initial=0.0))))
    k = timbre.tract
    words = [(w, a * k, b * k) for w, a, b in said.words]
    phones = [(p, a * k, b * k) for p, a, b in said.phones]
    if marked:
        audio, words, phones = bent(audio, RATE, words, phones, marked)
        unused = [*unused, *marked.unused]
    out = io.BytesIO()
    soundfile.write(out, audio, RATE, format="FLAC", subtype="PCM_16")
    return Spoken(out.getvalue(), len(audio) / RATE, words, phones, tuple(unused))


def _varied(timbre: Timbre, seed: int) -> Timbre:
    """Nobody says a line twice alike."""
    if seed == 0:
        return timbre
    rng = np.random.default_rng(seed)
    pitch, span, pace = rng.uniform(-1, 1, 3)
    return Timbre(
        timbre.base,
        timbre.pitch * (1 + 0.035 * pitch),
        timbre.span * (1 + 0.3 * span),
        timbre.tract,
        timbre.pace * (1 + 0.06 * pace),
        timbre.breath,
        timbre.rough,
        timbre.bright,
    ).within()
