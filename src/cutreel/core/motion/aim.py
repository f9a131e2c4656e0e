"""An arm that reaches for something: how far its two bones are turned so that the hand comes to a place."""

import math

from cutreel.protocol import Bone, JointedFigure

BEHIND = 0.25
"""Arms' lengths that a place may lie behind a shoulder and still be reached for: further back one has to turn."""
HIGHEST = 165.0
"""Degrees from hanging that an upper arm goes up at most."""


def arm_toward(figure: JointedFigure, to: tuple[float, float]) -> dict[Bone, float] | None:
    """Angles of the near arm, as a pose of the protocol has them, with the hand at `to` (pixels of the picture), or as
    near as the arm comes (law of cosines). None where the figure has no such arm, or looks the other way."""
    pins = figure.pins
    if not {"near_shoulder", "near_elbow", "near_hand"} <= set(pins):
        return None
    shoulder, elbow, hand = (pins[j] for j in ("near_shoulder", "near_elbow", "near_hand"))
    upper, lower = math.dist(shoulder, elbow), math.dist(elbow, hand)
    ahead, down = figure.way * (to[0] - shoulder[0]), to[1] - shoulder[1]
    if upper < 1 or lower < 1 or ahead < -BEHIND * (upper + lower):
        return None
    far = min(max(math.hypot(ahead, down), abs(upper - lower) + 1e-6), upper + lower)
    at_shoulder = _corner(upper, far, lower)
    at_elbow = _corner(upper, lower, far)
    arm = math.degrees(math.atan2(ahead, down)) - at_shoulder
    return {"near_arm": min(HIGHEST, arm), "near_forearm": 180.0 - at_elbow}


def _corner(one: float, other: float, across: float) -> float:
    """The angle in degrees between two sides of a triangle, by the side across from it."""
    cosine = (one * one + other * other - across * across) / (2 * one * other)
    return math.degrees(math.acos(min(1.0, max(-1.0, cosine))))
