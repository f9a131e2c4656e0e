"""How tense a film is: told by moods and pace, bent by hand; a straight line is NumPy's own interpolation."""

import numpy as np
import pytest

from cutreel.core.sound.tension import BEND, bent, between, simplified, tension_at, told_tension
from cutreel.core.timeline import FrameRate, Span

RATE = FrameRate.parse("24")


def told(shots: list[tuple[str, float]]):
    spans, at = [], 0
    for _, seconds in shots:
        spans.append(Span(at, at + round(seconds * 24)))
        at = spans[-1].end
    return told_tension([mood for mood, _ in shots], spans, RATE)


def test_a_chase_is_tenser_than_what_was_before_it() -> None:
    course = told([("calm", 6)] * 6 + [("tense", 6)] * 6 + [("sad", 6)] * 6)
    assert tension_at(course, 6) < 0.25
    assert tension_at(course, 54) > 0.7
    assert tension_at(course, 100) < 0.4
    assert course[0][0] == 0 and course[-1][0] == 108


def test_quick_shots_are_tenser_than_slow_ones_of_the_same_mood() -> None:
    course = told([("uneasy", 8)] * 6 + [("uneasy", 3)] * 16)
    assert tension_at(course, 80) > tension_at(course, 20) + 0.1


def test_it_does_not_follow_every_shot() -> None:
    course = told([("calm", 3), ("tense", 3)] * 10)
    levels = [tension_at(course, at) for at in np.arange(10, 50, 0.5)]
    assert max(levels) - min(levels) < 0.1


def test_a_film_without_shots_has_no_course() -> None:
    assert told([]) == ()


def test_a_bent_course_goes_through_its_points_and_is_as_told_elsewhere() -> None:
    course = told([("calm", 10)] * 40)
    by_hand = ((100.0, 0.9), (130.0, 0.5), (300.0, 0.0))
    now = bent(course, by_hand)
    for at, level in by_hand:
        assert tension_at(now, at) == pytest.approx(level, abs=0.01)
    for at in (20.0, 100 - BEND - 1, 200.0, 390.0):
        assert tension_at(now, at) == pytest.approx(tension_at(course, at), abs=0.01)
    assert bent(course, ()) is course
    assert all(0 <= level <= 1 for _, level in now)


def test_a_stretch_is_counted_from_its_beginning_in_coarse_steps() -> None:
    course = ((0.0, 0.1), (10.0, 0.62), (30.0, 0.2))
    part = between(course, 5.0, 20.0)
    assert part == ((0.0, 0.35), (5.0, 0.6), (15.0, 0.4))
    assert between((), 0, 10) == ()
    shifted = tuple((at, level + 0.004) for at, level in course)
    assert between(shifted, 5.0, 20.0) == part


def test_points_that_hardly_bend_it_are_left_out() -> None:
    rng = np.random.default_rng(3)
    course = [
        (float(t), float(0.5 + 0.3 * np.sin(t / 9) + rng.normal(0, 0.005))) for t in range(90)
    ]
    short = simplified(course)
    assert len(short) < 30
    times, levels = zip(*course, strict=True)
    xs, ys = zip(*short, strict=True)
    assert np.abs(np.interp(times, xs, ys) - levels).max() <= 0.041
    assert [tension_at(short, t) for t in (0.5, 40.25)] == pytest.approx(
        np.interp([0.5, 40.25], xs, ys)
    )
