"""The mix: every sound laid in its place, music and effects ducked under the voice, brought to a
set loudness. It goes block by block, so a film of any length needs the same memory.

Levels are in LUFS of each part before ducking. The limiter looks ahead and works on the four times
oversampled peak, so true peaks stay under the ceiling.
"""

from collections import defaultdict
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal, Protocol

import numpy as np
from numpy.typing import NDArray

from .loudness import SILENCE, Loudness, TruePeaks

RATE = 48_000
BLOCK = 10 * RATE
"""Samples in hand at a time."""
Role = Literal["voice", "spot", "ambience", "music"]
LEVELS: dict[Role, float] = {"voice": -15.0, "spot": -27.0, "ambience": -40.0, "music": -27.0}
DUCK_DB: dict[Role, float] = {"voice": 0.0, "spot": -6.0, "ambience": -12.0, "music": -13.0}
AIM_LUFS, DELIVERED_DBTP, CEILING_DBTP = -14.0, -1.0, -1.6
"""The ceiling leaves 0.6 dB for what the AAC encoder adds, so that the delivered file stays under
what is promised of it."""
SPEAKING_DBFS = -42.0
"""What is louder is speech: breath and room lie below."""
TICK = RATE // 100
"""Whether somebody speaks is looked at every hundredth of a second."""
PEAK_EVERY = RATE // 1000
"""The limiter's gain is set every millisecond."""
GAINS_AT_ONCE, REACH = 60_000, 16
"""Milliseconds of gains worked out at a time, and those beside them that have a part in it."""
SPOT_PEAK = 0.35
"""A short bang measures quiet and is loud: its peak is held too."""
TRIES = 5


class Source(Protocol):
    """A sound at 48 kHz in stereo that gives any stretch of itself."""

    @property
    def length(self) -> int:
        """Samples."""
        ...

    def read(self, start: int, end: int) -> NDArray[np.float32]:
        """Samples `start` up to `end`, shape (n, 2)."""
        ...


class Scratch(Protocol):
    """Where the sum of everything waits until its loudness is known."""

    def write(self, block: NDArray[np.float32]) -> None: ...

    def blocks(self) -> Iterator[NDArray[np.float32]]:
        """What was written, as often as it is asked for."""
        ...


@dataclass(frozen=True)
class Samples:
    """A source in memory: float32 of shape (samples,) or (samples, 2)."""

    audio: NDArray[np.float32]

    @property
    def length(self) -> int:
        return len(self.audio)

    def read(self, start: int, end: int) -> NDArray[np.float32]:
        part = self.audio[start:end]
        if part.ndim == 1 or part.shape[1] == 1:
            return np.repeat(part.reshape(-1, 1), 2, axis=1)
        return part


class Memory:
    """A scratch in memory, for what is short."""

    def __init__(self) -> None:
        self._blocks: list[NDArray[np.float32]] = []

    def write(self, block: NDArray[np.float32]) -> None:
        self._blocks.append(block)

    def blocks(self) -> Iterator[NDArray[np.float32]]:
        return iter(self._blocks)


@dataclass(frozen=True)
class MixedPart:
    """One sound to lay in, from `start` seconds.

    `loop_to` repeats the sound, cross-faded, until that many seconds; fades are in seconds;
    `trim_db` is the maker's. Of a piece its level is that of the `whole` that it was cut from. It comes from the left
    (`pan` -1) or the right (1): at equal power, so that it is as loud wherever it stands.
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


Progress = Callable[[float], None]
Heard = Callable[[Role, NDArray[np.float32]], None]
"""Whoever listens to each lane by itself, block by block, as it lies in the sum."""


def mix(
    parts: Sequence[MixedPart],
    seconds: float,
    aim: float = AIM_LUFS,
    scratch: Scratch | None = None,
    progress: Progress = lambda share: None,
    duck: Mapping[Role, float] = DUCK_DB,
    heard: Heard = lambda role, block: None,
) -> Iterator[NDArray[np.float32]]:
    """The finished sound of a film of `seconds` at `aim` LUFS, in blocks of float32 of shape
    (samples, 2) at 48 kHz. `scratch` holds the sum meanwhile (None: memory). `duck` says by how many decibels each role
    gives way to the voice; each lane is `heard` by itself as it lies in the sum, before that is brought to its
    loudness."""
    scratch = Memory() if scratch is None else scratch
    length = round(seconds * RATE)
    laid = _Lanes([_Laid(part) for part in parts], length)
    activity = _activity(laid, length)
    progress(0.3)
    measured, peaks = Loudness(RATE), TruePeaks(PEAK_EVERY)
    for at in range(0, length, BLOCK):
        block = _summed(laid, activity, at, min(length, at + BLOCK), duck, heard)
        measured.add(block)
        peaks.add(block, last=at + BLOCK >= length)
        scratch.write(block)
        progress(0.3 + 0.3 * (at + BLOCK) / length)
    if measured.lufs <= SILENCE:
        return scratch.blocks()
    return _limited(scratch, _gains(scratch, measured.lufs, aim, peaks.values, progress))


class _Laid:
    """A part in its place: where it sounds, and how loud it is laid in."""

    def __init__(self, part: MixedPart) -> None:
        self.part, self.role, self.source = part, part.role, part.source
        self.start = round(part.start * RATE)
        own = part.source.length
        self.length = (
            own if part.loop_to is None else max(1, round((part.loop_to - part.start) * RATE))
        )
        self.seam = min(RATE // 2, own // 4)
        self.gain = _gain_of(part)

    def over(self, start: int, end: int) -> tuple[int, NDArray[np.float32]] | None:
        """What of it sounds between two samples of the film, and from where in that stretch."""
        first, last = max(start, self.start), min(end, self.start + self.length)
        if first >= last or not self.gain:
            return None
        a, b = first - self.start, last - self.start
        repeats = self.length > self.source.length
        samples = self._looped(a, b) if repeats else self.source.read(a, b).copy()
        samples *= np.float32(self.gain) * self._fades(a, b)[:, None]
        if self.part.pan:
            samples = panned(samples, self.part.pan)
        return first - start, samples

    def _fades(self, a: int, b: int) -> NDArray[np.float32]:
        """The fades in and out over samples `a` up to `b` of the part."""
        at = np.arange(a, b, dtype=np.float32)
        out = np.ones(b - a, np.float32)
        for seconds, near in ((self.part.fade_in, at), (self.part.fade_out, self.length - 1 - at)):
            n = min(self.length, round(seconds * RATE))
            if n > 1:
                out *= np.sin(np.clip(near / (n - 1), 0, 1) * np.pi / 2) ** 2
        return out

    def _looped(self, a: int, b: int) -> NDArray[np.float32]:
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


def panned(samples: NDArray[np.float32], pan: float) -> NDArray[np.float32]:
    """A stereo sound moved towards the left (-1) or the right (1): at either end it is its own sum there."""
    middle = samples.mean(axis=1, keepdims=True)
    side = samples - middle
    angle = (pan + 1) * np.pi / 4
    sides = np.array([np.cos(angle), np.sin(angle)], np.float32) * np.float32(np.sqrt(2))
    moved: NDArray[np.float32] = middle * sides + side * np.float32(1 - abs(pan))
    return moved


class _Lanes:
    """All parts, found by the block that they sound in: what a block costs does not grow with the
    film."""

    def __init__(self, parts: Sequence[_Laid], length: int) -> None:
        self._by_block: dict[int, list[_Laid]] = defaultdict(list)
        self.roles = {p.role for p in parts}
        for part in parts:
            last = min(length, part.start + part.length) - 1
            for block in range(max(0, part.start) // BLOCK, last // BLOCK + 1):
                self._by_block[block].append(part)

    def bus(self, role: Role, start: int, end: int) -> NDArray[np.float32]:
        """The sum of a role's parts between two samples of one block."""
        bus = np.zeros((end - start, 2), np.float32)
        for part in self._by_block[start // BLOCK]:
            if part.role == role and (found := part.over(start, end)) is not None:
                at, samples = found
                bus[at : at + len(samples)] += samples
        return bus


def _gain_of(part: MixedPart) -> float:
    """What brings a part to the level of its role."""
    loudness, peak, power = Loudness(RATE), 0.0, 0.0
    source = part.whole or part.source
    for at in range(0, source.length, BLOCK):
        block = source.read(at, min(source.length, at + BLOCK))
        loudness.add(block)
        peak = max(peak, float(np.abs(block).max(initial=0.0)))
        power += float(np.sum(block.astype(np.float64) ** 2))
    level = loudness.lufs
    if level <= SILENCE:  # shorter than a block of the measure
        level = 10 * np.log10(max(1e-12, power / max(1, 2 * source.length)))
    gain = 10 ** ((LEVELS[part.role] - level + part.trim_db) / 20) if level > -90 else 0.0
    if part.role == "spot":
        # Whoever wants it louder than usual gets it.
        own = max(1.0, 10 ** (part.trim_db / 20))
        return float(min(gain, SPOT_PEAK * own / max(1e-6, peak)))
    return float(gain)


def _activity(lanes: _Lanes, length: int) -> NDArray[np.float64]:
    """How much the voice speaks, 0 … 1, each hundredth of a second: opened 120 ms before it, held
    and let go slowly after."""
    from scipy.ndimage import uniform_filter1d  # here, since it takes a second to load

    count = -(-length // TICK)
    if "voice" not in lanes.roles:
        return np.zeros(count)
    rms = np.zeros(count)
    for at in range(0, length, BLOCK):
        end = min(length, at + BLOCK)
        voice = lanes.bus("voice", at, end).mean(axis=1).astype(np.float64)
        padded = np.pad(voice, (0, -len(voice) % TICK)).reshape(-1, TICK)
        rms[at // TICK : at // TICK + len(padded)] = np.sqrt(np.mean(padded**2, axis=1))
    speaking = (rms > 10 ** (SPEAKING_DBFS / 20)).astype(np.float64)
    # 12 ticks before the first word, so that music is down when it comes; 48 behind the last.
    speaking = np.convolve(speaking, np.ones(60), "full")[12 : 12 + count].clip(0, 1)
    smooth: NDArray[np.float64] = uniform_filter1d(uniform_filter1d(speaking, 25), 25)
    return smooth


def _summed(
    lanes: _Lanes,
    activity: NDArray[np.float64],
    start: int,
    end: int,
    ducked_by: Mapping[Role, float],
    heard: Heard,
) -> NDArray[np.float32]:
    """Everything between two samples, ducked under the voice."""
    first, last = start // TICK, end // TICK + 2
    speaking = np.interp(
        np.arange(start, end) / TICK,
        np.arange(first, first + len(activity[first:last])),
        activity[first:last],
    )
    total = np.zeros((end - start, 2), np.float32)
    for role, duck in ducked_by.items():
        if role in lanes.roles:
            ducked = (10 ** (speaking * (duck / 20))).astype(np.float32)
            bus = lanes.bus(role, start, end) * ducked[:, None]
            heard(role, bus)
            total += bus
    return total


def _gains(
    scratch: Scratch, measured: float, aim: float, peaks: NDArray[np.float32], progress: Progress
) -> NDArray[np.float32]:
    """The gain for each millisecond that brings the sum to `aim` under the ceiling: it is tried
    until the measured loudness fits."""
    gain_db = aim - measured
    gains = limiter_gains(peaks, 10 ** (gain_db / 20))
    for turn in range(TRIES):
        loudness = Loudness(RATE)
        for block in _limited(scratch, gains):
            loudness.add(block)
        progress(0.6 + 0.4 * (turn + 1) / TRIES)
        error = aim - loudness.lufs
        if abs(error) < 0.05:
            break
        gain_db += error
        gains = limiter_gains(peaks, 10 ** (gain_db / 20))
    return gains


def limiter_gains(peaks: NDArray[np.float32], gain: float) -> NDArray[np.float32]:
    """The gain for each millisecond that brings sound with these true `peaks` up by `gain` and
    holds it under the ceiling, looking 5 ms ahead. It is worked out piece by piece: a long film has
    millions of milliseconds."""
    from scipy.ndimage import minimum_filter1d, uniform_filter1d  # see _activity

    ceiling = 10 ** (CEILING_DBTP / 20)
    out = np.empty(len(peaks), np.float32)
    for at in range(0, len(peaks), GAINS_AT_ONCE):
        first = max(0, at - REACH)
        near = peaks[first : at + GAINS_AT_ONCE + REACH].astype(np.float64)
        needed = np.minimum(1.0, ceiling / np.maximum(near * gain, 1e-9))
        # Held 6 ms to both sides and smoothed over 5, so that no smoothed value is above its need.
        held = uniform_filter1d(minimum_filter1d(needed, 13), 5)
        piece = held[at - first :][: len(out[at : at + GAINS_AT_ONCE])]
        out[at : at + GAINS_AT_ONCE] = gain * np.minimum(piece, 1.0)
    return out


def _limited(scratch: Scratch, gains: NDArray[np.float32]) -> Iterator[NDArray[np.float32]]:
    """What is on the scratch, times the gain of its millisecond; between two it goes evenly."""
    at = 0
    for block in scratch.blocks():
        first, last = at // PEAK_EVERY, (at + len(block)) // PEAK_EVERY + 2
        near = gains[max(0, first - 1) : last]
        middles = (np.arange(len(near)) + max(0, first - 1) + 0.5) * PEAK_EVERY
        curve = np.interp(np.arange(at, at + len(block)), middles, near)
        yield block * curve.astype(np.float32)[:, None]
        at += len(block)
