"""A film's mix as it can be had, block by block: its sounds found among what is kept, on all cores."""

import os
from collections import deque
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import asdict
from threading import RLock
from typing import Any, ClassVar, TypeVar

from cachetools import LRUCache
from pydantic import Field

from cutreel.core.keys import key
from cutreel.core.sound import (
    AIM_LUFS,
    RATE,
    AtDistance,
    Giving,
    InRoom,
    Kept,
    Mastered,
    MixedPart,
    Mixer,
    Role,
    Sound,
    Source,
    Tone,
    Treatment,
    Understood,
    nearness_db,
)
from cutreel.core.timeline import Room, SoundClip, Track
from cutreel.store import Assembled

from .audio import KeptSounds
from .registry import Spec
from .workshop import Workshop

T = TypeVar("T")
MOST_READY = 6
MOST_AT_ONCE = 36
"""Blocks that a page may wait for: a second or two."""


class MixedSound(Spec):
    """A sound in its place, as the timeline has it."""

    track: Track
    start: float
    media: str
    cut: tuple[int, int] | None = None
    loop_to: float | None = None
    fade_in: float = 0.0
    fade_out: float = 0.0
    gain: float = 0.0
    whole: tuple[int, int] | None = None
    room: Room = "dry"
    pan: float = 0.0
    near: float = 0.0

    @classmethod
    def of(cls, clip: SoundClip) -> "MixedSound":
        return cls(**asdict(clip))


class LaneTold(Spec):
    """How a lane is treated: by how many decibels it gives way, how much lower it is kept in the band of speech, its
    level line (seconds, decibels), the hertz below which it is cut, by how much it is brighter, and by how many
    decibels its loud moments are held down."""

    gives: float = 0.0
    dip: float = 0.0
    line: tuple[tuple[float, float], ...] = ()
    low_cut: float = 0.0
    bright: float = 0.0
    press: float = 0.0


class MixSpec(Spec):
    """All that sounds, how it is treated, and how long the film is. A film with no sound yet is silent."""

    kind: ClassVar[str] = "mix"
    version: ClassVar[int] = 8
    sounds: tuple[MixedSound, ...] = ()
    seconds: float
    loudness: float = AIM_LUFS
    lanes: Mapping[Role, LaneTold] = Field(default_factory=dict)
    attack: float = 0.2
    release: float = 0.7

    @property
    def treatment(self) -> Treatment:
        """The treatment of all lanes."""
        lanes = self.lanes
        return Treatment(
            Giving(
                {role: lane.gives for role, lane in lanes.items()},
                {role: lane.dip for role, lane in lanes.items() if lane.dip},
                self.attack,
                self.release,
            ),
            {role: lane.line for role, lane in lanes.items() if lane.line},
            {
                role: Tone(lane.low_cut, lane.bright)
                for role, lane in lanes.items()
                if lane.low_cut or lane.bright
            },
            {role: lane.press for role, lane in lanes.items() if lane.press},
        )


def mix_spec(film: Assembled) -> MixSpec:
    """The sound of a film as it stands."""
    told = film.treatment
    roles: tuple[Role, ...] = ("voice", "spot", "ambience", "music")
    lanes = {
        role: LaneTold(
            gives=told.giving.by.get(role, 0.0),
            dip=told.giving.dip.get(role, 0.0),
            line=tuple(told.lines.get(role, ())),
            low_cut=told.tones.get(role, Tone()).low_cut,
            bright=told.tones.get(role, Tone()).bright,
            press=told.presses.get(role, 0.0),
        )
        for role in roles
    }
    return MixSpec(
        sounds=tuple(MixedSound.of(clip) for clip in film.sound_clips),
        seconds=round(film.seconds, 4),
        loudness=film.document.settings.loudness,
        lanes=lanes,
        attack=told.giving.attack,
        release=told.giving.release,
    )


def mixer_of(shop: Workshop, spec: MixSpec) -> Mixer:
    """The mix that a spec tells; what was measured of it before is known."""
    return mixer_with(KeptSounds(shop.media), spec, shop.kept)


def mixer_with(sounds: KeptSounds, spec: MixSpec, kept: Kept) -> Mixer:
    """The same of some sounds, with what was `kept` of them."""
    parts = [_part(sounds, s) for s in spec.sounds]
    return Mixer(parts, spec.seconds, spec.treatment, kept)


def _part(sounds: KeptSounds, s: MixedSound) -> MixedPart:
    shaped = s.room != "dry" or s.near
    whole = sounds.source(s.media, s.whole or s.cut) if s.whole or shaped else None
    return MixedPart(
        s.track,
        s.start,
        _heard(sounds.source(s.media, s.cut), s.room, s.near),
        s.loop_to,
        s.fade_in,
        s.fade_out,
        s.gain + nearness_db(s.near),
        whole,
        s.pan,
        key("mixed sound", 1, **_named(s)),
    )


def _named(s: MixedSound) -> dict[str, Any]:
    """By what a sound is known, however loud it is laid in; what is as usual is left out where it came later."""
    name = {"media": s.media, "cut": s.cut, "whole": s.whole, "room": s.room}
    return {**name, "near": s.near} if s.near else name


def _heard(source: Source, room: Room, near: float) -> Source:
    """A sound as it is heard where it is."""
    if near:
        source = AtDistance(source, near)
    return source if room == "dry" else InRoom(source, room)


def understood_in(mixer: Mixer) -> list[Understood]:
    """How well each sound of the voice is understood beside the rest, in their order."""
    spans = [(p.start, p.start + p.source.length / RATE) for p in mixer.parts if p.role == "voice"]
    return mixer.understood(spans)


def in_blocks(mixer: Mixer, work: Callable[[int], T]) -> Iterator[T]:
    """What `work` makes of each block, in their order, on all cores."""
    yield from beside_each_other(work, range(mixer.blocks))


def beside_each_other(work: Callable[[int], T], blocks: Iterable[int]) -> Iterator[T]:
    """What `work` makes of some blocks, in their order, on all cores: most of it is done outside of Python."""
    cores = os.cpu_count() or 1
    with ThreadPoolExecutor(cores) as pool:
        going: deque[Callable[[], T]] = deque()
        try:
            for block in blocks:
                going.append(pool.submit(work, block).result)
                if len(going) > cores:
                    yield going.popleft()()
            while going:
                yield going.popleft()()
        finally:
            pool.shutdown(cancel_futures=True)


class MixDesk:
    """Serves a film's mix piece by piece to a page that looks at it. What was asked for last stays ready."""

    def __init__(self, shop: Workshop) -> None:
        self.shop = shop
        # One for all: who moves a cue hears the same sounds again.
        self._sounds = KeptSounds(shop.media)
        self._mixers: LRUCache[str, Mixer] = LRUCache(MOST_READY)
        self._mastered: LRUCache[tuple[str, int], Mastered] = LRUCache(MOST_READY)
        self._understood: LRUCache[str, list[Understood]] = LRUCache(MOST_READY)
        self._lock = RLock()

    def mixer(self, spec: MixSpec) -> Mixer:
        """The mix of a spec."""
        with self._lock:
            found = self._mixers.get(spec.key)
            if found is None:
                found = mixer_with(self._sounds, spec, self.shop.kept)
                self._mixers[spec.key] = found
            return found

    def measure(self, spec: MixSpec) -> int:
        """How many blocks are measured. A few that are not are measured now; with more a worker begins."""
        mixer = self.mixer(spec)
        missing = [b for b in range(mixer.blocks) if not mixer.known(b)]
        if len(missing) > MOST_AT_ONCE:
            self.shop.queue.put_waited(spec)
            return mixer.blocks - len(missing)
        for _ in beside_each_other(mixer.heard, missing):
            pass
        return mixer.blocks

    def mastered(self, spec: MixSpec) -> Mastered:
        """How the mix is brought to its loudness, by what is measured of it now."""
        mixer = self.mixer(spec)
        name = spec.key, sum(mixer.known(b) for b in range(mixer.blocks))
        with self._lock:
            found = self._mastered.get(name)
            if found is None:
                found = self._mastered[name] = mixer.mastered(spec.loudness, measure=False)
            return found

    def understood(self, spec: MixSpec) -> list[Understood]:
        """How well each sound of the voice is understood; of a mix that is measured."""
        with self._lock:
            found = self._understood.get(spec.key)
            if found is None:
                found = self._understood[spec.key] = understood_in(self.mixer(spec))
            return found

    def sound(self, spec: MixSpec, block: int, roles: Sequence[Role]) -> Sound:
        """A block as it is heard, or some of its lanes."""
        mixer = self.mixer(spec)
        mixer.heard(block)  # so that it counts in how loud the rest is
        return mixer.sound(block, self.mastered(spec), roles)
