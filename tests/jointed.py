"""A jointed figure for tests: a grown person in a picture of 1280 by 720, made of plain boxes along its bones."""

import numpy as np
from numpy.typing import NDArray

from cutreel.core.pictures import take_pose, usual_joints
from cutreel.protocol import CARRIED_BY, Bone, FigurePiece, JointedFigure

SIZE = (1280, 720)
_ENDS: dict[Bone, tuple[str, str]] = {
    "torso": ("hips", "neck"), "head": ("neck", "head"), "near_arm": ("near_shoulder", "near_elbow"),
    "near_forearm": ("near_elbow", "near_hand"), "far_arm": ("far_shoulder", "far_elbow"),
    "far_forearm": ("far_elbow", "far_hand"), "near_thigh": ("hips", "near_knee"), "near_shin": ("near_knee", "near_foot"),
    "far_thigh": ("hips", "far_knee"), "far_shin": ("far_knee", "far_foot"),
}  # fmt: skip


def figure_in(
    pose: str = "stand", way: int = 1, at: tuple[float, float] = (640, 380)
) -> tuple[JointedFigure, NDArray[np.uint8]]:
    """The figure, and its sheet in RGBA."""
    joints = take_pose(usual_joints(at, 420, way), way, pose)
    pieces, x = [], 0
    boxes = []
    for bone, (one, other) in _ENDS.items():
        (ax, ay), (bx, by) = joints[one], joints[other]
        left, top = int(min(ax, bx) - 14) // 2 * 2, int(min(ay, by) - 14) // 2 * 2
        width, height = (int(v) // 2 * 2 + 2 for v in (abs(ax - bx) + 28, abs(ay - by) + 28))
        boxes.append((bone, left, top, width, height))
    sheet = np.zeros((max(b[4] for b in boxes), sum(b[3] for b in boxes), 4), np.uint8)
    for n, (bone, left, top, width, height) in enumerate(boxes):
        pieces.append(
            FigurePiece(bone=bone, x=x, y=0, width=width, height=height, left=left, top=top)
        )
        sheet[4 : height - 4, x + 4 : x + width - 4] = (40 + 20 * n, 220 - 15 * n, 90, 255)
        x += width
    figure = JointedFigure(name="ada", way=1 if way > 0 else -1, pins=joints, pieces=pieces)
    return figure, sheet


def ends_of(bone: Bone) -> tuple[str, str]:
    """The joints between which a bone lies."""
    return _ENDS[bone]


BONES_WITH_PINS = [b for b, (joint, _) in CARRIED_BY.items() if joint and b in _ENDS]
