"""Camera paths of the maker's own: no edge is ever shown, speed is constant to the eye, and words make the same path."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.motion import OwnPath, PathFrame, Walked, path_along, path_told, path_words
from cutreel.core.motion.path import apart

frames = st.builds(PathFrame, x=st.floats(0, 1), y=st.floats(0, 1), zoom=st.floats(1, 6))
paths = st.builds(
    OwnPath,
    first=frames,
    between=st.lists(frames, max_size=4),
    last=frames,
    ease=st.sampled_from(["even", "gentle", "sudden"]),
    held=st.booleans(),
)
LANTERN = {"lantern": (0.7, 0.4), "maren": (0.3, 0.5)}


@given(paths, st.floats(-0.5, 1.5))
def test_no_window_shows_anything_beyond_the_picture(path, moment) -> None:
    w = Walked(path, 5.0).at(moment)
    half = 0.5 / w.zoom
    assert w.zoom >= 1
    assert half - 1e-9 <= w.x <= 1 - half + 1e-9 and half - 1e-9 <= w.y <= 1 - half + 1e-9


@given(paths)
def test_a_path_begins_and_ends_where_it_was_drawn(path) -> None:
    plain = Walked(path.model_copy(update={"held": False}), 5.0)
    for moment, frame in ((0.0, path.first), (1.0, path.last)):
        w, wanted = plain.at(moment), frame.window
        assert (w.x, w.y, w.zoom) == pytest.approx((wanted.x, wanted.y, wanted.zoom), abs=1e-6)


@pytest.mark.parametrize("ease", ["even", "gentle", "sudden"])
def test_in_the_middle_of_its_way_its_speed_is_constant_to_the_eye(ease) -> None:
    corner = PathFrame(x=0.6, y=0.5, zoom=1.8)
    path = OwnPath(
        first=PathFrame(), between=[corner], last=PathFrame(x=0.3, y=0.4, zoom=2.4), ease=ease
    )
    windows = [Walked(path, 6.0).at(t / 200) for t in range(201)]
    steps = [apart(a, b) for a, b in pairwise(windows)]
    middle = sorted(steps[88:112])[1:]  # the step around the corner is cut short
    assert middle[-1] / middle[0] < 1.06
    assert steps[0] < sum(steps) / 200 or ease == "sudden"
    assert max(steps[:20]) <= middle[-1] * 1.001


def test_a_hand_moves_a_camera_by_a_few_pixels_and_always_alike() -> None:
    path = OwnPath(first=PathFrame(zoom=1.2), last=PathFrame(zoom=1.2), held=True)
    walked = Walked(path, 8.0, seed=3)
    windows = [walked.at(n / 192) for n in range(193)]
    far = max(math.hypot((w.x - 0.5) * 1920, (w.y - 0.5) * 1080) for w in windows)
    quick = max(math.hypot((a.x - b.x) * 1920, (a.y - b.y) * 1080) for a, b in pairwise(windows))
    assert 2 < far < 14 and quick < 2.5
    assert windows[50] == Walked(path, 8.0, seed=3).at(50 / 192)


def test_words_make_a_path() -> None:
    path = path_told("slow push in on the lantern, then drift left", LANTERN)
    assert path is not None and len(path.between) == 1
    (near,) = path.between
    assert 1.1 < near.zoom / path.first.zoom < 1.3 and path.first.zoom > 1, "room to drift"
    # Nearer to the lantern than the middle of the picture was, as far as the frame's edge allows.
    assert near.x > 0.55 and path.last.x < near.x
    assert (
        path_told("quick push in on Maren", LANTERN).last.zoom
        > path_told("slow push in on Maren", LANTERN).last.zoom
    )
    out = path_told("pull back gently", {})
    assert out.first.zoom > out.last.zoom == 1 and out.ease == "gentle"
    assert path_told("hand-held, push in", {}).held
    assert path_told("she weeps quietly", LANTERN) is None


def test_a_path_is_told_in_words_and_they_make_it_again() -> None:
    path = path_told("push in on the lantern, then drift left", LANTERN)
    words = path_words(path, {"the lantern": LANTERN["lantern"]})
    assert words.startswith("push in to 1.") and "on the lantern" in words and "drift left" in words
    again = path_told(words, LANTERN)
    assert again.last.x == pytest.approx(path.last.x, abs=0.02)
    assert path_words(OwnPath(), {}) == "the camera stands still"


@pytest.mark.parametrize(("start", "end"), [((0.2, 0.5), (0.7, 0.5)), ((0.9, 0.4), (0.1, 0.6))])
def test_a_path_along_keeps_who_goes_in_the_frame(start, end) -> None:
    walked = Walked(path_along(start, end), 4.0)
    for k in range(21):
        window = walked.at(k / 20)
        x = start[0] + (end[0] - start[0]) * k / 20
        half = 0.5 / window.zoom
        assert window.x - half - 1e-9 <= x <= window.x + half + 1e-9
    assert walked.at(0).x != walked.at(1).x
