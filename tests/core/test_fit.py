"""Clips fitted to their shots, and the frame of a clip that is seen when."""

import io
from fractions import Fraction
from itertools import pairwise

import av
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.motion import fit_clip, path_for
from cutreel.core.render import Compositor, Shown
from cutreel.core.render.footage import FootageLayer

lengths = st.floats(0.5, 60)


@given(lengths, lengths)
def test_a_clip_fills_its_shot_and_nothing_beyond_its_ends_is_asked_for(clip, shot) -> None:
    for how in (None, "speed", "hold", "back and forth", "cut"):
        fit = fit_clip(clip, shot, how)
        seen = [fit.at(shot * n / 20) for n in range(-2, 21)]
        assert all(0 <= s <= clip + 1e-9 for s in seen) and seen[0] == 0
        if how is None:
            assert fit.how == (
                "speed" if 0.5 <= clip / shot <= 2 else "cut" if clip > shot else "hold"
            )
        if fit.how == "speed" and 0.52 <= clip / shot <= 1.95:
            assert fit.at(shot) == pytest.approx(clip, rel=0.021), "it ends with the shot"


def test_how_it_is_fitted_is_said() -> None:
    # Source: product.md: a clip is five seconds long and its line takes 4.5, so it plays at 1.11.
    assert fit_clip(5.0, 4.5).why == "5.0 s for 4.5 s: plays at 1.11"
    assert fit_clip(5.0, 5.0).why == "as it is, 5.0 s for 5.0 s"
    assert "held" in fit_clip(2.0, 9.0).why and "cut off" in fit_clip(20.0, 4.0).why


def test_back_and_forth_has_no_jump() -> None:
    fit = fit_clip(2.0, 9.0, "back and forth")
    seen = [fit.at(n / 24) for n in range(216)]
    assert max(abs(a - b) for a, b in pairwise(seen)) < 1 / 24 + 1e-6
    assert fit.at(2.0) == 2.0 and fit.at(4.0) == 0.0 and fit.at(3.0) == 1.0


@pytest.fixture(scope="module")
def clip() -> bytes:
    """Two seconds at 12 frames a second; each frame is brighter than the one before."""
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as target:
        stream = target.add_stream("libx264", rate=12)
        stream.width, stream.height, stream.pix_fmt = 320, 180, "yuv420p"
        stream.codec_context.options = {"g": "12", "bf": "0", "crf": "8"}
        for n in range(24):
            frame = av.VideoFrame.from_ndarray(
                np.full((180, 320, 3), 10 + n * 9, np.uint8), "rgb24"
            )
            frame.pts, frame.time_base = n, Fraction(1, 12)
            for packet in stream.encode(frame):
                target.mux(packet)
        for packet in stream.encode():
            target.mux(packet)
    return out.getvalue()


def brightness(layer: FootageLayer, seconds: float) -> float:
    desk = Compositor(320, 180)
    out = desk.new_frame()
    desk.draw(Shown([layer], path_for("still", 4.0), 240), round(seconds * 24), out)
    return (float(out[0].mean()) - 16) * 255 / 219


def test_frames_of_a_clip_are_shown_at_their_time_in_any_order(clip) -> None:
    layer = FootageLayer(clip, 24, 12.0, fit_clip(2.0, 2.0))
    for seconds in (0.0, 0.5, 1.0, 1.9, 0.25, 1.5, 0.0):
        wanted = 10 + 9 * min(23, round(seconds * 24) // 2)
        assert brightness(layer, seconds) == pytest.approx(wanted, abs=3), seconds
    alone = FootageLayer(clip, 24, 12.0, fit_clip(2.0, 2.0))
    assert brightness(alone, 1.5) == brightness(layer, 1.5), "a frame can be drawn alone"


def test_a_slower_clip_shows_each_frame_longer_and_a_held_one_its_last(clip) -> None:
    slow = FootageLayer(clip, 24, 12.0, fit_clip(2.0, 4.0))
    assert brightness(slow, 2.0) == pytest.approx(10 + 9 * 12, abs=3)
    held = FootageLayer(clip, 24, 12.0, fit_clip(2.0, 8.0))
    assert brightness(held, 7.5) == pytest.approx(10 + 9 * 23, abs=3)


def test_a_clip_is_slid_within_its_shot() -> None:
    """From a later second of it on, or begun later; what is left of it fills what is left of the shot."""
    early = fit_clip(8.0, 4.0, "cut", 3.0)
    assert [early.at(t) for t in (0, 1, 4)] == [3.0, 4.0, 7.0] and "second 3.0" in early.why
    late = fit_clip(3.0, 5.0, "hold", -1.5)
    assert [late.at(t) for t in (0, 1.5, 2.5, 5)] == [
        0.0,
        0.0,
        1.0,
        3.0,
    ] and "1.5 s later" in late.why
    # 6 of 8 seconds are left for 4: by rule half as quick again.
    assert fit_clip(8.0, 4.0, None, 2.0).speed == 1.5
    turning = fit_clip(4.0, 9.0, "back and forth", 2.0)
    assert [turning.at(t) for t in (0, 2, 4, 5)] == [2.0, 4.0, 2.0, 3.0]


@given(lengths, lengths, st.floats(-90, 90))
def test_however_far_a_clip_is_slid_it_stays_within_its_ends(clip, shot, slid) -> None:
    for how in (None, "speed", "hold", "back and forth", "cut"):
        fit = fit_clip(clip, shot, how, slid)
        assert all(0 <= fit.at(shot * n / 20) <= clip + 1e-9 for n in range(-2, 21))
        assert fit_clip(clip, shot, how, 0.0) == fit_clip(clip, shot, how)
