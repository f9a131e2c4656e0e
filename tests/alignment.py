"""Words aligned to sound by pocketsphinx, which knows nothing of how the sound was made."""

import re

import numpy as np
import soxr
from pocketsphinx import Decoder

RATE = 16_000


def aligned_starts(samples: np.ndarray, rate: int, text: str) -> list[float]:
    """Start in seconds of every word of `text` in mono `samples`, by forced alignment."""
    audio = soxr.resample(samples.astype(np.float64), rate, RATE)
    audio = np.concatenate([np.zeros(RATE // 4), audio, np.zeros(RATE // 4)])
    pcm = (
        (np.clip(audio / max(1e-6, np.abs(audio).max()) * 0.7, -1, 1) * 32767)
        .astype("<i2")
        .tobytes()
    )
    words = re.findall(r"[a-z']+", text.lower().replace("’", "'"))
    decoder = Decoder(lm=None, loglevel="FATAL")
    known = [w for w in words if decoder.lookup_word(w)]
    decoder.set_align_text(" ".join(known))
    decoder.start_utt()
    decoder.process_raw(pcm, full_utt=True)
    decoder.end_utt()
    found = [
        (s.word, s.start_frame / 100 - 0.25)
        for s in decoder.seg()
        if s.word not in ("<s>", "</s>", "<sil>", "(NULL)", "[NOISE]")
    ]
    return [start for _, start in found]
