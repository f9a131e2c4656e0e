"""Posing by joints: limbs keep their lengths, ends come where they are drawn, as far as bones reach."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.errors import BadInput
from cutreel.core.pictures import (
    in_pixels,
    in_shares,
    lengths,
    moved,
    take_pose,
    two_bone,
    usual_joints,
)
from cutreel.protocol import BONES, POSES, FigurePose, posed

JOINTS = [*BONES, "hips"]
spots = st.tuples(st.floats(-2, 2), st.floats(-2, 2))


def test_a_right_angle_by_the_theorem_of_pythagoras() -> None:
    # Source: Euclid, Elements I.47: bones of 3 and 4 that reach 5 meet at a right angle.
    middle, end = two_bone((0, 0), (3, 0.1), (7, 0), (5, 0))
    upper, lower = math.dist((0, 0), (3, 0.1)), math.dist((3, 0.1), (7, 0))
    assert math.dist((0, 0), middle) == pytest.approx(upper) and math.dist(
        middle, end
    ) == pytest.approx(lower)
    middle, end = two_bone((0, 0), (0, 3), (4, 3), (5, 0))
    assert end == pytest.approx((5, 0))
    ux, uy = -middle[0], -middle[1]
    vx, vy = end[0] - middle[0], end[1] - middle[1]
    assert ux * vx + uy * vy == pytest.approx(0, abs=1e-9)


@given(
    joint=st.sampled_from(JOINTS),
    to=spots,
    way=st.sampled_from([1, -1]),
    pose=st.sampled_from(list(POSES)),
)
def test_dragging_any_joint_anywhere_keeps_every_limb(joint, to, way, pose) -> None:
    start = take_pose(usual_joints((0.8, 0.5), 0.7, way), way, pose)
    after = moved(start, joint, to)
    assert lengths(after) == pytest.approx(lengths(start), rel=1e-6)


@given(to=spots, joint=st.sampled_from(["near_hand", "far_hand", "near_foot", "far_foot"]))
def test_an_end_comes_where_it_is_drawn_or_as_near_as_it_can(to, joint) -> None:
    start = usual_joints((0.8, 0.5), 0.7, 1)
    root = "hips" if joint.endswith("foot") else joint.replace("hand", "shoulder")
    middle = BONES[joint]
    after = moved(start, joint, to)
    upper, lower = lengths(start)[middle], lengths(start)[joint]
    far = math.dist(start[root], to)
    nearest = max(0.0, far - upper - lower, abs(upper - lower) - far)
    assert math.dist(after[joint], to) == pytest.approx(nearest, abs=1e-6)
    assert after[root] == start[root]


@given(to=spots)
def test_the_feet_stay_where_they_stand_when_the_hips_move(to) -> None:
    start = usual_joints((0.8, 0.5), 0.7, 1)
    near = (start["hips"][0] + to[0] * 0.05, start["hips"][1] + abs(to[1]) * 0.05)
    after = moved(start, "hips", near)
    for foot in ("near_foot", "far_foot"):
        assert after[foot] == pytest.approx(start[foot], abs=1e-6)


@pytest.mark.parametrize("pose", list(POSES))
def test_each_pose_of_the_stock_is_another_and_stands_on_the_ground(pose) -> None:
    assert len(POSES) >= 16
    start = usual_joints((0.8, 0.5), 0.7, 1)
    after = take_pose(start, 1, pose)
    assert max(y for _, y in after.values()) == pytest.approx(
        max(start[j][1] for j in ("near_foot", "far_foot"))
    )
    assert lengths(after) == pytest.approx(lengths(start), rel=1e-6)
    mirrored = take_pose({j: (1.6 - x, y) for j, (x, y) in start.items()}, -1, pose)
    for joint, (x, y) in after.items():
        assert mirrored[joint] == pytest.approx((1.6 - x, y), abs=1e-6)
    others = [take_pose(start, 1, other) for other in POSES if other != pose]
    assert min(max(math.dist(after[j], o[j]) for j in JOINTS) for o in others) > 0.03


def test_taking_a_pose_twice_is_taking_it_once() -> None:
    start = usual_joints((0.8, 0.5), 0.7, 1)
    once = take_pose(start, 1, "run")
    again = take_pose(take_pose(once, 1, "sit"), 1, "run")
    spread = {j: (p[0] - once["hips"][0], p[1] - once["hips"][1]) for j, p in once.items()}
    assert {j: (p[0] - again["hips"][0], p[1] - again["hips"][1]) for j, p in again.items()} == {
        j: pytest.approx(p, abs=1e-6) for j, p in spread.items()
    }


def test_shares_and_pixels_turn_into_each_other() -> None:
    joints = usual_joints((0.8, 0.5), 0.7, 1)
    back = in_pixels(FigurePose(name="a", joints=in_shares(joints, 16 / 9)), 16 / 9)
    assert all(math.dist(back[j], joints[j]) < 1e-4 for j in joints)


def test_what_cannot_be_is_said() -> None:
    with pytest.raises(BadInput, match="no pose"):
        take_pose(usual_joints((0.8, 0.5), 0.7, 1), 1, "levitate")
    with pytest.raises(BadInput, match="no far elbow"):
        moved({"hips": (0, 0)}, "head", (0, 0))


def test_angles_mean_what_they_say() -> None:
    standing = dict.fromkeys(JOINTS, (0.0, 0.0)) | {
        "neck": (0, 2),
        "near_shoulder": (0, 2),
        "near_elbow": (0, 1),
    }
    for angle, wanted in ((0, (0, 1)), (90, (1, 2)), (180, (0, 3))):
        pose = POSES["stand"].model_copy(update={"near_arm": (angle, 0)})
        assert posed(pose, standing)["near_elbow"] == pytest.approx(wanted, abs=1e-9)
