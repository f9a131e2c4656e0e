"""A film of five hundred joins, decoded by FFmpeg: sound and picture are as near each other at its end as at its
beginning, at every frame rate. Frame n of a film is at n / rate seconds (SMPTE ST 12-1 counts frames of 29.97 as
30000/1001 a second)."""

import itertools

import av
import numpy as np
import pytest

from cutreel.core.render import (
    PlannedShot,
    encode_sound_as,
    join,
    make_segment,
    plan_segments,
    planes_of,
)
from cutreel.core.timeline import FrameRate, Join, JoinHow, Span

pytestmark = pytest.mark.thorough

JOINS = 500
HERTZ = 48_000
NEAR = 0.0022
"""Seconds: a click of a millisecond is found within two."""
HOWS = (None, JoinHow(), JoinHow(kind="pattern", pattern="iris"), JoinHow(kind="push"))


def film(rate: FrameRate, path: str) -> list[float]:
    """A film of dark and bright shots; returns when each begins that a straight cut leads to. A click is heard then."""
    lengths = [7 + n % 5 for n in range(JOINS + 1)]
    ends = list(itertools.accumulate(lengths))
    spans = [Span(a, b) for a, b in zip([0, *ends], ends, strict=False)]
    # Every second join is a straight cut: there it can be said to the frame when the picture changes.
    joins = [Join(3, HOWS[n // 2 % len(HOWS)]) if n % 2 else Join(0) for n in range(JOINS + 1)]
    shots = [
        PlannedShot(layers=[(str((n + 1) // 2 % 2), 0.0)], move="still") for n in range(JOINS + 1)
    ]
    flat = {
        str(k): planes_of(np.full((36, 64, 3), level, np.uint8))
        for k, level in enumerate((20, 230))
    }
    plans = plan_segments(shots, spans, joins, [], rate, 64, 36, "film")
    segments = [make_segment(p, lambda name, depth: flat[name]) for _, p in plans]
    cuts = [rate.seconds(spans[n + 1].start) for n in range(0, JOINS, 2)]
    sound = np.zeros((round(rate.seconds(ends[-1]) * HERTZ), 2), np.float32)
    for at in cuts:
        sound[round(at * HERTZ) :][:48] = 0.8
    track = path + ".mka"
    encode_sound_as([sound], HERTZ, "flac", track)
    assert join(segments, track, rate.fraction, path, {}) == ends[-1]
    return cuts


@pytest.mark.long
@pytest.mark.parametrize("named", ["30000/1001", "24"])
def test_sound_never_drifts_over_five_hundred_joins(named: str, tmp_path) -> None:
    rate = FrameRate.parse(named)
    path = str(tmp_path / "film.mp4")
    cuts = film(rate, path)
    with av.open(path) as container:
        frames = [
            (float(f.pts * f.time_base), f.to_ndarray()[:36].mean())
            for f in container.decode(video=0)
        ]
    with av.open(path) as container:
        apart = av.AudioResampler("fltp")
        heard = [
            (float(f.pts * f.time_base), np.abs(f.to_ndarray()).max(0))
            for whole in container.decode(audio=0)
            for f in apart.resample(whole)
        ]
    times, levels = np.array(frames).T
    assert np.abs(times - np.arange(len(times)) / float(rate.fraction)).max() < 1e-4
    # Half-way between dark and bright, at once: a straight cut.
    bright = levels > 125
    seen = times[1:][(bright[1:] != bright[:-1]) & (np.abs(np.diff(levels)) > 150)]
    loud = np.concatenate([level for _, level in heard]) > 0.3
    at = heard[0][0] + np.flatnonzero(loud) / HERTZ
    clicks = at[np.concatenate(([True], np.diff(at) > 0.02))]
    assert len(cuts) == len(clicks) == JOINS // 2
    for cut, click in zip(cuts, clicks, strict=True):
        assert abs(click - cut) < NEAR
        assert np.abs(seen - click).min() < NEAR
