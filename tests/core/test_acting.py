"""Figures that act: bones keep their lengths, nothing comes off its pin, drawings are held on twos."""

import math
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.motion import ACTIONS, Act, Acting, action_for, applied, held, moment_of
from cutreel.protocol import CARRIED_BY
from tests.jointed import BONES_WITH_PINS, ends_of, figure_in

NAMES = sorted(ACTIONS)
PERSON = [n for n in NAMES if ACTIONS[n].of != "animal"]


def doing(action: str, seconds: float = 2.0, start: float = 0.0) -> Acting:
    return Acting(acts=[Act(action=action, start=start, seconds=seconds)])


def hand_height(figure, acting, t) -> float:
    """How high the near hand is above where it was drawn, in pixels."""
    moment = moment_of(figure, acting, t)
    _, y = applied(moment.bones["near_forearm"], figure.pins["near_hand"])
    return figure.pins["near_hand"][1] - y


def test_there_are_actions_enough_and_their_verbs_find_them() -> None:
    assert len(PERSON) >= 30
    assert sum(ACTIONS[n].of == "animal" for n in NAMES) >= 6
    found = {v: action_for(v) for v in ("lift", "row", "knock", "weep", "hand", "laugh", "climb")}
    assert {v: a.name for v, a in found.items() if a} == {
        "lift": "lift", "row": "row", "knock": "knock", "weep": "weep", "hand": "hand over",
        "laugh": "laugh", "climb": "climb",
    }  # fmt: skip
    assert action_for("walk", "animal").name == "trot" and action_for("walk").name == "walk"
    assert action_for("mean") is None


@settings(max_examples=60)
@given(
    action=st.sampled_from(PERSON),
    pose=st.sampled_from(["stand", "walk", "raise", "sit", "hold"]),
    way=st.sampled_from([1, -1]),
    t=st.floats(-0.5, 4.0),
)
def test_no_limb_comes_off_and_none_grows(action, pose, way, t) -> None:
    figure, _ = figure_in(pose, way)
    moment = moment_of(figure, doing(action), t)
    stretched = any(abs(k.wide - 1) + abs(k.tall - 1) > 1e-6 for k in ACTIONS[action].keys)
    for bone in BONES_WITH_PINS:
        joint, carrier = CARRIED_BY[bone]
        pin = figure.pins[joint]
        if carrier:
            assert applied(moment.bones[bone], pin) == pytest.approx(
                applied(moment.bones[carrier], pin), abs=1e-6
            )
        if not stretched:
            one, other = (figure.pins[j] for j in ends_of(bone))
            now = math.dist(applied(moment.bones[bone], one), applied(moment.bones[bone], other))
            assert now == pytest.approx(math.dist(one, other), rel=1e-6)


@pytest.mark.thorough
@pytest.mark.parametrize("action", NAMES)
def test_an_action_never_jumps(action) -> None:
    # From one drawing to the next a hand that is flung up moves a third of the figure; more would be a jump. Whoever
    # nods afterwards does so where they are by then.
    figure, _ = figure_in()
    acting = Acting(
        acts=[
            Act(action=action, start=0.5, seconds=ACTIONS[action].seconds),
            Act(action="nod", start=4.5, seconds=1),
        ]
    )
    points = [
        [
            applied(moment_of(figure, acting, n / 12).bones[b], figure.pins[ends_of(b)[1]])
            for b in BONES_WITH_PINS
        ]
        for n in range(80)
    ]
    furthest = max(
        math.dist(a, b) for one, other in pairwise(points) for a, b in zip(one, other, strict=True)
    )
    assert furthest < 420.0 * (0.5 if action == "throw" else 0.36)


def test_who_was_drawn_with_a_raised_hand_begins_with_it_low() -> None:
    raised, _ = figure_in("raise")
    acting = doing("lift", 1.5)
    assert hand_height(raised, acting, -0.2) < -80
    assert abs(hand_height(raised, acting, 1.5)) < 6, "and ends as it was drawn"
    standing, _ = figure_in("stand")
    assert abs(hand_height(standing, acting, -0.2)) < 6
    assert hand_height(standing, acting, 1.5) > 80, "who was drawn with it low lifts it"


def test_before_a_lift_goes_a_small_movement_the_other_way() -> None:
    figure, _ = figure_in("raise")
    heights = [hand_height(figure, doing("lift", 1.5), n / 12) for n in range(18)]
    lowest = heights.index(min(heights))
    assert 0 < lowest <= 6 and min(heights) < heights[0]
    assert max(heights) > heights[-1] + 2, "and it overshoots before it settles"


def test_drawings_are_held_on_twos_and_any_can_be_drawn_alone() -> None:
    figure, _ = figure_in()
    acting = doing("wave", 2.4)
    frames = [moment_of(figure, acting, n / 24) for n in range(48)]
    assert all(frames[n] == frames[n + 1] for n in range(0, 48, 2))
    assert len({f.model_dump_json() for f in frames}) == 24
    assert held(0.99) == 11 / 12 and moment_of(figure, acting, 1.3) == frames[int(1.3 * 24)]


def test_people_blink_about_fifteen_times_a_minute() -> None:
    # Source: common practice of animators; people at rest blink ten to twenty times a minute.
    figure, _ = figure_in()
    shut = [moment_of(figure, Acting(seed=5), n / 12).eyes == "shut" for n in range(12 * 120)]
    times = sum(b and not a for a, b in pairwise([False, *shut]))
    assert 20 <= times <= 50
    assert sum(shut) <= times * 3, "a blink is over in two or three drawings"


def test_who_stands_breathes_and_no_more() -> None:
    figure, _ = figure_in()
    spots = [
        applied(moment_of(figure, Acting(), n / 12).bones["head"], figure.pins["head"])
        for n in range(60)
    ]
    wander = max(math.dist(a, figure.pins["head"]) for a in spots)
    assert 0.5 < wander < 12


def test_a_figure_that_looks_left_does_the_same_the_other_way_round() -> None:
    right, _ = figure_in("stand", 1, (640, 380))
    left, _ = figure_in("stand", -1, (640, 380))
    for n in range(0, 24, 5):
        one = applied(
            moment_of(right, doing("point"), n / 12).bones["near_forearm"], right.pins["near_hand"]
        )
        other = applied(
            moment_of(left, doing("point"), n / 12).bones["near_forearm"], left.pins["near_hand"]
        )
        assert (640 - one[0], one[1]) == pytest.approx((other[0] - 640, other[1]), abs=1.5)
