"""One utterance of espeak-ng, in a process of its own: what one says would else change how the next sounds.

Run as a script with a JSON object on standard input (voice, text, rate, pitch, range); it answers a line of JSON (the
samples a second, words as [place in the text, seconds], phones as [IPA, seconds]) and then the samples, 16 bit. It
imports nothing but the standard library, so that it starts at once.
"""

import ctypes
import json
import sys
from typing import Any

SYNCHRONOUS, PHONEMES_IN_IPA, UTF8 = 2, 0x1 | 0x2, 1
RATE_SET, PITCH_SET, RANGE_SET = 1, 3, 4
WORD, PHONEME = 1, 7


class _Event(ctypes.Structure):
    class _Id(ctypes.Union):
        _fields_ = [
            ("number", ctypes.c_int),
            ("name", ctypes.c_char_p),
            ("string", ctypes.c_char * 8),
        ]

    _fields_ = [
        ("type", ctypes.c_int),
        ("unique_identifier", ctypes.c_uint),
        ("text_position", ctypes.c_int),
        ("length", ctypes.c_int),
        ("audio_position", ctypes.c_int),
        ("sample", ctypes.c_int),
        ("user_data", ctypes.c_void_p),
        ("id", _Id),
    ]


_Heard = ctypes.CFUNCTYPE(
    ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.POINTER(_Event)
)


def main() -> None:
    asked = json.load(sys.stdin)
    lib = ctypes.CDLL("libespeak-ng.so.1")
    rate = lib.espeak_Initialize(SYNCHRONOUS, 0, None, PHONEMES_IN_IPA)
    if rate <= 0 or lib.espeak_SetVoiceByName(asked["voice"].encode()) != 0:
        sys.exit("espeak-ng does not know the voice")
    for name, value in ((RATE_SET, "rate"), (PITCH_SET, "pitch"), (RANGE_SET, "range")):
        lib.espeak_SetParameter(name, asked[value], 0)
    parts: list[bytes] = []
    words: list[tuple[int, float]] = []
    phones: list[tuple[str, float]] = []

    def heard(samples: Any, count: int, event: Any) -> int:
        if count and samples:
            parts.append(ctypes.string_at(samples, 2 * count))
        i = 0
        while event[i].type:
            at = event[i].audio_position / 1000
            if event[i].type == WORD:
                words.append((event[i].text_position - 1, at))
            elif event[i].type == PHONEME:
                phones.append((event[i].id.string.decode("utf-8", "ignore"), at))
            i += 1
        return 0

    callback = _Heard(heard)
    lib.espeak_SetSynthCallback(callback)
    text = asked["text"].encode()
    lib.espeak_Synth(text, len(text) + 1, 0, 1, 0, UTF8, None, None)
    lib.espeak_Synchronize()
    told = json.dumps({"rate": rate, "words": words, "phones": phones})
    sys.stdout.buffer.write(told.encode() + b"\n" + b"".join(parts))


if __name__ == "__main__":
    main()
