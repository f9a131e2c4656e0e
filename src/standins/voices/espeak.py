"""The engine for languages other than English: Debian's espeak-ng, and when each word and phone was spoken.

Its phones come in IPA and leave in the signs of the engine for English (ARPABET), each as the nearest of those: what
moves lips and jaw is the same in all languages.
"""

import json
import re
import subprocess
import sys
from collections.abc import Sequence
from functools import lru_cache
from pathlib import Path

import numpy as np

from .engine import Said

ONCE = Path(__file__).with_name("espeak_once.py")
SPAN = 0.16
"""How far a voice's pitch moves at the middle of its range, as it is told to voices: a share of its pitch."""
USUAL_RATE = 165
"""Words a minute that the engine is asked for where a voice takes as long as an even reader."""
PITCHES = (69.3, 72.2, 75.8, 82.2, 89.6, 99.8, 109.7, 122.5, 136.1, 151.5, 168.3)
_SETTINGS = (1, 10, 20, 30, 40, 50, 60, 70, 80, 90, 99)
"""Hertz of the engine's voices at some settings of its pitch, as measured."""
# fmt: off
LANGUAGES = {
    "de": "German", "fr": "French", "es": "Spanish", "it": "Italian", "pt": "Portuguese", "nl": "Dutch",
    "pl": "Polish", "cs": "Czech", "sk": "Slovak", "hu": "Hungarian", "ro": "Romanian", "bg": "Bulgarian",
    "hr": "Croatian", "sr": "Serbian", "sl": "Slovene", "el": "Greek", "sv": "Swedish", "da": "Danish",
    "no": "Norwegian", "fi": "Finnish", "et": "Estonian", "lv": "Latvian", "lt": "Lithuanian", "is": "Icelandic",
    "ga": "Irish", "cy": "Welsh", "ca": "Catalan", "eu": "Basque", "tr": "Turkish", "ru": "Russian",
    "uk": "Ukrainian", "hi": "Hindi", "id": "Indonesian", "vi": "Vietnamese", "sw": "Swahili", "eo": "Esperanto",
    "la": "Latin",
}
"""Languages that are offered, by their tags (BCP 47), with their names."""
# fmt: on
_CALLED = {"no": "nb"}
# fmt: off
_ARPABET = {
    "aɪ": "ay", "aʊ": "aw", "eɪ": "ey", "oʊ": "ow", "əʊ": "ow", "ɔɪ": "oy", "ɔʏ": "oy", "tʃ": "ch", "dʒ": "jh",
    "ts": "s", "pf": "f",
    "a": "aa", "ɑ": "aa", "ɐ": "ah", "æ": "ae", "ʌ": "ah", "ɒ": "ao", "ɔ": "ao", "o": "ow", "ɤ": "ow", "ə": "ax",
    "ɘ": "ax", "ɵ": "uh", "ɛ": "eh", "e": "ey", "ø": "er", "œ": "er", "ɜ": "er", "ɚ": "er", "ɝ": "er", "i": "iy",
    "ɪ": "ih", "ɨ": "ih", "y": "uw", "ʏ": "uh", "u": "uw", "ʊ": "uh", "ɯ": "uw", "ʉ": "uw",
    "p": "p", "b": "b", "m": "m", "ɱ": "m", "f": "f", "v": "v", "ʋ": "v", "ɸ": "f", "β": "b", "θ": "th", "ð": "dh",
    "t": "t", "d": "d", "ʈ": "t", "ɖ": "d", "n": "n", "ɳ": "n", "ɲ": "n", "ŋ": "ng", "s": "s", "z": "z", "ʃ": "sh",
    "ʒ": "zh", "ʂ": "sh", "ʐ": "zh", "ɕ": "sh", "ʑ": "zh", "ç": "hh", "ʝ": "y", "x": "hh", "ɣ": "g", "χ": "hh",
    "ħ": "hh", "h": "hh", "ɦ": "hh", "l": "l", "ɫ": "l", "ɭ": "l", "ʎ": "l", "ɬ": "l", "r": "r", "ɾ": "r", "ɹ": "r",
    "ɻ": "r", "ʀ": "r", "ʁ": "r", "j": "y", "w": "w", "ɥ": "w", "k": "k", "g": "g", "ɡ": "g", "q": "k", "c": "k",
    "ɟ": "g", "ʔ": "pau",
}
# fmt: on


def say_in(text: str, language: str, stretch: float, pitch: float = 0.0, span: float = 0.0) -> Said:
    """Speak in a language of the engine's, `stretch` times as long; `pitch` in hertz and how far it moves about that
    (`span`, its standard deviation in hertz) are the engine's own where they are 0."""
    tokens = text.split()
    moves = span / pitch / SPAN if span and pitch else 1.0
    asked = {
        "voice": _CALLED.get(language, language),
        "text": " ".join(tokens),
        "rate": round(float(np.clip(USUAL_RATE / stretch, 80, 400))),
        "pitch": round(float(np.interp(pitch, PITCHES, _SETTINGS))) if pitch else 50,
        "range": round(float(np.clip(50 * moves, 5, 100))),
    }
    answer = subprocess.run(
        [sys.executable, "-I", str(ONCE)],
        input=json.dumps(asked).encode(),
        capture_output=True,
        timeout=60,
        check=True,
    ).stdout
    head, _, sound = answer.partition(b"\n")
    told = json.loads(head)
    samples = np.frombuffer(sound, "<i2").astype(np.float32) / np.float32(32768)
    sounds = _ended(told["phones"], len(samples) / told["rate"])
    starts = np.cumsum([0, *(len(t) + 1 for t in tokens)])
    begins: dict[int, float] = {}
    for place, at in told["words"]:
        begins.setdefault(int(np.searchsorted(starts, place, "right")) - 1, at)
    return Said(samples, told["rate"], _words(tokens, begins, sounds), sounds)


def _ended(phones: Sequence[tuple[str, float]], length: float) -> list[tuple[str, float, float]]:
    """Phones with their ends, in the signs of the engine for English; what is none of them is a pause."""
    ends = [*(at for _, at in phones[1:]), length]
    found = [
        (_arpabet(sign), at, end) for (sign, at), end in zip(phones, ends, strict=True) if end > at
    ]
    return found or [("pau", 0.0, length)]


@lru_cache(maxsize=2048)
def _arpabet(sign: str) -> str:
    plain = re.sub(r"[ː̪̩̯ʲʰˑ'ˈˌ˞̃]", "", sign)
    for size in (3, 2, 1):
        if plain[:size] in _ARPABET:
            return _ARPABET[plain[:size]]
    return "ax" if plain.strip("_:|-") else "pau"


def _words(
    tokens: Sequence[str], begins: dict[int, float], phones: Sequence[tuple[str, float, float]]
) -> list[tuple[str, float, float]]:
    """Each word from where it begins to the end of its last phone before the next begins."""
    out: list[tuple[str, float, float]] = []
    places = sorted(p for p in begins if 0 <= p < len(tokens))
    for place, following in zip(places, [*places[1:], None], strict=True):
        start = begins[place]
        stop = begins[following] if following is not None else phones[-1][2]
        said = [p for p in phones if p[0] != "pau" and start <= p[1] < stop]
        out.append(
            (tokens[place], said[0][1], said[-1][2]) if said else (tokens[place], start, stop)
        )
    return out
