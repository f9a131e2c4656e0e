"""The voice: speaks through Debian's flite and reports when each word and phone was spoken.

Other ages are made by speaking slower or faster and playing back faster or slower, which moves the
pitch and the resonances together, as a smaller or larger throat does.
"""

import ctypes
import io
import re
import unicodedata
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import soundfile
import soxr
from numpy.typing import NDArray

RATE = 48_000


@dataclass(frozen=True)
class Speaker:
    """A voice: flite's voice, how much higher it is played back, how fast it speaks, and how long
    it takes over a text as measured, where the first voice takes 1."""

    name: str
    title: str
    base: str
    pitch: float
    pace: float
    pronoun: str
    age: str
    length: float


SPEAKERS = (
    Speaker("alder", "Alder, even and clear", "rms", 1.0, 1.0, "he", "adult", 1.0),
    Speaker("briony", "Briony, warm", "slt", 0.97, 0.98, "she", "adult", 0.90),
    Speaker("corin", "Corin, from the north", "awb", 1.0, 0.96, "he", "adult", 0.96),
    Speaker("delphine", "Delphine, bright", "slt", 1.07, 1.03, "she", "adult", 0.86),
    Speaker("edda", "Edda, old and unhurried", "slt", 0.88, 0.88, "she", "old", 1.01),
    Speaker("fenn", "Fenn, a boy", "rms", 1.42, 1.02, "he", "child", 0.98),
    Speaker("gilly", "Gilly, a girl", "slt", 1.2, 1.03, "she", "child", 0.86),
    Speaker("hask", "Hask, old and low", "rms", 0.9, 0.9, "he", "old", 1.11),
)
BY_NAME = {speaker.name: speaker for speaker in SPEAKERS}


class _Wave(ctypes.Structure):
    _fields_ = [
        ("type", ctypes.c_char_p),
        ("sample_rate", ctypes.c_int),
        ("num_samples", ctypes.c_int),
        ("num_channels", ctypes.c_int),
        ("samples", ctypes.POINTER(ctypes.c_short)),
    ]


class _VoiceHead(ctypes.Structure):
    _fields_ = [("name", ctypes.c_char_p), ("features", ctypes.c_void_p)]


@lru_cache(maxsize=1)
def _flite() -> Any:
    lib = ctypes.CDLL("libflite.so.1", mode=ctypes.RTLD_GLOBAL)
    for name in ("libflite_usenglish.so.1", "libflite_cmulex.so.1"):
        ctypes.CDLL(name, mode=ctypes.RTLD_GLOBAL)
    pointer, text = ctypes.c_void_p, ctypes.c_char_p
    for name, result, arguments in (
        ("flite_synth_text", pointer, [text, pointer]),
        ("utt_relation", pointer, [pointer, text]),
        ("utt_wave", ctypes.POINTER(_Wave), [pointer]),
        ("relation_head", pointer, [pointer]),
        ("item_next", pointer, [pointer]),
        ("item_daughter", pointer, [pointer]),
        ("item_as", pointer, [pointer, text]),
        ("item_feat_float", ctypes.c_float, [pointer, text]),
        ("item_feat_string", text, [pointer, text]),
        ("item_prev", pointer, [pointer]),
        ("delete_utterance", None, [pointer]),
        ("feat_set_float", None, [pointer, text, ctypes.c_float]),
    ):
        function = getattr(lib, name)
        function.restype, function.argtypes = result, arguments
    lib.flite_init()
    return lib


@lru_cache(maxsize=8)
def _voice(base: str) -> int:
    _flite()
    lib = ctypes.CDLL(f"libflite_cmu_us_{base}.so.1", mode=ctypes.RTLD_GLOBAL)
    register = getattr(lib, f"register_cmu_us_{base}")
    register.restype, register.argtypes = ctypes.c_void_p, [ctypes.c_char_p]
    return int(register(None))


@dataclass(frozen=True)
class Spoken:
    """Speech as FLAC bytes (mono, 48 kHz), with words and phones as (text, start, end) in
    seconds."""

    flac: bytes
    seconds: float
    words: list[tuple[str, float, float]]
    phones: list[tuple[str, float, float]]


def speak(text: str, name: str, rate: float = 1.0) -> Spoken:
    """Speak `text` with the voice called `name`. Raises KeyError for a voice that is not
    offered."""
    speaker = BY_NAME[name]
    lib, voice = _flite(), _voice(speaker.base)
    head = ctypes.cast(voice, ctypes.POINTER(_VoiceHead)).contents
    lib.feat_set_float(head.features, b"duration_stretch", speaker.pitch / (speaker.pace * rate))
    # The excitation's noise comes from the C library's generator: seeded, the same words are the
    # same samples.
    ctypes.CDLL(None).srand(1)
    tokens = _tokens(text)
    utterance = lib.flite_synth_text(
        " ".join(spoken for _, spoken in tokens).encode("ascii", "ignore"), voice
    )
    try:
        wave = lib.utt_wave(utterance).contents
        samples = (
            np.ctypeslib.as_array(wave.samples, (wave.num_samples,)).astype(np.float32) / 32768
        )
        own_rate = int(wave.sample_rate)
        words, phones = _times(lib, utterance)
    finally:
        lib.delete_utterance(utterance)
    k = 1 / speaker.pitch
    audio: NDArray[np.float32] = soxr.resample(
        samples, own_rate * speaker.pitch, RATE, quality="HQ"
    ).astype(np.float32)
    out = io.BytesIO()
    soundfile.write(out, audio, RATE, format="FLAC", subtype="PCM_16")
    named = [
        (tokens[i][0] if i < len(tokens) and len(words) == len(tokens) else w, a * k, b * k)
        for i, (w, a, b) in enumerate(words)
    ]
    return Spoken(
        out.getvalue(), len(audio) / RATE, named, [(p, a * k, b * k) for p, a, b in phones]
    )


def _tokens(text: str) -> list[tuple[str, str]]:
    """Each written word, and the same as flite can take it: plain letters and plain punctuation."""
    plain = re.sub(r"[“”«»\"‘()*_]", "", text.replace("’", "'").replace("…", "..."))
    out = []
    said = plain.split() if len(plain.split()) == len(text.split()) else text.split()
    for written, word in zip(text.split(), said, strict=True):
        spoken = re.sub(r"[—–]+|--+", ",", word)
        spoken = re.sub(r"(?<=[A-Za-z])-(?=[A-Za-z])", "", spoken)
        spoken = re.sub(r"[^A-Za-z0-9'.,;:!?$%&/-]", _folded, spoken)
        out.append((written, spoken if re.search(r"\w", spoken) else "um"))
    return out


def _folded(match: re.Match[str]) -> str:
    return unicodedata.normalize("NFKD", match.group()).encode("ascii", "ignore").decode()


def _times(
    lib: Any, utterance: int
) -> tuple[list[tuple[str, float, float]], list[tuple[str, float, float]]]:
    """Words (by token) and phones with start and end in seconds of flite's own time."""
    words: list[tuple[str, float, float]] = []
    token = lib.relation_head(lib.utt_relation(utterance, b"Token"))
    while token:
        start = end = None
        word = lib.item_daughter(token)
        while word:
            syllable = lib.item_daughter(lib.item_as(word, b"SylStructure"))
            while syllable:
                segment = lib.item_daughter(syllable)
                while segment:
                    own = lib.item_as(segment, b"Segment")
                    before = lib.item_prev(own)
                    begin = float(lib.item_feat_float(before, b"end")) if before else 0.0
                    start = begin if start is None else start
                    end = float(lib.item_feat_float(own, b"end"))
                    segment = lib.item_next(segment)
                syllable = lib.item_next(syllable)
            word = lib.item_next(word)
        if start is not None and end is not None:
            words.append(
                (lib.item_feat_string(token, b"name").decode("ascii", "ignore"), start, end)
            )
        token = lib.item_next(token)
    phones: list[tuple[str, float, float]] = []
    segment, at = lib.relation_head(lib.utt_relation(utterance, b"Segment")), 0.0
    while segment:
        end = float(lib.item_feat_float(segment, b"end"))
        phones.append((lib.item_feat_string(segment, b"name").decode(), at, end))
        at, segment = end, lib.item_next(segment)
    return words, phones
