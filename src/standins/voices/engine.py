"""The engine for English: Debian's flite, and when each word and phone was spoken."""

import ctypes
import re
import unicodedata
from dataclasses import dataclass
from functools import lru_cache
from threading import Lock
from typing import Any

import numpy as np
from numpy.typing import NDArray


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
        ("feat_remove", None, [pointer, text]),
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
class Said:
    """Samples as the engine gives them, at its own `rate`; words and phones as (text, start, end) in its seconds."""

    samples: NDArray[np.float32]
    rate: int
    words: list[tuple[str, float, float]]
    phones: list[tuple[str, float, float]]


_ONE_AT_A_TIME = Lock()
"""What is asked of a voice is set on the voice itself, and noise comes from one generator."""


def say(text: str, base: str, stretch: float, pitch: float = 0.0, span: float = 0.0) -> Said:
    """Speak with one of the engine's voices, `stretch` times as long; `pitch` (hertz) and how far it moves about that
    (`span`, its standard deviation in hertz) are the voice's own where they are 0."""
    tokens = _tokens(text)
    with _ONE_AT_A_TIME:
        lib, voice = _flite(), _voice(base)
        features = ctypes.cast(voice, ctypes.POINTER(_VoiceHead)).contents.features
        lib.feat_set_float(features, b"duration_stretch", stretch)
        for name, value in ((b"int_f0_target_mean", pitch), (b"int_f0_target_stddev", span)):
            if value:
                lib.feat_set_float(features, name, value)
            else:
                lib.feat_remove(features, name)
        # The excitation's noise comes from the C library's generator: seeded, the same words are the same samples.
        ctypes.CDLL(None).srand(1)
        utterance = lib.flite_synth_text(
            " ".join(spoken for _, spoken in tokens).encode("ascii", "ignore"), voice
        )
        try:
            wave = lib.utt_wave(utterance).contents
            samples = np.ctypeslib.as_array(wave.samples, (wave.num_samples,)).astype(
                np.float32
            ) / np.float32(32768)
            rate = int(wave.sample_rate)
            words, phones = _times(lib, utterance)
        finally:
            lib.delete_utterance(utterance)
    if len(words) == len(tokens):
        words = [(tokens[i][0], a, b) for i, (_, a, b) in enumerate(words)]
    return Said(samples, rate, words, phones)


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
