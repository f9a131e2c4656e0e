"""What an action is made of: keys of a movement about a pose, and what goes to and fro meanwhile.

An action runs between a figure as it stands (0) and a pose that it comes to (1), whichever of the two it was drawn in:
who was drawn with a lantern held up begins with it low, who was drawn with hanging arms takes it up. Keys overshoot and
settle; before a large movement goes a small one the other way (common practice of drawn animation: anticipation,
ease, overlap).
"""

from dataclasses import dataclass
from typing import Literal

from cutreel.protocol import Bone

Eyes = Literal["", "shut"]
Place = Literal["ahead", "up", "lean", "wide", "tall"]


@dataclass(frozen=True)
class Key:
    """A moment of an action, at a share of its time: how far in its pose (0 … 1, beyond: further), and how the whole
    figure is moved (`Whole`); `nod` leans the head, `bow` the torso, in degrees."""

    at: float
    pose: float = 0.0
    nod: float = 0.0
    bow: float = 0.0
    ahead: float = 0.0
    up: float = 0.0
    lean: float = 0.0
    wide: float = 1.0
    tall: float = 1.0


@dataclass(frozen=True)
class Swing:
    """A part that goes to and fro while the action lasts: degrees each way for a bone, shares of the figure's height or
    size for the whole; times a second; where it begins, in turns. `lift` swings one way only."""

    part: Bone | Place
    by: float
    hertz: float
    begins: float = 0.0
    lift: bool = False


@dataclass(frozen=True)
class Action:
    """Something that a figure does. `bones` follow `pose`, `exact`: however they were drawn; `leads` is the share of
    its time that lies in front of its word."""

    name: str
    verbs: str = ""
    pose: str = ""
    bones: tuple[Bone, ...] = ()
    keys: tuple[Key, ...] = (Key(0.0), Key(1.0))
    swings: tuple[Swing, ...] = ()
    seconds: float = 1.4
    leads: float = 0.35
    eyes: Eyes = ""
    of: Literal["person", "animal", "both"] = "person"
    exact: bool = False
