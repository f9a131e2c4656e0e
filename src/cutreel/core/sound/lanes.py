"""Sounds laid in their places, lane by lane: where each sounds, how loud it is laid in, and what of a lane sounds
between two samples."""

from collections import defaultdict
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property
from hashlib import blake2b
from typing import Literal, Protocol

import numpy as np
from numpy.typing import NDArray

from .loudness import SILENCE, Loudness
from .turns import Turns, turns

RATE = 48_000
BLOCK = 5 * RATE
"""Samples that are mixed at a time."""
Role = Literal["voice", "spot", "ambience", "music"]
ROLES: tuple[Role, ...] = ("voice", "spot", "ambience", "music")
LEVELS: dict[Role, float] = {"voice": -15.0, "spot": -27.0, "ambience": -40.0, "music": -27.0}
"""LUFS at which each is laid in, before it gives way."""
SPOT_PEAK = 0.35
"""A short bang measures quiet and is loud: its peak is held too."""
Sound = NDArray[np.float32]


class Source(Protocol):
    """A sound at 48 kHz in stereo that gives any stretch of itself."""

    @property
    def length(self) -> int:
        """Samples."""
        ...

    def read(self, start: int, end: int) -> Sound:
        """Samples `start` up to `end`, shape (n, 2)."""
        ...


@dataclass(frozen=True)
class Samples:
    """A source in memory: float32 of shape (samples,) or (samples, 2)."""

    audio: Sound

    @property
    def length(self) -> int:
        return len(self.audio)

    def read(self, start: int, end: int) -> Sound:
        part = self.audio[start:end]
        if part.ndim == 1 or part.shape[1] == 1:
            return np.repeat(part.reshape(-1, 1), 2, axis=1)
        return part


@dataclass(frozen=True)
class MixedPart:
    """One sound to lay in, from `start` seconds.

    `loop_to` repeats the sound, cross-faded, until that many seconds; fades are in seconds;
    `trim_db` is the maker's. Of a piece its level is that of the `whole` that it was cut from. It comes from the left
    (`pan` -1) or the right (1): at equal power, so that it is as loud wherever it stands. Parts with the same `name`
    are made of the same sound; what has none is known by its samples.
    """

    role: Role
    start: float
    source: Source
    loop_to: float | None = None
    fade_in: float = 0.0
    fade_out: float = 0.0
    trim_db: float = 0.0
    whole: Source | None = None
    pan: float = 0.0
    name: str = ""

    @cached_property
    def sound(self) -> str:
        """A name of what it is made of."""
        if self.name:
            return self.name
        digest = blake2b(digest_size=16)
        for source in filter(None, (self.source, self.whole)):
            for at in range(0, source.length, BLOCK):
                digest.update(source.read(at, at + BLOCK).tobytes())
        return digest.hexdigest()

    @cached_property
    def key(self) -> bytes:
        """All that it is, in short: the same again is the same samples in the same place."""
        told = (self.start, self.loop_to, self.fade_in, self.fade_out, self.trim_db, self.pan)
        return blake2b(repr((self.role, self.sound, told)).encode(), digest_size=16).digest()


class Lanes:
    """All parts, found by the block that they sound in: what a block costs does not grow with the film."""

    def __init__(
        self, parts: Sequence[MixedPart], length: int, level: "Level | None" = None
    ) -> None:
        laid = [_Laid(part, level or part_level) for part in parts]
        self._by_block: dict[int, list[_Laid]] = defaultdict(list)
        self.roles = {p.part.role for p in laid}
        for part in laid:
            last = min(length, part.start + part.length) - 1
            for block in range(max(0, part.start) // BLOCK, last // BLOCK + 1):
                self._by_block[block].append(part)

    def between(self, start: int, end: int) -> "list[MixedPart]":
        """The parts that may sound between two samples, in their order."""
        return [p.part for p in self._near(start, end) if p.start < end and p.end > start]

    def lane(self, role: Role, start: int, end: int) -> Sound:
        """The sum of a role's parts between two samples; before the film there is silence."""
        lane = np.zeros((end - start, 2), np.float32)
        for part in self._near(start, end):
            if part.part.role == role and (found := part.over(start, end)) is not None:
                at, samples = found
                lane[at : at + len(samples)] += samples
        return lane

    def _near(self, start: int, end: int) -> "list[_Laid]":
        first, last = max(0, start) // BLOCK, max(0, end - 1) // BLOCK
        if first == last:
            return self._by_block.get(first, [])
        found = {id(p): p for b in range(first, last + 1) for p in self._by_block.get(b, ())}
        return list(found.values())


class _Laid:
    """A part in its place."""

    def __init__(self, part: MixedPart, level: "Level") -> None:
        self.part, self.source, self._level = part, part.source, level
        self.start = round(part.start * RATE)
        own = part.source.length
        self.length = (
            own if part.loop_to is None else max(1, round((part.loop_to - part.start) * RATE))
        )
        self.end = self.start + self.length
        self.seam = min(RATE // 2, own // 4)

    @cached_property
    def gain(self) -> float:
        """What brings it to the level of its role; measured when it is first heard."""
        return gain_of(self.part, *self._level(self.part))

    def over(self, start: int, end: int) -> tuple[int, Sound] | None:
        """What of it sounds between two samples of the film, and from where in that stretch."""
        first, last = max(start, self.start), min(end, self.end)
        if first >= last or not self.gain:
            return None
        a, b = first - self.start, last - self.start
        repeats = self.length > self.source.length
        samples = self._repeated(a, b) if repeats else self.source.read(a, b)
        samples = samples * np.float32(self.gain)  # a copy: what was read is the source's own
        self._faded(samples, a, b)
        if self.part.pan:
            samples = panned(samples, self.part.pan)
        return first - start, samples

    def _faded(self, samples: Sound, a: int, b: int) -> None:
        """Let samples `a` up to `b` of the part in and out, where they are near its ends."""
        n = min(self.length, round(self.part.fade_in * RATE))
        if n > 1 and a < n:
            at = np.arange(a, min(b, n), dtype=np.float32)
            samples[: len(at)] *= (np.sin(at / (n - 1) * (np.pi / 2)) ** 2)[:, None]
        n = min(self.length, round(self.part.fade_out * RATE))
        if n > 1 and b > self.length - n:
            at = self.length - 1 - np.arange(max(a, self.length - n), b, dtype=np.float32)
            samples[-len(at) :] *= (np.sin(at / (n - 1) * (np.pi / 2)) ** 2)[:, None]

    def _repeated(self, a: int, b: int) -> Sound:
        if self.part.role == "ambience":
            return self._turns.read(self.source, a, b)
        return self._looped(a, b)

    @cached_property
    def _turns(self) -> Turns:
        return turns(self.source.length, self.length, self.seam)

    def _looped(self, a: int, b: int) -> Sound:
        """Samples `a` up to `b` of the sound repeated, each seam cross-faded at equal power."""
        own, seam = self.source.length, self.seam
        period = max(1, own - seam)
        out = np.zeros((b - a, 2), np.float32)
        at = a
        while at < b:
            turn, inside = divmod(at, period)
            stop = min(b, (turn + 1) * period)
            piece = self.source.read(inside, inside + stop - at)
            out[at - a : stop - a] = piece
            if turn and inside < seam:
                n = min(seam - inside, stop - at)
                up = np.sin(np.linspace(0, np.pi / 2, seam, dtype=np.float32))[:, None]
                here = slice(inside, inside + n)
                tail = self.source.read(period + inside, period + inside + n)
                out[at - a : at - a + n] = piece[:n] * up[here] + tail * up[::-1][here]
            at = stop
        return out


def summed(sounds: Sequence[Sound]) -> Sound:
    """The sum of some sounds, one after the other."""
    total = sounds[0].copy()
    for sound in sounds[1:]:
        total += sound
    return total


def mono(sound: Sound) -> Sound:
    """Both sides of a stereo sound in one."""
    # Over so short an axis a sum is many times as fast as a reduction.
    out: Sound = (sound[:, 0] + sound[:, 1]) * np.float32(0.5)
    return out


def panned(samples: Sound, pan: float) -> Sound:
    """A stereo sound moved towards the left (-1) or the right (1): at either end it is its own sum there."""
    middle = mono(samples)[:, None]
    side = samples - middle
    angle = (pan + 1) * np.pi / 4
    sides = np.array([np.cos(angle), np.sin(angle)], np.float32) * np.float32(np.sqrt(2))
    moved: Sound = middle * sides + side * np.float32(1 - abs(pan))
    return moved


def gain_of(part: MixedPart, level: float, peak: float) -> float:
    """What brings a part of such a loudness, with such a highest sample, to the level of its role."""
    gain = 10 ** ((LEVELS[part.role] - level + part.trim_db) / 20) if level > -90 else 0.0
    if part.role == "spot":
        # Whoever wants it louder than usual gets it.
        own = max(1.0, 10 ** (part.trim_db / 20))
        return float(min(gain, SPOT_PEAK * own / max(1e-6, peak)))
    return float(gain)


Level = Callable[[MixedPart], tuple[float, float]]
"""Tells how loud what a part is made of is, and its highest sample."""


def part_level(part: MixedPart) -> tuple[float, float]:
    """The level by which a part is laid in."""
    return level_of(part.whole or part.source)


def level_of(source: Source) -> tuple[float, float]:
    """The loudness of a sound (LUFS; of what is shorter than a block of the measure its power in dB), and its highest
    sample."""
    loudness, peak, power = Loudness(RATE), 0.0, 0.0
    for at in range(0, source.length, BLOCK):
        block = source.read(at, min(source.length, at + BLOCK))
        loudness.add(block)
        peak = max(peak, float(np.abs(block).max(initial=0.0)))
        power += float(np.sum(block.astype(np.float64) ** 2))
    level = loudness.lufs
    if level <= SILENCE:
        level = 10 * np.log10(max(1e-12, power / max(1, 2 * source.length)))
    return float(level), peak
