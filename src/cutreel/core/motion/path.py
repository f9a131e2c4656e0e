"""A camera path of the maker's own: a first and a last frame, points between, how it starts and settles, and a
hand-held breath; and the same in words."""

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal

from pydantic import BaseModel, Field

from .camera import PUSH, CameraPath, Window, inside

Ease = Literal["even", "gentle", "sudden"]
RAMPS: dict[Ease, float] = {"even": 0.1, "gentle": 0.42, "sudden": 0.015}
"""The share of the way in which speed is gained, and lost again."""
MOST_ZOOM, MOST_ROLL = 6.0, 8.0
MOST_BETWEEN = 4
BREATH = ((0.31, 0.0026), (0.83, 0.0013))
"""A hand-held camera: waves of so many hertz and so large, in shares of the frame: about five pixels at 1080p."""
SLOW, QUICK = 0.6, 1.5
"""How far a move goes that is called slow or quick, beside one that is called neither."""


Spot = tuple[float, float]


class PathFrame(BaseModel):
    """A frame on a picture: its middle in shares of the picture, and how many times nearer it is than the whole."""

    x: float = Field(0.5, ge=0, le=1)
    y: float = Field(0.5, ge=0, le=1)
    zoom: float = Field(1.0, ge=1, le=MOST_ZOOM)

    @property
    def window(self) -> Window:
        return inside(Window(self.x, self.y, self.zoom))


Degrees = Annotated[float, Field(ge=-MOST_ROLL, le=MOST_ROLL)]


class OwnPath(BaseModel):
    """A path over a shot's life; `held` lets it breathe as a camera in the hand does. The camera leans by so many
    degrees at its first and its last frame (`roll`; to the right above 0: the picture's right side rises)."""

    first: PathFrame = PathFrame()
    between: list[PathFrame] = Field([], max_length=MOST_BETWEEN)
    last: PathFrame = PathFrame()
    ease: Ease = "even"
    held: bool = False
    roll: tuple[Degrees, Degrees] = (0.0, 0.0)

    @property
    def windows(self) -> list[Window]:
        return [f.window for f in (self.first, *self.between, self.last)]


@dataclass(frozen=True)
class Walked:
    """An own path at work: at a constant speed to the eye from its first to its last frame over `seconds`."""

    path: OwnPath
    seconds: float
    seed: int = 0

    def at(self, moment: float) -> Window:
        """The window at `moment`, 0 … 1; beyond either end the path stands still."""
        t = min(1.0, max(0.0, moment))
        windows = self.path.windows
        legs = list(pairwise(windows))
        lengths = [apart(a, b) for a, b in legs]
        whole = sum(lengths)
        window = windows[-1]
        far = eased(t, RAMPS[self.path.ease]) * whole
        for (a, b), length in zip(legs, lengths, strict=True):
            if far <= length and length > 0:
                window = CameraPath(a, b).between(far / length)
                break
            far -= length
        return self._breathed(window, t * self.seconds) if self.path.held else window

    def leaning(self, moment: float) -> float:
        """By how many radians the camera leans at `moment`, 0 … 1."""
        first, last = self.path.roll
        t = eased(min(1.0, max(0.0, moment)), RAMPS[self.path.ease])
        return math.radians(first + (last - first) * t)

    @property
    def most_leaning(self) -> float:
        """The most of that."""
        return math.radians(max(abs(lean) for lean in self.path.roll))

    def _breathed(self, window: Window, seconds: float) -> Window:
        """Moved as a hand moves it. The frame is drawn a little nearer, so that no edge comes in."""
        phase = (self.seed % 83) / 83 * 2 * math.pi
        x = sum(
            k * math.sin(2 * math.pi * f * seconds + phase + i) for i, (f, k) in enumerate(BREATH)
        )
        y = sum(
            k * math.cos(2 * math.pi * f * 0.83 * seconds + 2 * phase + i)
            for i, (f, k) in enumerate(BREATH)
        )
        room = 1 + 2 * sum(k for _, k in BREATH)
        zoom = window.zoom * room
        return inside(Window(window.x + x / window.zoom, window.y + y / window.zoom, zoom))


FOLLOWS = 1.35
"""How near a camera is that goes along with somebody: there is room to go, and they stay in their surroundings."""


def path_along(start: Spot, end: Spot) -> OwnPath:
    """A path that keeps somebody in the frame who goes from one place of the picture to another."""
    first, last = (_framed(x, y, FOLLOWS) for x, y in (start, end))
    return OwnPath(first=first, last=last, ease="gentle")


def apart(a: Window, b: Window) -> float:
    """How far two windows seem apart: by how much the picture grows, and how far it slides in frames."""
    slides = math.hypot(b.x - a.x, b.y - a.y) * math.sqrt(a.zoom * b.zoom)
    return math.hypot(math.log(b.zoom / a.zoom), slides)


def eased(t: float, ramp: float) -> float:
    """Constant speed with a soft start and end: `ramp` of the way is spent gaining speed, as much losing it."""
    speed = 1 / (1 - ramp)
    if t < ramp:
        return speed * t * t / (2 * ramp)
    if t > 1 - ramp:
        return 1 - speed * (1 - t) ** 2 / (2 * ramp)
    return speed * (t - ramp / 2)


_STEP = re.compile(
    r"\bthen\b|;|,\s*(?=(?:and |slow|quick|push|pull|zoom|pan|drift|tilt|rise|hold|move))", re.I
)
_VERBS: tuple[tuple[str, str], ...] = (
    (r"zoom(?:s|ing)? out|pull|move(?:s)? back|dolly out|wider", "out"),
    (r"zoom|push|dolly|closer|move(?:s)? in|near", "in"),
    (r"(?:pan|drift|slide|track|move)\w* (?:to the |toward the )?left", "left"),
    (r"(?:pan|drift|slide|track|move)\w* (?:to the |toward the )?right", "right"),
    (r"tilt\w* down|(?:drift|slide|move|sink)\w* down", "down"),
    (r"tilt\w* up|rise|(?:drift|slide|move)\w* up", "up"),
    (r"\bpan|\bdrift|\btrack", "right"),
    (r"hold|still|static|locked", "hold"),
)
_WAYS = {"left": (-1, 0), "right": (1, 0), "up": (0, -1), "down": (0, 1)}
SLIDE = 0.16
"""How far a drift goes, in shares of the picture."""


def path_told(text: str, targets: Mapping[str, Spot]) -> OwnPath | None:
    """The path that some words make: "slow push in on the lantern, then drift left". `targets` are what is known in the
    picture, in small letters, with its middle. None where no word says how to move."""
    frames: list[PathFrame] = []
    steps = [(step, _verb(step), _much(step)) for step in _STEP.split(text.lower())]
    # Where it drifts there has to be room at the sides all along: coming nearer for that alone would be seen.
    room = max((1 + 1.4 * SLIDE * much for _, verb, much in steps if verb in _WAYS), default=1.0)
    for step, verb, much in steps:
        if verb is None:
            continue
        target = next(
            (at for name, at in targets.items() if re.search(rf"\b{re.escape(name)}\b", step)), None
        )
        if not frames:
            frames.append(_start(verb, much, target, room))
        frames.append(_next(frames[-1], verb, much, target, room))
    if not frames and _roll_told(text.lower()) != (0.0, 0.0):
        frames = [PathFrame(), PathFrame()]
    if not frames:
        return None
    ease: Ease = (
        "gentle" if "gentl" in text.lower() else "sudden" if "sudden" in text.lower() else "even"
    )
    held = bool(re.search(r"hand-?held|breath", text.lower()))
    return OwnPath(
        first=frames[0],
        between=frames[1:-1][:MOST_BETWEEN],
        last=frames[-1],
        ease=ease,
        held=held,
        roll=_roll_told(text.lower()),
    )


LEANS = 2.0
"""Degrees of a slight roll: a horizon that leans is felt from one degree on, and seen as a fault from about five."""


def _roll_told(text: str) -> tuple[float, float]:
    """How a camera leans that is told to roll, or that a horizon leans."""
    found = re.search(
        r"\b(roll|lean|levels? (?:out|off))\w*\b[^,;.]*?(left|right)?(?=[,;.]|$)", text
    )
    if found is None:
        return 0.0, 0.0
    way = -LEANS if (found.group(2) or "right") == "left" else LEANS
    return (way, 0.0) if found.group(1).startswith("level") else (0.0, way)


def _verb(step: str) -> str | None:
    return next((to for words, to in _VERBS if re.search(words, step)), None)


def _much(step: str) -> float:
    """How far a step goes beside one that is neither slow nor quick."""
    return SLOW if "slow" in step else QUICK if re.search(r"quick|fast|sudden", step) else 1.0


def _start(verb: str, much: float, target: Spot | None, room: float) -> PathFrame:
    """Where a path begins whose first step is `verb`: so that there is room for it."""
    x, y = target or (0.5, 0.5)
    if verb == "out":
        return _framed(x, y, room * PUSH**much)
    if verb in _WAYS:
        dx, dy = _WAYS[verb]
        return _framed(0.5 - dx * SLIDE * much / 2, 0.5 - dy * SLIDE * much / 2, room)
    return _framed(0.5, 0.5, room)


def _next(frame: PathFrame, verb: str, much: float, target: Spot | None, room: float) -> PathFrame:
    x, y = target or (frame.x, frame.y)
    if verb == "in":
        return _framed(x, y, frame.zoom * PUSH**much)
    if verb == "out":
        return _framed(x, y, max(room, frame.zoom / PUSH**much))
    if verb in _WAYS and target is None:
        dx, dy = _WAYS[verb]
        return _framed(frame.x + dx * SLIDE * much, frame.y + dy * SLIDE * much, frame.zoom)
    return _framed(x, y, frame.zoom) if verb in _WAYS else frame


def _framed(x: float, y: float, zoom: float) -> PathFrame:
    window = inside(Window(x, y, min(MOST_ZOOM, zoom)))
    return PathFrame(x=round(window.x, 4), y=round(window.y, 4), zoom=round(window.zoom, 4))


def path_words(path: OwnPath, targets: Mapping[str, Spot]) -> str:
    """A path in words, as a motion prompt says it; what it comes to is named where it is known."""
    said = []
    for a, b in pairwise((path.first, *path.between, path.last)):
        grows = b.zoom / a.zoom
        near = [n for n, (x, y) in targets.items() if math.hypot(x - b.x, y - b.y) * b.zoom < 0.22]
        toward = f" on {near[0]}" if near and grows > 1.02 else ""
        dx, dy = b.x - a.x, b.y - a.y
        if grows > 1.02:
            said.append(f"push in to {b.zoom:.2f}{toward}")
        elif grows < 0.98:
            said.append(f"pull back to {b.zoom:.2f}")
        elif max(abs(dx), abs(dy)) > 0.01:
            way = (
                ("right" if dx > 0 else "left")
                if abs(dx) >= abs(dy)
                else ("down" if dy > 0 else "up")
            )
            said.append(f"drift {way}" if way in ("left", "right") else f"tilt {way}")
    how = {"even": "", "gentle": ", gently", "sudden": ", suddenly"}[path.ease]
    held = ", hand-held" if path.held else ""
    moved = ", then ".join(said) or "the camera stands still"
    return moved + (how if said else "") + held + _leaning_words(*path.roll)


def _leaning_words(first: float, last: float) -> str:
    if first == last == 0:
        return ""
    if abs(last) < abs(first):
        return f", leveling out from the {'left' if first < 0 else 'right'}"
    return f", rolling {'left' if last < 0 else 'right'} to {abs(last):g}°"
