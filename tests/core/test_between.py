"""In-betweens of slowed clips, against the frames that were left out, and against FFmpeg's `minterpolate`; and a
second angle where a clip is too short."""

import io
import itertools
import subprocess
from collections.abc import Sequence
from fractions import Fraction
from pathlib import Path

import av
import numpy as np
import pytest
from numpy.typing import NDArray
from scipy.ndimage import gaussian_filter

from cutreel.core.motion import fit_clip
from cutreel.core.render.between import is_same_drawing, ways_between
from cutreel.core.render.footage import FootageLayer, footage_layer
from cutreel.core.render.planes import Planes, planes_of
from cutreel.core.timeline import Footage, SecondAngle

pytestmark = pytest.mark.thorough

HIGH, WIDE = 270, 480
U8 = NDArray[np.uint8]


def ground(seed: int = 4) -> NDArray[np.float64]:
    noise = np.random.default_rng(seed).standard_normal((HIGH, WIDE))
    soft = gaussian_filter(noise, 5)
    return 120 + soft / soft.std() * 28


def scene(moment: float) -> U8:
    """A disc with a pattern of its own goes over ground that stands."""
    y, x = np.mgrid[0:HIGH, 0:WIDE].astype(float)
    cy, cx = 130 + 18 * moment, 120 + 44 * moment
    inside = np.clip(60 - np.hypot(y - cy, x - cx), 0, 1)
    own = 150 + 40 * np.sin((x - cx) / 6) * np.cos((y - cy) / 7)
    grey = ground() * (1 - inside) + own * inside
    return np.repeat(np.clip(grey, 0, 255).astype(np.uint8)[..., None], 3, 2)


def clip_of(pictures: Sequence[U8], rate: int) -> bytes:
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as target:
        stream = target.add_stream("libx264", rate=rate)
        stream.height, stream.width = pictures[0].shape[:2]
        stream.pix_fmt = "yuv420p"
        stream.codec_context.options = {"g": "12", "bf": "0", "crf": "4"}
        stream.codec_context.color_range, stream.codec_context.colorspace = 1, 1
        for n, picture in enumerate(pictures):
            frame = av.VideoFrame.from_ndarray(picture, "rgb24")
            frame.pts, frame.time_base = n, Fraction(1, rate)
            for packet in stream.encode(frame):
                target.mux(packet)
        for packet in stream.encode():
            target.mux(packet)
    return out.getvalue()


def level(one: U8, other: U8) -> float:
    """Peak signal to noise ratio in decibels (the usual definition)."""
    apart = one.astype(float) - other
    return float(10 * np.log10(255**2 / max(1e-9, (apart**2).mean())))


def layer_of(pictures: Sequence[U8], seconds: float, how: str | None = None) -> FootageLayer:
    """A clip at 12 frames a second in a shot of so many seconds."""
    fit = fit_clip(len(pictures) / 12, seconds, how)
    return FootageLayer(clip_of(pictures, 12), len(pictures), 12.0, fit)


@pytest.mark.long
def test_an_in_between_is_nearer_to_what_was_there_than_any_frame_or_mixture() -> None:
    pictures = [scene(n / 6) for n in range(12)]
    layer = layer_of(pictures, 2.0)
    for n in (3, 7, 9):
        truth = planes_of(scene((n + 0.5) / 6)).y
        before, after = (planes_of(pictures[n + k]).y for k in (0, 1))
        seen = layer.drawing((n + 0.5) / 6).y
        mixed = ((before.astype(int) + after) // 2).astype(np.uint8)
        others = max(level(p, truth) for p in (before, after, mixed))
        assert level(seen, truth) > others + 4


@pytest.mark.long
def test_in_betweens_are_as_near_as_those_of_ffmpeg(tmp_path: Path) -> None:
    pictures = [scene(n / 6) for n in range(12)]
    (tmp_path / "in.mp4").write_bytes(clip_of(pictures, 12))
    subprocess.run(
        ["ffmpeg", "-v", "error", "-i", str(tmp_path / "in.mp4"), "-vf", "minterpolate=fps=24:mi_mode=mci", "-f", "rawvideo", "-pix_fmt", "gray", str(tmp_path / "out.raw")],
        check=True,
    )  # fmt: skip
    theirs = np.fromfile(tmp_path / "out.raw", np.uint8).reshape(-1, HIGH, WIDE).astype(float)
    layer = layer_of(pictures, 2.0)
    ours, other = [], []
    for n in range(3, 9):
        truth = planes_of(scene((n + 0.5) / 6)).y
        ours.append(level(layer.drawing((n + 0.5) / 6).y, truth))
        # Their frames are full range; which one stands for the moment is found, so that no delay counts against it.
        near = [np.rint(16 + t * 219 / 255).astype(np.uint8) for t in theirs[2 * n - 1 : 2 * n + 4]]
        other.append(max(level(t, truth) for t in near))
    assert np.mean(ours) > np.mean(other) - 3


def test_what_stands_stays_the_very_same_and_what_is_far_away_is_found() -> None:
    one = planes_of(scene(0.0))
    ways = ways_between(one, one)
    assert ways is not None
    assert np.abs(ways.at(0.5).y.astype(int) - one.y).max() <= 1
    moved = planes_of(np.roll(scene(0.3), (14, -36), (0, 1)))
    ways = ways_between(planes_of(scene(0.3)), moved)
    assert ways is not None
    inner = ways.ways[4:-4, 7:-7]
    assert np.median(inner[..., 0]) == pytest.approx(14, abs=0.5)
    assert np.median(inner[..., 1]) == pytest.approx(-36, abs=0.5)


def test_over_a_cut_within_a_clip_nothing_is_made_up() -> None:
    bright = np.repeat(np.clip(ground(9)[..., None] * 0.5 + 130, 0, 255).astype(np.uint8), 3, 2)
    pictures = [scene(0.0), scene(0.1), scene(0.2), bright, bright, bright]
    layer = layer_of(pictures, 1.0)
    seen = layer.drawing(2.5 / 6).y
    assert level(seen, planes_of(pictures[2]).y) > 35


def test_what_is_drawn_on_twos_stays_so() -> None:
    """A clip at 24 frames a second with twelve drawings, at half its speed: twelve drawings a second again."""
    drawings = [scene(n / 8) for n in range(12)]
    pictures = [drawings[n // 2] for n in range(24)]
    data = clip_of(pictures, 24)
    layer = FootageLayer(data, 24, 24.0, fit_clip(1.0, 2.0))
    seen = [layer.drawing(n / 24 + 1e-3) for n in range(4, 40)]
    changes = [not is_same_drawing(a, b) for a, b in itertools.pairwise(seen)]
    assert 15 <= sum(changes) <= 19
    steps = FootageLayer(data, 24, 24.0, fit_clip(1.0, 2.0, "steps"))
    stepped = [steps.drawing(n / 24 + 1e-3) for n in range(4, 40)]
    assert sum(not is_same_drawing(a, b) for a, b in itertools.pairwise(stepped)) <= 10


def flat(grey: int, count: int = 12) -> bytes:
    return clip_of([np.full((HIGH, WIDE, 3), grey, np.uint8)] * count, 12)


def test_a_short_clip_is_followed_by_another_of_the_shot() -> None:
    files = {"a.mp4": flat(60), "b.mp4": flat(200)}
    told = Footage(
        media="a.mp4", frames=12, rate=12.0, then=SecondAngle(media="b.mp4", frames=12, rate=12.0)
    )
    assert told.fit(3.0).how == "second angle", "by rule, since the shot is three times as long"
    assert told.fit(1.2).how == "speed"
    layer = footage_layer(told, 3.0, files.__getitem__)
    shown = [
        round((float(layer.drawing(t).y.mean()) - 16) * 255 / 219) for t in (0.0, 0.95, 1.05, 2.9)
    ]
    assert [abs(a - b) < 4 for a, b in zip(shown, (60, 60, 200, 200), strict=True)] == [True] * 4


def test_without_another_clip_it_is_the_same_seen_nearer() -> None:
    files = {"a.mp4": clip_of([scene(n / 12) for n in range(12)], 12)}
    again = SecondAngle(media="a.mp4", frames=12, rate=12.0, around=(0.8, 0.5))
    told = Footage(media="a.mp4", frames=12, rate=12.0, how="second angle", then=again)
    layer = footage_layer(told, 2.5, files.__getitem__)
    first, second = layer.drawing(0.2), layer.drawing(1.4)
    assert isinstance(first, Planes)
    assert first.y.shape == (HIGH, WIDE)
    assert second.y.shape[1] == pytest.approx(WIDE / 1.45, abs=2)
    assert second.y.shape[1] / second.y.shape[0] == pytest.approx(WIDE / HIGH, rel=0.02)
