"""How well speech is understood beside everything else: the Speech Intelligibility Index.

After ANSI S3.5-1997, the octave band procedure: in each of six bands speech counts from 15 dB under the rest to 15 dB
over it, weighted by how much the band matters. Speech is taken as loud as it is on average over a line, the rest from
moment to moment (Rhebergen and Versfeld, 2005). 1 is speech alone; from about 0.75 on nobody strains to follow.
"""

from collections.abc import Mapping, Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from scipy.fft import rfft

from .lanes import RATE, mono

FRAME = 960
"""Samples that are looked at together: a fiftieth of a second."""
BANDS = (250, 500, 1000, 2000, 4000, 8000)
"""Centres of octave bands in hertz, with their importance for speech (ANSI S3.5-1997, table 3)."""
IMPORTANCE = np.array([0.0617, 0.1671, 0.2373, 0.2648, 0.2142, 0.0549])
REACH = 15.0
"""Decibels under the rest at which nothing of a band is heard, and over it at which all is."""
EASY = 0.75
"""From here on nobody strains (common practice of sound systems for speech)."""
SPEAKS = 1e-3
"""Of a line's loudest frames by power: what is softer is a pause, in which nothing can be missed."""
Powers = NDArray[np.float32]
"""Power in each band, shape (frames, bands)."""

_HERTZ = np.fft.rfftfreq(FRAME, 1 / RATE)
_FIRSTS = np.searchsorted(_HERTZ, [centre / np.sqrt(2) for centre in BANDS])
_END = int(np.searchsorted(_HERTZ, BANDS[-1] * np.sqrt(2)))
"""Where each band begins in a spectrum, and where the last ends: each goes up to the next."""
_WINDOW = np.hanning(FRAME).astype(np.float32)


def band_powers(sound: NDArray[np.float32]) -> Powers:
    """The power of a stereo sound, of shape (samples, 2), in each band and frame; a last frame is filled up."""
    frames = np.pad(mono(sound), (0, -len(sound) % FRAME)).reshape(-1, FRAME)
    spectrum = rfft(frames * _WINDOW, axis=1)
    # Not as a product of matrices: that would begin threads beside those that already mix a block each.
    inside = spectrum[:, :_END]
    powers: Powers = np.add.reduceat(inside.real**2 + inside.imag**2, _FIRSTS, axis=1)
    return powers


class Understood(NamedTuple):
    """How well a line is understood (0 … 1), which lane is most in its way, and by how many decibels less of that would
    do (0 where it is understood with ease)."""

    value: float
    culprit: str
    less: float


def index_of(speech: Powers, rest: Powers) -> float:
    """The index of some frames of speech beside the rest; those in which nobody speaks do not count."""
    total = speech.sum(axis=1)
    said = total > SPEAKS * total.max(initial=0.0)
    if not said.any():
        return 1.0
    over = 10 * np.log10((speech[said].mean(axis=0) + 1e-12) / (rest[said] + 1e-12))
    heard = np.clip((over + REACH) / (2 * REACH), 0, 1) @ IMPORTANCE
    return float(np.average(heard))


def understood(
    speech: Powers, others: Mapping[str, Powers], spans: Sequence[tuple[float, float]]
) -> list[Understood]:
    """How well what is said in each of some `spans` (seconds) is understood beside the `others`, by lane."""
    rest = sum(others.values(), start=np.zeros_like(speech))
    out = []
    for start, end in spans:
        first, last = int(start * RATE / FRAME), int(np.ceil(end * RATE / FRAME))
        part = speech[first:last]
        index = index_of(part, rest[first:last])
        out.append(_told(index, part, {n: p[first:last] for n, p in others.items()}))
    return out


MOST_LESS = 18.0


def _told(index: float, speech: Powers, others: Mapping[str, Powers]) -> Understood:
    if index >= EASY or not others:
        return Understood(round(index, 3), "", 0.0)
    without = {
        name: index_of(
            speech, sum((p for n, p in others.items() if n != name), start=np.zeros_like(speech))
        )
        for name in others
    }
    culprit = max(without, key=lambda name: without[name])
    less = 1.5
    while less < MOST_LESS:
        softer = sum(
            (p * (10 ** (-less / 10) if n == culprit else 1.0) for n, p in others.items()),
            start=np.zeros_like(speech),
        )
        if index_of(speech, softer) >= EASY:
            break
        less += 1.5
    return Understood(round(index, 3), culprit, less)
