"""A figure's joints, and poses known by name. A pose is told in angles of bones, so that it fits
every build.

A figure is seen from the side it is drawn from: *forward* is where it looks, *near* the side toward
the camera. Angles are degrees. A torso or head leans forward from upright; an upper arm or thigh
swings forward from hanging down (90: straight ahead, 180: up); a forearm or shin bends on from the
bone above it, a forearm forward and a shin backward.
"""

import math
from collections.abc import Mapping
from typing import Literal, cast

from pydantic import BaseModel, Field

Joint = Literal[
    "head", "neck", "near_shoulder", "far_shoulder", "near_elbow", "far_elbow", "near_hand",
    "far_hand",
    "hips", "near_knee", "far_knee", "near_foot", "far_foot",
]  # fmt: skip
Point = tuple[float, float]
BONES: dict[Joint, Joint] = {
    "neck": "hips",
    "head": "neck",
    "near_shoulder": "neck",
    "far_shoulder": "neck",
    "near_elbow": "near_shoulder",
    "far_elbow": "far_shoulder",
    "near_hand": "near_elbow",
    "far_hand": "far_elbow",
    "near_knee": "hips",
    "far_knee": "hips",
    "near_foot": "near_knee",
    "far_foot": "far_knee",
}
"""Each joint with the one that carries it, carriers first."""


class Pose(BaseModel):
    """A pose by the angles of its bones; each limb as (upper, lower)."""

    torso: float = 0
    head: float = 0
    near_arm: tuple[float, float] = (6, 12)
    far_arm: tuple[float, float] = (-6, 12)
    near_leg: tuple[float, float] = (4, 0)
    far_leg: tuple[float, float] = (-4, 0)


class FigurePose(BaseModel):
    """Where a figure's joints are to be, as shares of the frame; `way` is 1 when it looks right, -1
    left."""

    name: str = Field(max_length=80)
    way: Literal[1, -1] = 1
    joints: dict[Joint, tuple[float, float]] = Field(max_length=16)


POSES: dict[str, Pose] = {
    "stand": Pose(),
    "walk": Pose(torso=3, near_arm=(-26, 16), far_arm=(30, 18), near_leg=(24, 8), far_leg=(-20,
    14)),
    "run": Pose(torso=14, near_arm=(-48, 78), far_arm=(54, 84), near_leg=(58, 64), far_leg=(-34,
    52)),
    "sit": Pose(torso=-2, near_arm=(24, 44), far_arm=(18, 48), near_leg=(84, 84), far_leg=(76, 76)),
    "kneel": Pose(torso=4, near_arm=(26, 34), far_arm=(16, 40), near_leg=(78, 88), far_leg=(4, 92)),
    "crouch": Pose(torso=30, head=-22, near_arm=(44, 30), far_arm=(32, 34), near_leg=(92, 122),
    far_leg=(70, 116)),
    "climb": Pose(torso=8, head=-16, near_arm=(138, 24), far_arm=(108, 46), near_leg=(66, 74),
    far_leg=(6, 12)),
    "raise": Pose(head=-6, near_arm=(96, 34), far_arm=(-10, 14)),
    "wave": Pose(near_arm=(124, 52), far_arm=(-8, 14)),
    "point": Pose(torso=3, near_arm=(84, 4), far_arm=(-10, 16)),
    "hold": Pose(near_arm=(18, 78), far_arm=(14, 84)),
    "reach": Pose(head=-20, torso=2, near_arm=(160, 8), far_arm=(-10, 16), near_leg=(8, 0),
    far_leg=(-10, 6)),
    "bow": Pose(torso=46, head=18, near_arm=(34, 26), far_arm=(-14, 18), near_leg=(6, 2),
    far_leg=(-6, 2)),
    "shrug": Pose(head=6, near_arm=(34, 72), far_arm=(-34, -72)),
    "think": Pose(head=10, near_arm=(28, 128), far_arm=(14, 74)),
    "cheer": Pose(torso=-4, head=-10, near_arm=(152, 12), far_arm=(-152, -12), near_leg=(14, 6),
    far_leg=(-16, 8)),
    "push": Pose(torso=24, near_arm=(70, 12), far_arm=(62, 18), near_leg=(34, 34), far_leg=(-30,
    4)),
    "pull": Pose(torso=-18, head=6, near_arm=(56, 10), far_arm=(48, 14), near_leg=(30, 6),
    far_leg=(6, 34)),
    "row": Pose(torso=12, near_arm=(62, 16), far_arm=(52, 22), near_leg=(80, 60), far_leg=(74, 66)),
    "dance": Pose(torso=-6, head=-8, near_arm=(132, 36), far_arm=(-74, -24), near_leg=(44, 66),
    far_leg=(-8, 0)),
    "sneak": Pose(torso=20, head=-12, near_arm=(40, 62), far_arm=(26, 74), near_leg=(46, 58),
    far_leg=(-12, 30)),
    "throw": Pose(torso=-12, near_arm=(-104, -44), far_arm=(66, 10), near_leg=(28, 10),
    far_leg=(-16, 18)),
    "jump": Pose(torso=6, head=-10, near_arm=(128, 16), far_arm=(-96, -14), near_leg=(58, 74),
    far_leg=(18, 86)),
    "lie": Pose(torso=-84, head=8, near_arm=(14, 10), far_arm=(4, 8), near_leg=(84, 6),
    far_leg=(80, 2)),
}  # fmt: skip


def swung(origin: Point, length: float, angle: float) -> Point:
    """The end of a bone of `length` that hangs from `origin` and is swung forward by `angle`
    degrees (y up)."""
    a = math.radians(angle)
    return (origin[0] + length * math.sin(a), origin[1] - length * math.cos(a))


def turned(point: Point, lean: float) -> Point:
    """`point` about the origin, leaned forward by `lean` degrees (x forward, y up)."""
    a = math.radians(lean)
    return (
        point[0] * math.cos(a) + point[1] * math.sin(a),
        point[1] * math.cos(a) - point[0] * math.sin(a),
    )


def posed(pose: Pose, standing: Mapping[Joint, Point]) -> dict[Joint, Point]:
    """The joints (x forward, y up) of a figure in a pose, its hips at the origin.

    `standing` are its joints when it stands upright, hips at the origin too: they give the lengths
    of its bones.
    """

    def length(joint: Joint) -> float:
        (ax, ay), (bx, by) = standing[joint], standing[BONES[joint]]
        return math.hypot(ax - bx, ay - by)

    out: dict[Joint, Point] = {
        "hips": (0.0, 0.0),
        "neck": turned((0.0, length("neck")), pose.torso),
    }
    up = turned((0.0, length("head")), pose.torso + pose.head)
    out["head"] = (out["neck"][0] + up[0], out["neck"][1] + up[1])
    for side in ("near", "far"):
        shoulder, neck = standing[f"{side}_shoulder"], standing["neck"]  # type: ignore[index]
        off = turned((shoulder[0] - neck[0], shoulder[1] - neck[1]), pose.torso)
        start = (out["neck"][0] + off[0], out["neck"][1] + off[1])
        arm = pose.near_arm if side == "near" else pose.far_arm
        leg = pose.near_leg if side == "near" else pose.far_leg
        elbow = swung(start, length(cast(Joint, f"{side}_elbow")), arm[0] - pose.torso * 0.35)
        hand = swung(
            elbow, length(cast(Joint, f"{side}_hand")), arm[0] - pose.torso * 0.35 + arm[1]
        )
        knee = swung((0.0, 0.0), length(f"{side}_knee"), leg[0])  # type: ignore[arg-type]
        foot = swung(knee, length(f"{side}_foot"), leg[0] - leg[1])  # type: ignore[arg-type]
        names = (
            f"{side}_shoulder",
            f"{side}_elbow",
            f"{side}_hand",
            f"{side}_knee",
            f"{side}_foot",
        )
        out.update(zip(names, (start, elbow, hand, knee, foot), strict=True))  # type: ignore[arg-type]
    return out
