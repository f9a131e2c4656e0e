"""What a prompt names, as sound: its parts are found one by one among the kinds that are known."""

import io
import re

import numpy as np
import soundfile

from .kinds import KINDS, Kind
from .models import RATE, Samples

ROOM = next(k for k in KINDS if k.name == "a quiet room")
IDLE = frozenset("a an the of on in at and some far off from with".split())
JOINED = frozenset(w for k in KINDS for w in re.findall(r"[a-z]+", k.name)) | frozenset(
    w for k in KINDS for group in (*k.needs, k.likes) for w in group
)
"""Every word that says something about a sound."""
EDGE = 0.02
"""Seconds in which a sound is let in and out."""


def kind_of(part: str) -> Kind | None:
    """The kind that part of a prompt names: the one of which most words are in it; None where nothing is known."""
    said = re.findall(r"[a-zé]+", part.lower())
    words = set(said)
    found = [k for k in KINDS if all(words & group for group in k.needs)]

    def fits(kind: Kind) -> tuple[int, int, int]:
        named = len(words & set(re.findall(r"[a-zé]+", kind.name)) - IDLE)
        # Between two that fit as well the one that is named first: "rain on the river" is rain.
        first = min(said.index(w) for w in words & kind.needs[0])
        return len(kind.needs), named + len(words & kind.likes), -first

    return max(found, key=fits) if found else None


def make_sound(prompt: str, seconds: float, seed: int) -> tuple[bytes, list[str]]:
    """FLAC bytes (stereo, 48 kHz) of what `prompt` names, and the words that meant nothing."""
    n = round(seconds * RATE)
    found = [kind for part in prompt.split(",") if (kind := kind_of(part)) is not None]
    sides = [_side(found or [ROOM], n, seed, side) for side in range(2)]
    audio = np.stack(sides, axis=1)
    edge = min(n // 4, round(EDGE * RATE))
    ramp = np.linspace(0, 1, edge)[:, None]
    audio[:edge] *= ramp
    audio[-edge:] *= ramp[::-1]
    audio *= 0.5 / max(1e-6, float(np.abs(audio).max()))
    out = io.BytesIO()
    soundfile.write(out, audio.astype(np.float32), RATE, format="FLAC", subtype="PCM_16")
    words = dict.fromkeys(re.findall(r"[a-zé]+", prompt.lower()))
    return out.getvalue(), [w for w in words if w not in JOINED and w not in IDLE]


def _side(kinds: list[Kind], n: int, seed: int, side: int) -> Samples:
    """One side of a sound: mostly what both share, and a little of its own, so that it has width."""
    total = np.zeros(n)
    for i, kind in enumerate(kinds):
        for rng, level in (
            (np.random.default_rng([seed, i]), 0.8),
            (np.random.default_rng([seed, i, side + 1]), 0.35),
        ):
            one = kind.make(rng, n)
            total += one * level / max(1e-6, float(np.abs(one).max()))
    return total
