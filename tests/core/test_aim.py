"""An arm that reaches: the hand comes to where it is aimed, by the figure's own bones."""

import math

import pytest

from cutreel.core.motion import Act, Acting, applied, moment_of
from cutreel.core.motion.aim import arm_toward
from tests.jointed import figure_in


def reach(figure) -> float:
    pins = figure.pins
    return math.dist(pins["near_shoulder"], pins["near_elbow"]) + math.dist(
        pins["near_elbow"], pins["near_hand"]
    )


@pytest.mark.parametrize("way", [1, -1])
@pytest.mark.parametrize(("far", "down"), [(0.9, -0.2), (0.7, 0.3), (0.95, 0.0), (0.5, 0.6)])
def test_the_hand_comes_to_where_it_is_aimed(way, far, down) -> None:
    figure, _ = figure_in("stand", way)
    sx, sy = figure.pins["near_shoulder"]
    to = (sx + way * far * reach(figure), sy + down * reach(figure))
    if math.hypot(far, down) > 1:
        pytest.skip("out of reach")
    act = Act(action="reach", start=0.0, seconds=1.8, to=to)
    moment = moment_of(figure, Acting(acts=[act], seed=3), 1.8)
    hand = applied(moment.bones["near_forearm"], figure.pins["near_hand"])
    # The head and chest breathe and lean a little meanwhile.
    assert math.dist(hand, to) < 0.12 * reach(figure)


def test_who_is_too_far_is_pointed_at_with_a_straight_arm() -> None:
    figure, _ = figure_in()
    sx, sy = figure.pins["near_shoulder"]
    angles = arm_toward(figure, (sx + 900, sy))
    assert angles["near_forearm"] == pytest.approx(0, abs=1)
    assert angles["near_arm"] == pytest.approx(90, abs=1)


def test_nobody_reaches_behind_themselves_or_without_an_arm() -> None:
    figure, _ = figure_in()
    sx, sy = figure.pins["near_shoulder"]
    assert arm_toward(figure, (sx - 300, sy)) is None
    bare = figure.model_copy(
        update={"pins": {k: v for k, v in figure.pins.items() if k != "near_elbow"}}
    )
    assert arm_toward(bare, (sx + 100, sy)) is None


def test_who_looks_the_other_way_leaves_the_arm_as_it_is() -> None:
    figure, _ = figure_in()
    sx, sy = figure.pins["near_shoulder"]
    behind = Act(action="reach", start=0.0, seconds=1.8, to=(sx - 400, sy))
    reached, idle = (
        moment_of(figure, Acting(acts=[act], seed=3), 1.5).bones["near_forearm"]
        for act in (behind, Act(action="look toward", start=0.0, seconds=1.8))
    )
    hands = [applied(m, figure.pins["near_hand"]) for m in (reached, idle)]
    assert math.dist(*hands) < 0.1 * reach(figure)
