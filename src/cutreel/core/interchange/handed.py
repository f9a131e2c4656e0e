"""A film as it is handed over: plain lists of what lies where, with the files that hold it."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from cutreel.core.timeline import FrameRate, Track


@dataclass(frozen=True, slots=True)
class HandedShot:
    """A shot of `frames` frames: its edge number, its words, and its file, in which it begins `handle` frames behind
    the first of `file_frames` (a still picture: None, it is as long as one likes; `file` None: there is none)."""

    edge: str
    words: str
    frames: int
    file: str | None = None
    handle: int = 0
    file_frames: int | None = None


@dataclass(frozen=True, slots=True)
class HandedJoin:
    """How a shot goes over into the next: of what kind, so many frames before and behind the cut (0: a straight
    cut)."""

    kind: str
    before: int
    after: int


@dataclass(frozen=True, slots=True)
class HandedSound:
    """A sound on a lane, from `start` for some `seconds`; in its file it begins at second `at`. It is `gain` decibels
    louder than that."""

    lane: Track
    name: str
    start: float
    seconds: float
    file: str
    at: float = 0.0
    gain: float = 0.0


@dataclass(frozen=True, slots=True)
class HandedMarker:
    """Something that is said of `frames` frames from `frame` on: a note, a scene."""

    frame: int
    frames: int
    name: str
    text: str
    note: bool = False


@dataclass(frozen=True)
class Handed:
    """A film: its shots one behind another, `joins[i]` between shot i and the next, sounds, markers."""

    title: str
    rate: FrameRate
    shots: Sequence[HandedShot]
    joins: Sequence[HandedJoin]
    sounds: Sequence[HandedSound] = field(default_factory=tuple)
    markers: Sequence[HandedMarker] = field(default_factory=tuple)

    def bundled(self) -> "Handed":
        """The same film with its files where a bundle has them."""
        return replace(
            self,
            shots=[replace(s, file=s.file and bundled_name(s.file)) for s in self.shots],
            sounds=[replace(s, file=bundled_name(s.file)) for s in self.sounds],
        )


def bundled_name(file: str) -> str:
    """What a file is called in a bundle, where all media lie in one folder."""
    return "media/" + file.replace("/", "-")
