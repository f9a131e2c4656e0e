"""Marks drawn over a picture: where they are, by pixels, with the camera at rest and on the move; drawn stroke by stroke."""

import numpy as np
import pytest

from cutreel.core.marks import DRAWN, MARK_KINDS, Mark, strokes_of
from cutreel.core.motion import Window, layer_zoom, path_for
from cutreel.core.render import PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.compositor import MARKS_AT
from cutreel.core.render.marking import Marks

W, H = 320, 180
GREY = planes_of(np.full((H * 2, W * 2, 3), 120, np.uint8))


def blank() -> tuple[np.ndarray, ...]:
    return tuple(
        np.full(s, v, np.uint8)
        for s, v in (((H, W), 118), ((H // 2, W // 2), 128), ((H // 2, W // 2), 128))
    )


def red(
    marks: list[Mark], seconds: float = 9.0, window: Window = Window(0.5, 0.5, 1.0)
) -> np.ndarray:
    """Which places of the half planes are red."""
    frame = blank()
    Marks(marks, W, H).lay(frame, window, seconds)
    return frame[2] > 165


def middle(there: np.ndarray) -> tuple[float, float]:
    ys, xs = np.nonzero(there)
    return (xs.min() + xs.max()) / 2 / (W // 2), (ys.min() + ys.max()) / 2 / (H // 2)


@pytest.mark.parametrize("kind", DRAWN)
def test_a_mark_is_where_it_was_put_and_as_large_as_it_says(kind) -> None:
    there = red([Mark(kind=kind, x=0.4, y=0.6, size=0.4, turn=0)])
    ys, xs = np.nonzero(there)
    wide = (xs.max() - xs.min()) / (W // 2) * W / H
    assert there.sum() > 20 and 0.2 < wide < 0.6
    if kind == "arrow":  # its tip is at the place, and it comes from the right
        assert xs.min() / (W // 2) == pytest.approx(0.4, abs=0.03) and np.median(ys) / (
            H // 2
        ) == pytest.approx(0.6, abs=0.06)
    else:
        assert middle(there) == pytest.approx((0.4, 0.6), abs=0.05)


def test_marks_come_stroke_by_stroke_and_stay() -> None:
    ring = Mark(kind="ring", size=0.5, begin=1.0)
    counts = [red([ring], s).sum() for s in (0.9, 1.2, 1.5, 2.5, 9.0)]
    assert counts[0] == 0 and 0 < counts[1] < counts[2] < counts[3] == counts[4]
    cross = Mark(kind="cross", size=0.5, begin=0.0)
    assert 0.3 < red([cross], 0.25).sum() / red([cross]).sum() < 0.75


@pytest.mark.thorough
def test_a_mark_keeps_to_its_place_in_the_picture() -> None:
    """By the camera's formula: at a window (x, y, zoom) a place p is seen at (p - (x, y)) zoom + 1/2."""
    mark = Mark(kind="cross", x=0.3, y=0.6, size=0.2)
    window = Window(0.4, 0.55, 1.5)
    assert middle(red([mark], window=window)) == pytest.approx(
        ((0.3 - 0.4) * 1.5 + 0.5, (0.6 - 0.55) * 1.5 + 0.5), abs=0.02
    )
    beyond = red([Mark(kind="ring", x=0.0, y=0.0, size=0.6)])
    assert beyond[0].any() or beyond[:, 0].any(), "at the edge it is cut off, not lost"
    assert not red([mark], window=Window(0.9, 0.1, 5.0)).any()


def test_marks_are_drawn_in_a_film_and_move_with_its_camera() -> None:
    mark = Mark(kind="cross", x=0.75, y=0.5, size=0.3, begin=0.0)
    shot = PlannedShot(layers=[("a", 0.0)], move="push", marks=[mark])
    assert shot.moves_by_itself
    scene = Scene(shot=shot, at=0, life=96, seconds=4.0)
    plan = SegmentPlan(width=W, height=H, fps="24", quality="preview", frames=96, one=scene)
    found = [f[2].copy() > 165 for f in frames_of(plan, lambda name, depth: GREY)]
    path = path_for("push", 4.0)
    for at in (30, 95):
        window = layer_zoom(path.at(at / 95), MARKS_AT)
        assert middle(found[at])[0] == pytest.approx(
            (0.75 - window.x) * window.zoom + 0.5, abs=0.02
        )


def test_hands_waver_but_end_where_they_meant_to() -> None:
    for kind in MARK_KINDS:
        strokes = strokes_of(Mark(kind=kind, size=0.4))
        assert strokes == strokes_of(Mark(kind=kind, size=0.4))
    tip = strokes_of(Mark(kind="arrow", size=0.4))[0][-1]
    assert np.hypot(*tip) < 0.02


def test_what_is_blurred_cannot_be_made_out_and_the_rest_stays() -> None:
    """Stripes under a blur lose their contrast (RMS, Peli 1990); beyond it not a pixel changes."""
    frame = blank()
    frame[0][:, ::8] = 235
    before = frame[0].copy()
    mark = Mark(kind="blur", x=0.5, y=0.5, size=0.4, begin=0.0)
    Marks([mark], W, H).lay(frame, Window(0.5, 0.5, 1.0), 3.0)
    rows, columns = np.ogrid[:H, :W]
    far = np.hypot(rows + 0.5 - H / 2, columns + 0.5 - W / 2) / (0.2 * H)
    assert frame[0][far < 0.8].std() < 0.12 * before[far < 0.8].std()
    assert (frame[0][far > 1.2] == before[far > 1.2]).all()
    early = blank()
    Marks([mark.model_copy(update={"begin": 1.0})], W, H).lay(early, Window(0.5, 0.5, 1.0), 0.9)
    assert all((a == b).all() for a, b in zip(early, blank(), strict=True))
    # Beyond the frame, and at its edge, it is cut off.
    for x in (-0.1, 0.0, 1.0):
        at = Mark(kind="blur", x=max(0, x), y=0.0, size=0.6, begin=0.0)
        Marks([at], W, H).lay(frame, Window(0.5 - x, 0.5, 2.0), 3.0)
