"""A camera that leans: by how much, with what, and never so that an edge is shown."""

import math

import numpy as np
import pytest

from cutreel.core.marks import Mark
from cutreel.core.motion import OwnPath, PathFrame, Walked, covering, path_told, path_words
from cutreel.core.render import Compositor, Shown, planes_of
from cutreel.core.render.marking import Marks

WIDE, HIGH = 640, 360


def frame_of(pixels: np.ndarray, path: OwnPath, at: int, marks: Marks | None = None) -> np.ndarray:
    desk = Compositor(WIDE, HIGH)
    out = desk.new_frame()
    shown = Shown([planes_of(pixels)], Walked(path, 4.0), 96, marks=marks)
    desk.draw(shown, at, out)
    return out[0]


def test_a_horizon_leans_as_far_as_is_told_and_settles_with_the_camera() -> None:
    """Measured by a straight line through the edge between dark and bright (least squares)."""
    half = np.zeros((HIGH, WIDE, 3), np.uint8)
    half[HIGH // 2 :] = 255
    path = OwnPath(roll=(0.0, 3.0))
    for at, wanted in ((0, 0.0), (95, 3.0)):
        frame = frame_of(half, path, at)
        edge = (frame < 126).sum(0)
        slope = np.polyfit(np.arange(WIDE), edge, 1)[0]
        # The picture's right side rises where the camera leans to the right.
        assert -math.degrees(math.atan(slope)) == pytest.approx(wanted, abs=0.06)
    middle = frame_of(half, path, 48)
    slope = np.polyfit(np.arange(WIDE), (middle < 126).sum(0), 1)[0]
    assert 1.2 < -math.degrees(math.atan(slope)) < 1.8


@pytest.mark.parametrize("roll", [(-8.0, 8.0), (0.0, 2.0), (5.0, 5.0)])
def test_no_edge_is_ever_shown(roll: tuple[float, float]) -> None:
    white = np.full((HIGH, WIDE, 3), 255, np.uint8)
    # Beyond a picture its edge goes on: a dark rim tells whether any of that is seen.
    white[:1] = white[-1:] = 0
    white[:, :1] = white[:, -1:] = 0
    path = OwnPath(first=PathFrame(zoom=1.02), last=PathFrame(zoom=1.02), roll=roll)
    for at in (0, 30, 60, 95):
        assert frame_of(white, path, at).min() > 225, at
    assert covering(math.radians(8), WIDE, HIGH) > covering(math.radians(2), WIDE, HIGH) > 1


def test_what_is_drawn_on_the_picture_leans_with_it() -> None:
    grey = np.full((HIGH, WIDE, 3), 60, np.uint8)
    mark = Marks([Mark(kind="ring", x=0.85, y=0.5, size=0.1, colour="#ffffff")], WIDE, HIGH)
    level = frame_of(grey, OwnPath(), 95, mark)
    leaning = frame_of(grey, OwnPath(roll=(8.0, 8.0)), 95, mark)
    rows = [np.flatnonzero((f > 150).any(1)).mean() for f in (level, leaning)]
    # At 0.35 of the width beside the middle it rises by that times the sine of the angle, a little nearer.
    near = covering(math.radians(8), WIDE, HIGH)
    assert rows[0] - rows[1] == pytest.approx(
        0.35 * WIDE * near * math.sin(math.radians(8)), rel=0.1
    )


def test_a_lean_is_told_in_words() -> None:
    told = path_told("slow push in, rolling slightly left", {})
    assert told is not None and told.roll == (0.0, -2.0)
    assert "rolling left to 2°" in path_words(told, {})
    level = path_told("the camera levels out from the right", {})
    assert level is not None and level.roll == (2.0, 0.0)
    still = path_told("push in", {})
    assert still is not None and still.roll == (0.0, 0.0)
