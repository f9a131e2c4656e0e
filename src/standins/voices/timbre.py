"""What makes one voice sound unlike another: pitch and how far it moves, the length of the throat, pace, breath,
roughness and brightness; and the sound of each.

Pitch and pace are asked of the engine itself. A longer throat lowers all resonances together, which is heard when sound
is played back slower; pitch and pace are set against that beforehand, so that they stay as they are wanted.
"""

import re
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray
from scipy.signal import butter, lfilter, sosfilt

from .espeak import LANGUAGES

F32 = NDArray[np.float32]
NATURAL = {"rms": 104.0, "slt": 172.0, "awb": 131.0}
"""Median pitch of the voices of the engine for English in hertz, as measured."""
ELSEWHERE = 100.0
"""The same of all others."""
SPAN = {"rms": 0.0, "slt": 0.16, "awb": 0.28}
"""How far their pitch is asked to move so that it moves as it does by itself: a standard deviation, as a share of it.
What the engine makes of that is some two fifths, as measured."""
LENGTH = {"rms": 1.0, "slt": 0.884, "awb": 0.92}
"""How long each takes over a text, where the first voice takes 1."""
MADE = re.compile(r"^made-([a-z]{2,3})((?:-\d{1,3}){7})$")
ORDER = 18
"""Of the linear prediction that tells a throat from what sounds in it: about one a kilohertz, and a few more."""
WINDOW, HOP = 960, 240


@dataclass(frozen=True)
class Timbre:
    """A voice: its `base` a voice of the engine for English, or another language; `pitch` in hertz (0: the base's
    own), `span` how far it moves (1: as the base's), `tract` how long the throat is (1: the base's), `pace` how
    quickly it speaks; `breath`, `rough` (0 … 1) and `bright` (-1 … 1)."""

    base: str = "slt"
    pitch: float = 0.0
    span: float = 1.0
    tract: float = 1.0
    pace: float = 1.0
    breath: float = 0.0
    rough: float = 0.0
    bright: float = 0.0

    @property
    def language(self) -> str:
        """What it speaks (BCP 47)."""
        return "en" if self.base in NATURAL else self.base

    @property
    def hertz(self) -> float:
        """Its median pitch."""
        return self.pitch or NATURAL.get(self.base, ELSEWHERE) / self.tract

    @property
    def moves(self) -> float:
        """How far its pitch is asked to move: a standard deviation, as a share of it."""
        return SPAN.get(self.base, 0.16) * self.span

    @property
    def length(self) -> float:
        """How long it takes over a text, where the first voice takes 1."""
        return round(LENGTH.get(self.base, 1.0) / self.pace, 3)

    @property
    def name(self) -> str:
        """The voice's name, that says all of it: whoever keeps the name has kept the voice."""
        parts = (
            self.pitch, self.span * 50, self.tract * 100, self.pace * 100, self.breath * 100, self.rough * 100,
            self.bright * 100 + 100,
        )  # fmt: skip
        return "-".join(("made", self.base, *(str(round(p)) for p in parts)))

    def within(self) -> "Timbre":
        """The same, no further than a voice can go and still be understood."""
        return replace(
            self,
            pitch=0.0 if self.base == "rms" else float(np.clip(self.pitch, 70, 330)),
            span=float(np.clip(self.span, 0.2, 3.0)),
            tract=float(np.clip(self.tract, 0.78, 1.24)),
            pace=float(np.clip(self.pace, 0.65, 1.4)),
            breath=float(np.clip(self.breath, 0, 1)),
            rough=float(np.clip(self.rough, 0, 1)),
            bright=float(np.clip(self.bright, -1, 1)),
        )


def timbre_of(name: str) -> Timbre | None:
    """The voice that such a name says; None for any other name."""
    found = MADE.match(name)
    if found is None:
        return None
    pitch, span, tract, pace, breath, rough, bright = (int(n) for n in found[2][1:].split("-"))
    if found[1] not in NATURAL and found[1] not in LANGUAGES:
        return None
    parts = (pitch, span / 50, tract / 100, pace / 100, breath / 100, rough / 100, bright / 100 - 1)
    return Timbre(found[1], *parts).within()


def coloured(sound: F32, rate: int, timbre: Timbre, whisper: float, shake: float, seed: int) -> F32:
    """A sound with a voice's breath, roughness and brightness; `whisper` (0 … 1) of it is air alone, and it shakes by
    `shake` (0 … 1)."""
    rng = np.random.default_rng(seed)
    out = sound
    airy = min(1.0, max(whisper, timbre.breath * 0.55))
    if airy > 0.02:
        out = out * np.float32(1 - airy) + _air_of(out, rng) * np.float32(airy * 1.2)
    if timbre.rough > 0.02:
        # Every other pulse weaker, and none quite when it should be: what is heard as hoarse (about 70 Hz).
        beat = rng.normal(0, 1, len(out) // 480 + 2)
        drift = np.interp(np.arange(len(out)) / 480, np.arange(len(beat)), beat)
        t = np.arange(len(out)) / rate
        rough = 0.5 + 0.5 * np.sin(2 * np.pi * 70 * t + 1.8 * drift)
        out = out * (1 - 0.62 * timbre.rough * rough).astype(np.float32)
    if shake > 0.02:
        t = np.arange(len(out)) / rate
        out = out * (1 - 0.42 * shake * (0.5 + 0.5 * np.sin(2 * np.pi * 6.2 * t))).astype(
            np.float32
        )
    if abs(timbre.bright) > 0.02:
        high = sosfilt(butter(2, 2200, "highpass", fs=rate, output="sos"), out).astype(np.float32)
        out = out + high * np.float32(
            1.6 * timbre.bright if timbre.bright > 0 else 0.85 * timbre.bright
        )
    return out.astype(np.float32)


def _air_of(sound: F32, rng: np.random.Generator) -> F32:
    """The same sounds said with breath alone: the throat's shape (linear prediction by autocorrelation, Markel and
    Gray, 1976) filled with noise instead of a tone."""
    window = np.hanning(WINDOW).astype(np.float32)
    padded = np.pad(sound, (WINDOW, WINDOW))
    out = np.zeros(len(padded), np.float32)
    # One noise all along: the same in every frame would be heard as a tone.
    noise = rng.normal(0, 1, len(padded))
    for at in range(0, len(padded) - WINDOW, HOP):
        part = padded[at : at + WINDOW] * window
        power = float(part @ part)
        if power < 1e-5:
            continue
        filled = lfilter([1.0], _throat(part), noise[at : at + WINDOW] * window)
        # As loud as it was, frame by frame; high sounds of breath carry, low ones do not.
        filled *= np.sqrt(power / max(1e-12, float(filled @ filled)))
        out[at : at + WINDOW] += (filled * (HOP / WINDOW * 2)).astype(np.float32)
    sos = butter(1, 500, "highpass", fs=48_000, output="sos")
    breath: F32 = sosfilt(sos, out[WINDOW:-WINDOW]).astype(np.float32)
    return breath


def _throat(part: F32) -> NDArray[np.float64]:
    """Coefficients of linear prediction (Levinson and Durbin)."""
    r = np.correlate(part, part, "full")[len(part) - 1 : len(part) + ORDER].astype(np.float64)
    r[0] *= 1 + 1e-4
    a = np.zeros(ORDER + 1)
    a[0], error = 1.0, r[0]
    for i in range(1, ORDER + 1):
        k = -(r[i] + a[1:i] @ r[i - 1 : 0 : -1]) / error
        a[1:i] = a[1:i] + k * a[i - 1 : 0 : -1]
        a[i] = k
        error *= 1 - k * k
    return a
