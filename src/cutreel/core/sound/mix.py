"""The mix: every sound laid in its place, music and effects giving way to the voice, brought to a set loudness.

It goes block by block. What is measured of a block is kept by a key of all that sounds in it, so that moving one cue
measures its seconds anew and nothing else; and a film of any length needs little more memory than one block. A block
is the same samples whether it is mixed alone or with the whole film.

Levels are in LUFS of each part before it gives way.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from hashlib import blake2b
from threading import Lock
from typing import NamedTuple, Protocol

import numpy as np
from numpy.typing import NDArray

from .giving_way import (
    TICK,
    Giving,
    LevelLine,
    Ticks,
    dipped,
    gained,
    line_at,
    power_in_ticks,
    speaking,
    spot_gives,
)
from .lanes import BLOCK, RATE, ROLES, Lanes, MixedPart, Role, Sound, part_level, summed
from .limiter import AIM_LUFS, PEAK_EVERY, Limiter, in_16_bits, limited
from .loudness import SILENCE, gated, loudness_range, short_term
from .measured import BEFORE, BEHIND, HEARD, Heard, measured
from .pressed import pressed
from .tone import Tone, toned
from .understood import Powers, Understood, understood

VERSION = b"3"
"""Of how a block is mixed and measured: another one makes all keys others."""
TICKS = BLOCK // TICK
HOPS_EACH, HOPS_AT_ONCE = RATE // 10 // PEAK_EVERY, 100
TRIES = 12
MOST_VOICES = 6
"""Blocks whose voice is remembered: three for each of two cores."""


class Kept(Protocol):
    """Where measures are kept, by key. What was kept may be gone later."""

    def get(self, key: str, /) -> bytes | None: ...

    def __contains__(self, key: object, /) -> bool: ...

    def __setitem__(self, key: str, value: bytes, /) -> None: ...


@dataclass(frozen=True)
class Treatment:
    """How the lanes are treated: what gives way, the level lines by hand, the tone of each, and by how many decibels
    its loud moments are held down."""

    giving: Giving = field(default_factory=Giving)
    lines: Mapping[Role, LevelLine] = field(default_factory=dict)
    tones: Mapping[Role, Tone] = field(default_factory=dict)
    presses: Mapping[Role, float] = field(default_factory=dict)


class Mastered(NamedTuple):
    """A mix brought to its loudness: by how many decibels it is louder than its lanes' sum, the limiter that gives
    each millisecond its gain, and what is measured of it (LUFS, LU, decibels that the limiter takes away at most,
    dBTP), with the loudness over three seconds every 100 ms."""

    louder: float
    limiter: Limiter
    lufs: float
    range: float
    held: float
    true_peak: float
    short_term: NDArray[np.float64]


class Mixer:
    """A film's sound, of which any block can be had. `kept` keeps what was measured, by key."""

    def __init__(
        self,
        parts: Sequence[MixedPart],
        seconds: float,
        treatment: Treatment = Treatment(),
        kept: Kept | None = None,
    ) -> None:
        self.length = round(seconds * RATE)
        self.blocks = -(-self.length // BLOCK)
        self.parts, self.treatment = parts, treatment
        self._kept: Kept = {} if kept is None else kept
        self._lanes = Lanes(parts, self.length, self._level)
        self._keys: dict[int, str] = {}
        self._voices: dict[int, tuple[Sound, Ticks]] = {}
        self._lock = Lock()

    def span(self, block: int) -> tuple[int, int]:
        """The samples of the film from which to which a block goes."""
        return block * BLOCK, min(self.length, (block + 1) * BLOCK)

    def key(self, block: int) -> str:
        """A name for all that has a part in a block."""
        if block not in self._keys:
            self._keys[block] = self._key(block)
        return self._keys[block]

    def known(self, block: int) -> bool:
        """Whether it was measured before."""
        return self.key(block) in self._kept

    def heard(self, block: int) -> Heard:
        """What is measured of a block, now or before."""
        name = self.key(block)
        data = self._kept.get(name)
        if data is not None and len(data) == HEARD.itemsize:
            return np.frombuffer(data, HEARD)[0]  # type: ignore[no-any-return]
        start, end = self.span(block)
        lanes, gives = self._mixed(start - BEFORE, end + BEHIND)
        first = BEFORE // TICK
        heard = measured(lanes, {r: g[first:] for r, g in gives.items()})
        self._kept[name] = heard.tobytes()
        return heard

    def lanes(self, block: int) -> dict[Role, Sound]:
        """The lanes of a block as they lie in the sum, shape (samples, 2)."""
        start, end = self.span(block)
        lanes, _ = self._mixed(start - BEFORE, end + BEHIND)
        return {role: lane[BEFORE : BEFORE + end - start] for role, lane in lanes.items()}

    def sound(self, block: int, mastered: Mastered, roles: Sequence[Role] = ROLES) -> Sound:
        """A block as it is heard in the end, of shape (samples, 2), or some of its lanes alone."""
        found = self.lanes(block)
        chosen = [lane for role, lane in found.items() if role in roles]
        start, end = self.span(block)
        total = summed(chosen) if chosen else np.zeros((end - start, 2), np.float32)
        return limited(total, start, mastered.limiter)

    def mastered(self, aim: float = AIM_LUFS, measure: bool = True) -> Mastered:
        """How the whole is brought to `aim` LUFS under the ceiling. What was not measured yet is measured now; unless
        `measure`, it is left out, as if it were silent."""
        each = BLOCK // PEAK_EVERY
        loud, peaks = (np.zeros(self.blocks * each, np.float16) for _ in range(2))
        for block in range(self.blocks):
            if measure or self.known(block):
                heard, here = self.heard(block), slice(block * each, (block + 1) * each)
                loud[here], peaks[here] = np.sqrt(heard["power"]), in_16_bits(heard["peak"])
        hops = self.length // (RATE // 10)
        return mastered(loud, peaks, hops, aim)

    def understood(self, spans: Sequence[tuple[float, float]]) -> list[Understood]:
        """How well what is said in each of some spans (seconds) is understood beside the rest."""
        if not spans or "voice" not in self._lanes.roles:
            return []
        roles = [role for role in ROLES if role in self._lanes.roles]
        # One line after the other has its own blocks: those of three hours together are much memory.
        bands = lru_cache(maxsize=4)(lambda block: self.heard(block)["bands"])
        out: list[Understood] = []
        for start, end in spans:
            first, last = (
                min(self.blocks - 1, int(at * RATE) // BLOCK) for at in (start, max(start, end))
            )
            near: dict[str, Powers] = {
                role: np.concatenate(
                    [bands(block)[ROLES.index(role)] for block in range(first, last + 1)]
                )
                for role in roles
            }
            begin = first * BLOCK / RATE
            out += understood(near.pop("voice"), near, [(start - begin, end - begin)])
        return out

    def _key(self, block: int) -> str:
        start, end = self.span(block)
        told = self.treatment
        digest = blake2b(VERSION, digest_size=16)
        for part in self._lanes.between(start - BEFORE, end + BEHIND):
            digest.update(part.key)
        # The voice that is near has a part in what gives way.
        for part in self._lanes.between(start - BLOCK, end + BLOCK):
            if part.role == "voice":
                digest.update(part.key)
        seconds = np.array([(start - BEFORE) / RATE, (end + BEHIND) / RATE])
        for role in ROLES:
            line = told.lines.get(role)
            if line:
                inside = [p for p in line if seconds[0] < p[0] < seconds[1]]
                ends = line_at(line, seconds)
                # Where it lies as if it were not drawn, nothing is another than without it.
                if ends.any() or any(level for _, level in inside):
                    digest.update(repr((role, inside, ends.tolist())).encode())
        giving = told.giving
        values = [giving.attack, giving.release]
        values += [v for role in ROLES for v in (giving.by.get(role, 0), giving.dip.get(role, 0))]
        tones = [told.tones.get(role) for role in ROLES]
        digest.update(repr((start, end, values, tones)).encode())
        if presses := {role: most for role, most in told.presses.items() if most}:
            digest.update(repr(sorted(presses.items())).encode())
        return f"block {digest.hexdigest()}"

    def _mixed(self, start: int, end: int) -> tuple[dict[Role, Sound], dict[Role, Ticks]]:
        """Every lane between two samples as it lies in the sum, and by how many decibels each gives way, in ticks."""
        told, giving = self.treatment, self.treatment.giving
        sounding = {part.role for part in self._lanes.between(start, end)}
        out: dict[Role, Sound] = {
            role: pressed(
                toned(self._lane(role, start, end), told.tones.get(role, Tone())),
                role,
                told.presses.get(role, 0.0),
            )
            for role in ROLES
            if role in sounding
        }
        ticks = -(-(end - start) // TICK) + 1
        gives: dict[Role, Ticks] = {}
        far = self._speaking(start, ticks)
        voice = power_in_ticks(out["voice"]) if "voice" in out else np.zeros(ticks - 1)
        for role, lane in out.items():
            level = np.zeros(ticks)
            most = giving.by.get(role, 0.0)
            if most and far.any():
                if role == "spot":
                    asked = spot_gives(power_in_ticks(lane), voice, most)
                    gives[role] = far * np.append(asked, asked[-1:])
                else:
                    gives[role] = far * most
                level += gives[role]
            line = told.lines.get(role)
            if line:
                level += line_at(line, (start + np.arange(ticks) * TICK) / RATE)
            out[role] = dipped(gained(lane, level), far * giving.dip.get(role, 0.0))
        return out, gives

    def _speaking(self, start: int, ticks: int) -> Ticks:
        """How far others have given way at ticks from sample `start` on."""
        giving = self.treatment.giving
        if "voice" not in self._lanes.roles:
            return np.zeros(ticks)
        first, last = start // BLOCK - 1, (start + ticks * TICK) // BLOCK + 1
        power = np.concatenate([self._voice(b) for b in range(first, last + 1)])
        far = speaking(power, giving.attack, giving.release)
        return far[(start - first * BLOCK) // TICK :][:ticks]

    def _voice(self, block: int) -> Ticks:
        """The power of the voice in the ticks of a block."""
        if block < 0 or block >= self.blocks:
            return np.zeros(TICKS)
        return self._spoken(block)[1]

    def _lane(self, role: Role, start: int, end: int) -> Sound:
        if role != "voice":
            return self._lanes.lane(role, start, end)
        blocks = range(start // BLOCK, (end - 1) // BLOCK + 1)
        pieces = [
            self._spoken(b)[0][max(0, start - b * BLOCK) : end - b * BLOCK]
            if 0 <= b < self.blocks
            else np.zeros((min(end, (b + 1) * BLOCK) - max(start, b * BLOCK), 2), np.float32)
            for b in blocks
        ]
        return np.concatenate(pieces)

    def _spoken(self, block: int) -> tuple[Sound, Ticks]:
        """The voice of a whole block, and its power in ticks: three blocks ask for it, so it is remembered a while."""
        with self._lock:
            found = self._voices.get(block)
        if found is None:
            lane = self._lanes.lane("voice", block * BLOCK, (block + 1) * BLOCK)
            found = lane, power_in_ticks(lane)
            with self._lock:
                self._voices[block] = found
                while len(self._voices) > MOST_VOICES:
                    del self._voices[next(iter(self._voices))]
        return found

    def _level(self, part: MixedPart) -> tuple[float, float]:
        name = f"level {part.sound}"
        data = self._kept.get(name)
        if data is None:
            data = np.array(part_level(part)).tobytes()
            self._kept[name] = data
        level, peak = np.frombuffer(data, np.float64)
        return float(level), float(peak)


def mastered(
    loud: NDArray[np.float16], peaks: NDArray[np.float16], hops: int, aim: float
) -> Mastered:
    """How a sum that is so loud (the root of its weighted power) and has such true peaks in each millisecond is brought
    to `aim` LUFS under the ceiling; its loudness counts in its first `hops` tenths of a second. The gain is tried until
    the loudness that is to be expected behind the limiter fits: that moves slower than the filters of the measure
    remember."""
    plain, highest = _in_hops(loud, peaks, hops)
    before = gated(plain)
    if before <= SILENCE:
        limiter = Limiter(np.zeros_like(peaks), 1.0)
        return Mastered(0.0, limiter, SILENCE, 0.0, 0.0, SILENCE, np.zeros(0))
    louder = aim - before
    for _ in range(TRIES):
        limiter = Limiter(peaks, 10 ** (louder / 20))
        behind = _behind(limiter, loud, peaks, plain, highest)
        error = aim - gated(behind.power)
        if abs(error) < 0.02:
            break
        louder += error
    held = 20 * np.log10(limiter.gain / max(1e-9, behind.least))
    return Mastered(
        louder,
        limiter,
        gated(behind.power),
        loudness_range(behind.power),
        float(held),
        float(20 * np.log10(max(1e-6, behind.highest))),
        short_term(behind.power),
    )


class _Behind(NamedTuple):
    """What is to be expected behind a limiter: the weighted power of each hop, the least gain, and the highest peak."""

    power: NDArray[np.float64]
    least: float
    highest: float


def _in_hops(
    loud: NDArray[np.float16], peaks: NDArray[np.float16], hops: int
) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """The weighted power of each hop, and its highest peak."""
    power, highest = np.zeros(hops), np.zeros(hops)
    for first in range(0, hops, HOPS_AT_ONCE):
        last = min(hops, first + HOPS_AT_ONCE)
        here = slice(first * HOPS_EACH, last * HOPS_EACH)
        squares = loud[here].astype(np.float32) ** 2
        power[first:last] = squares.reshape(-1, HOPS_EACH).mean(axis=1, dtype=np.float64)
        highest[first:last] = peaks[here].reshape(-1, HOPS_EACH).max(axis=1)
    return power, highest


def _behind(
    limiter: Limiter,
    loud: NDArray[np.float16],
    peaks: NDArray[np.float16],
    plain: NDArray[np.float64],
    highest: NDArray[np.float64],
) -> _Behind:
    """What is to be expected of a sum, given in milliseconds and by the `plain` power and the `highest` peak of its
    hops. Milliseconds are gone through only where the limiter has something to do."""
    gain = limiter.gain
    power, most, least = plain * gain**2, highest * gain, gain
    for first in range(0, len(plain), HOPS_AT_ONCE):
        last = min(len(plain), first + HOPS_AT_ONCE)
        here = slice(first * HOPS_EACH, last * HOPS_EACH)
        if not limiter.works_in(here.start, here.stop):
            continue
        gains = limiter.between(here.start, here.stop)
        least = min(least, float(gains.min()))
        most[first:last] = (peaks[here] * gains).reshape(-1, HOPS_EACH).max(axis=1)
        shaped = (loud[here] * gains) ** 2
        power[first:last] = shaped.reshape(-1, HOPS_EACH).mean(axis=1, dtype=np.float64)
    return _Behind(power, least, float(most.max(initial=0.0)))


def mix(
    parts: Sequence[MixedPart],
    seconds: float,
    aim: float = AIM_LUFS,
    treatment: Treatment = Treatment(),
) -> Iterator[Sound]:
    """The finished sound of a film of `seconds` at `aim` LUFS, in blocks of float32 of shape (samples, 2) at 48 kHz."""
    mixer = Mixer(parts, seconds, treatment)
    found = mixer.mastered(aim)
    for block in range(mixer.blocks):
        yield mixer.sound(block, found)
