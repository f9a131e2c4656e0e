"""Posing a figure by dragging its joints: limbs keep their lengths.

Points are (x, y), y running down, in any unit in which x and y measure the same, as pixels do.
Hands and feet are reached by the two bones that carry them (the triangle of both, by the law of
cosines); other joints turn what hangs on them about the joint that carries them.
"""

import math
from collections.abc import Mapping

from cutreel.core.errors import BadInput
from cutreel.protocol import BONES, POSES, FigurePose, Joint, Pose, posed

Point = tuple[float, float]
Joints = dict[Joint, Point]
_CHAINS: dict[Joint, tuple[Joint, Joint]] = {
    "near_hand": ("near_shoulder", "near_elbow"),
    "far_hand": ("far_shoulder", "far_elbow"),
    "near_foot": ("hips", "near_knee"),
    "far_foot": ("hips", "far_knee"),
}
"""Each end with the root and the middle of the two bones that carry it."""
_CARRIED: dict[Joint, tuple[Joint, ...]] = {
    "head": (),
    "near_elbow": ("near_hand",),
    "far_elbow": ("far_hand",),
    "near_knee": ("near_foot",),
    "far_knee": ("far_foot",),
}
"""What goes along when a joint is turned about its carrier."""
_LIMBS: dict[str, tuple[Joint, Joint, Joint, Joint]] = {
    "near": ("near_elbow", "near_hand", "near_knee", "near_foot"),
    "far": ("far_elbow", "far_hand", "far_knee", "far_foot"),
}
_UPPER: tuple[Joint, ...] = (
    "neck", "head", "near_shoulder", "far_shoulder", "near_elbow", "far_elbow", "near_hand",
    "far_hand",
)  # fmt: skip


def two_bone(root: Point, middle: Point, end: Point, to: Point) -> tuple[Point, Point]:
    """Where the middle and the end of two bones come to be when the end is drawn toward `to`.

    Both bones keep their lengths; the middle stays on the side on which it was; where `to` is too
    far or too near to be reached, the end comes as close as it can.
    """
    upper, lower = math.dist(root, middle), math.dist(middle, end)
    wanted = math.dist(root, to)
    if wanted < 1e-9:
        to, wanted = end, math.dist(root, end) or 1e-9
    reach = min(max(wanted, abs(upper - lower)), upper + lower)
    ux, uy = (to[0] - root[0]) / wanted, (to[1] - root[1]) / wanted
    along = (upper**2 - lower**2 + reach**2) / (2 * reach) if reach > 1e-9 else 0.0
    off = math.sqrt(max(0.0, upper**2 - along**2))
    side = (end[0] - root[0]) * (middle[1] - root[1]) - (end[1] - root[1]) * (middle[0] - root[0])
    bend = -1.0 if side < 0 else 1.0
    bent = (root[0] + ux * along - uy * off * bend, root[1] + uy * along + ux * off * bend)
    return bent, (root[0] + ux * reach, root[1] + uy * reach)


def moved(joints: Mapping[Joint, Point], joint: Joint, to: Point) -> Joints:
    """The joints after `joint` was dragged toward `to`. Raises BadInput where one is missing."""
    out = _whole(joints)
    if joint in _CHAINS:
        root, middle = _CHAINS[joint]
        out[middle], out[joint] = two_bone(out[root], out[middle], out[joint], to)
    elif joint == "hips":
        _move_hips(out, to)
    elif joint in ("neck", "near_shoulder", "far_shoulder"):
        _turn(out, "hips", out[joint], to, _UPPER)
    else:
        _turn(out, BONES[joint], out[joint], to, (joint, *_CARRIED[joint]))
    return out


def _move_hips(out: Joints, to: Point) -> None:
    """The feet stay where they are as far as the legs reach; everything above goes along."""
    legs: tuple[tuple[Joint, Joint], ...] = (("near_knee", "near_foot"), ("far_knee", "far_foot"))
    feet = {foot: out[foot] for _, foot in legs}
    for _ in range(8):
        for knee, foot in legs:
            reach = math.dist(out["hips"], out[knee]) + math.dist(out[knee], out[foot])
            d = math.dist(to, feet[foot])
            if d > reach:
                fx, fy = feet[foot]
                to = (fx + (to[0] - fx) / d * reach, fy + (to[1] - fy) / d * reach)
    dx, dy = to[0] - out["hips"][0], to[1] - out["hips"][1]
    out.update({joint: (x + dx, y + dy) for joint, (x, y) in out.items()})
    for knee, foot in legs:
        out[knee], out[foot] = two_bone(out["hips"], out[knee], out[foot], feet[foot])


def _turn(out: Joints, about: Joint, was: Point, to: Point, joints: tuple[Joint, ...]) -> None:
    """Turn some joints about another, as far as it takes `was` to point toward `to`."""
    cx, cy = out[about]
    if math.dist((cx, cy), to) < 1e-9:
        return
    angle = math.atan2(to[1] - cy, to[0] - cx) - math.atan2(was[1] - cy, was[0] - cx)
    cos, sin = math.cos(angle), math.sin(angle)
    for joint in joints:
        x, y = out[joint][0] - cx, out[joint][1] - cy
        out[joint] = (cx + x * cos - y * sin, cy + x * sin + y * cos)


def lengths(joints: Mapping[Joint, Point]) -> dict[Joint, float]:
    """How long the bone is that ends at each joint."""
    return {joint: math.dist(joints[joint], joints[carrier]) for joint, carrier in BONES.items()}


def take_pose(joints: Mapping[Joint, Point], way: int, pose: str) -> Joints:
    """The same figure in a pose of our stock, as long-limbed as it was, standing where it stood.
    BadInput: no such."""
    known = POSES.get(pose)
    if known is None:
        raise BadInput(f"There is no pose “{pose}”.", "Choose one of " + ", ".join(POSES) + ".")
    now = _whole(joints)
    local = posed(known, _standing(now, way))
    ground, middle = max(now[j][1] for j in ("near_foot", "far_foot", "hips")), now["hips"][0]
    low = min(y for _, y in local.values())
    return {joint: (middle + way * x, ground + low - y) for joint, (x, y) in local.items()}


def _standing(joints: Joints, way: int) -> dict[Joint, Point]:
    """Joints upright with the hips at the origin (x forward, y up), every bone as long as it is."""
    size = lengths(joints)
    out: dict[Joint, Point] = {"hips": (0.0, 0.0), "neck": (0.0, size["neck"])}
    out["head"] = (0.0, size["neck"] + size["head"])
    lean = math.atan2(
        way * (joints["neck"][0] - joints["hips"][0]), joints["hips"][1] - joints["neck"][1]
    )
    for side in ("near", "far"):
        shoulder: Joint = "near_shoulder" if side == "near" else "far_shoulder"
        dx = way * (joints[shoulder][0] - joints["neck"][0])
        dy = joints["neck"][1] - joints[shoulder][1]
        off = (dx * math.cos(lean) - dy * math.sin(lean), dx * math.sin(lean) + dy * math.cos(lean))
        at = (off[0], size["neck"] + off[1])
        elbow, hand, knee, foot = _LIMBS[side]
        out[shoulder] = at
        out[elbow] = (at[0], at[1] - size[elbow])
        out[hand] = (at[0], at[1] - size[elbow] - size[hand])
        out[knee] = (0.0, -size[knee])
        out[foot] = (0.0, -size[knee] - size[foot])
    return out


def usual_joints(middle: Point, height: float, way: int) -> Joints:
    """A grown person of `height` who stands with the feet below `middle`, for a figure whose joints
    nobody knows."""
    k = height
    standing: dict[Joint, Point] = {"hips": (0, 0), "neck": (0, 0.345 * k), "head": (0, 0.45 * k)}
    for side, sign in (("near", 1), ("far", -1)):
        x = sign * 0.086 * k
        joints = {
            "shoulder": (x, 0.29 * k),
            "elbow": (x, 0.1 * k),
            "hand": (x, -0.085 * k),
            "knee": (0, -0.218 * k),
        }
        joints["foot"] = (0, -0.43 * k)
        standing.update({f"{side}_{name}": at for name, at in joints.items()})  # type: ignore[misc]
    local = posed(Pose(), standing)
    return {joint: (middle[0] + way * x, middle[1] - y) for joint, (x, y) in local.items()}


def in_pixels(pose: FigurePose, aspect: float) -> Joints:
    """Joints given as shares of a frame, measured in its height: x and y then measure the same."""
    return {joint: (x * aspect, y) for joint, (x, y) in pose.joints.items()}


def in_shares(joints: Mapping[Joint, Point], aspect: float) -> Joints:
    """The other way: joints measured in the frame's height as shares of the frame."""
    return {joint: (round(x / aspect, 5), round(y, 5)) for joint, (x, y) in joints.items()}


def _whole(joints: Mapping[Joint, Point]) -> Joints:
    missing = sorted((set(BONES) | {"hips"}) - set(joints))
    if missing:
        raise BadInput(
            f"The figure has no {missing[0].replace('_', ' ')}.", "Open the picture again."
        )
    return dict(joints)
