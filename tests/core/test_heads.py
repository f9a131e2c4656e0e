"""Where heads are in a picture: as is told of joints, else the upper quarter of each figure."""

import pytest

from cutreel.core.film import TakeRow
from cutreel.core.film.heads import HEAD, Head, heads_in, heads_seen
from cutreel.core.motion import path_for


def take(*regions: dict) -> TakeRow:
    about = {"regions": list(regions)}
    return TakeRow("t", 1, 1, "", 1, "", "", "o", "m.png", "m.jpg", (), about, False, 0)


def test_a_head_is_where_its_joint_is() -> None:
    (head,) = heads_in(take({"box": (0.4, 0.2, 0.6, 1.0), "joints": {"head": (0.52, 0.3)}}))
    assert head == pytest.approx(Head(0.52, 0.3 - HEAD * 0.8, 0.3 + HEAD * 0.8))


def test_of_a_figure_cut_off_by_the_frame_the_whole_height_counts() -> None:
    told = {"box": (0.4, 0.2, 0.6, 1.0), "height": 2.0, "joints": {"head": (0.5, 0.4)}}
    (head,) = heads_in(take(told))
    assert head.low - head.top == pytest.approx(2 * HEAD * 2.0)


def test_without_joints_it_is_the_upper_quarter_of_the_figure() -> None:
    (head,) = heads_in(take({"box": (0.2, 0.2, 0.4, 1.0)}))
    assert head == pytest.approx(Head(0.3, 0.2, 0.4))
    assert heads_in(take()) == []


def test_a_camera_that_stands_still_leaves_heads_where_they_are() -> None:
    heads = [Head(0.3, 0.2, 0.4), Head(0.7, 0.5, 0.6)]
    seen = heads_seen(heads, path_for("still", 4.0), 0.0, 1.0)
    assert all(head == pytest.approx(heads[n % 2]) for n, head in enumerate(seen))


def test_a_camera_that_comes_nearer_makes_heads_larger() -> None:
    (head,) = heads = [Head(0.5, 0.4, 0.6)]
    seen = heads_seen(heads, path_for("push", 6.0), 0.0, 1.0)
    heights = [h.low - h.top for h in seen]
    assert heights == sorted(heights) and heights[-1] > 1.3 * (head.low - head.top)
