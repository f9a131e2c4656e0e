"""The bones that actions move together, and the two courses that most of them take."""

from cutreel.protocol import Bone

from .model import Key

NEAR: tuple[Bone, ...] = ("near_arm", "near_forearm")
ARMS: tuple[Bone, ...] = (*NEAR, "far_arm", "far_forearm")
UPPER: tuple[Bone, ...] = (*ARMS, "torso", "head")
LEGS: tuple[Bone, ...] = ("near_thigh", "near_shin", "far_thigh", "far_shin")
LIMBS: tuple[Bone, ...] = (*LEGS, "near_arm", "far_arm")

TAKES_UP = (Key(0.0), Key(0.22, -0.09, bow=-1.5), Key(0.62, 1.07), Key(0.8, 0.97), Key(1.0, 1.0))
"""Comes into its pose and stays there."""
AND_BACK = (Key(0.0), Key(0.15, -0.08), Key(0.4, 1.06), Key(0.52, 1.0), Key(0.72, 1.0), Key(1.0))
"""Comes into its pose and out of it again."""
