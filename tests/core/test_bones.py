"""Bones: the angles that are told of a pose are those that the posed joints have; matrices do what SVG says they do."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.motion import applied, height_of, inverted
from cutreel.core.motion.bones import Whole, after, drawn_angles, placed, pose_angles, turned_about
from cutreel.core.pictures import take_pose, usual_joints
from cutreel.protocol import POSES, FigurePiece, JointedFigure

PIECE = FigurePiece(bone="torso", x=0, y=0, width=2, height=2, left=0, top=0)
numbers = st.floats(-50, 50)
matrices = st.tuples(*[st.floats(-3, 3)] * 4, numbers, numbers).filter(
    lambda m: abs(m[0] * m[3] - m[1] * m[2]) > 0.1
)


def posed_figure(pose: str, way: int) -> JointedFigure:
    joints = take_pose(usual_joints((640, 360), 400, way), way, pose)
    return JointedFigure(name="a", way=1 if way > 0 else -1, pins=joints, pieces=[PIECE])


def as_array(m) -> np.ndarray:
    a, b, c, d, e, f = m
    return np.array([[a, c, e], [b, d, f], [0, 0, 1]])


@pytest.mark.parametrize("way", [1, -1])
@pytest.mark.parametrize("pose", sorted(POSES))
def test_a_posed_figure_has_the_angles_of_its_pose(pose, way) -> None:
    # Source: the protocol's own `posed`, by which the joints were found.
    drawn, wanted = drawn_angles(posed_figure(pose, way)), pose_angles(pose)
    for bone, angle in wanted.items():
        apart = (drawn[bone] - angle + 180) % 360 - 180
        assert abs(apart) < 0.6, (bone, drawn[bone], angle)


@given(matrices, matrices, numbers, numbers)
def test_matrices_are_those_of_svg(one, other, x, y) -> None:
    # Source: SVG 1.1, 7.4: numpy multiplies the same matrices.
    both = as_array(one) @ as_array(other)
    assert np.allclose(as_array(after(one, other)), both, atol=1e-6)
    assert applied(one, (x, y)) == pytest.approx(tuple((as_array(one) @ [x, y, 1])[:2]), abs=1e-6)
    back = applied(inverted(one), applied(one, (x, y)))
    assert back == pytest.approx((x, y), abs=1e-3)


@given(numbers, numbers, st.floats(-360, 360))
def test_a_turn_leaves_its_pin_where_it_is_and_lengths_as_they_are(x, y, degrees) -> None:
    turn = turned_about((x, y), degrees)
    assert applied(turn, (x, y)) == pytest.approx((x, y), abs=1e-9)
    moved = applied(turn, (x + 3, y + 4))
    assert math.dist(moved, (x, y)) == pytest.approx(5)
    right = applied(turned_about((0, 0), 90), (1, 0))
    assert right == pytest.approx((0, 1)), "with the clock, as y runs down"


def test_forward_is_where_a_figure_looks() -> None:
    for way in (1, -1):
        figure = posed_figure("stand", way)
        hips, head = figure.pins["hips"], figure.pins["head"]
        bowed = placed(figure, {"torso": 30}, Whole())
        assert (applied(bowed["torso"], head)[0] - head[0]) * way > 20
        arm = placed(figure, {"near_arm": 60}, Whole())
        hand = figure.pins["near_hand"]
        assert (applied(arm["near_forearm"], hand)[0] - hand[0]) * way > 20
        knee = placed(figure, {"near_shin": 40}, Whole())
        foot = figure.pins["near_foot"]
        assert (applied(knee["near_shin"], foot)[0] - foot[0]) * way < -10, "a shin bends back"
        assert applied(bowed["torso"], hips) == pytest.approx(hips)


def test_what_is_hung_from_a_hand_hangs_straight_and_a_shadow_stays_flat() -> None:
    figure = posed_figure("stand", 1)
    lifted = placed(figure, {"near_arm": 90}, Whole(ahead=0.5, up=0.2))
    a, b, c, d, *_ = lifted["near_hung"]
    assert (a, b, c, d) == (1, 0, 0, 1)
    hand = applied(lifted["near_forearm"], figure.pins["near_hand"])
    assert applied(lifted["near_hung"], figure.pins["near_hand"]) == pytest.approx(hand)
    ground = lifted["ground"]
    assert ground[:4] == (1, 0, 0, 1) and ground[5] == 0, "who leaps leaves the shadow below"
    assert ground[4] == pytest.approx(0.5 * height_of(figure))


def test_the_whole_figure_goes_leans_and_turns_about_its_feet() -> None:
    figure = posed_figure("stand", 1)
    tall = height_of(figure)
    feet = [figure.pins[j] for j in ("near_foot", "far_foot")]
    ground = (sum(x for x, _ in feet) / 2, max(y for _, y in feet))
    for whole in (Whole(lean=40), Whole(wide=-1), Whole(tall=0.5)):
        assert applied(placed(figure, {}, whole)["torso"], ground) == pytest.approx(ground)
    gone = applied(placed(figure, {}, Whole(ahead=1, up=0.5))["torso"], ground)
    assert gone == pytest.approx((ground[0] + tall, ground[1] - 0.5 * tall))
    head = figure.pins["head"]
    flipped = applied(placed(figure, {}, Whole(wide=-1))["head"], head)
    assert flipped[0] - ground[0] == pytest.approx(ground[0] - head[0])


def test_a_figure_is_as_tall_as_from_crown_to_sole() -> None:
    assert height_of(posed_figure("stand", 1)) == pytest.approx(400, rel=0.06)
    beast = JointedFigure(
        name="fox",
        kind="animal",
        pins={"hips": (100, 200)},
        pieces=[FigurePiece(bone="torso", x=0, y=0, width=80, height=60, left=60, top=140)],
    )
    assert height_of(beast) == 60
    assert drawn_angles(beast) == {}
    assert placed(beast, {"head": 20}, Whole())["head"] == (1, 0, 0, 1, 0, 0)
