"""Cuts that move to beats: within four frames, never into a word, in their order; and music with rests in it."""

import random
from itertools import pairwise

import numpy as np
import pytest

from cutreel.core.film.resting import COMES_BACK, RINGS, outside
from cutreel.core.timeline import FrameRate, SoundClip, Span, Timing, snapped
from cutreel.core.timeline.snapping import NEAR

RATE = FrameRate.parse("24")


def timing(words: list[tuple[float, float]]) -> Timing:
    return Timing(np.array(words), [], [], words[-1][1] + 1.0)


def cut_at(*starts: int, end: int) -> list[Span]:
    return [Span(a, b) for a, b in pairwise([*starts, end])]


WORDS = [(0.1, 0.5), (0.6, 1.4), (2.2, 2.6), (2.7, 3.5), (4.4, 5.0)]


def test_a_cut_in_a_silence_goes_to_the_beat_in_it() -> None:
    spans = cut_at(0, 50, 103, end=150)
    moved = snapped(spans, [0, 2, 4], timing(WORDS), RATE, [47 / 24, 100 / 24])
    assert [s.start for s in moved] == [0, 47, 100]
    assert moved[-1].end == 150


def test_it_stays_where_no_beat_is_near_or_a_word_is_in_the_way() -> None:
    spans = cut_at(0, 50, 103, end=150)
    assert snapped(spans, [0, 2, 4], timing(WORDS), RATE, [44 / 24, 110 / 24]) == spans
    tight = [(0.1, 0.5), (0.6, 2.05), (2.12, 2.6), (2.7, 3.5), (4.4, 5.0)]
    moved = snapped(spans, [0, 2, 4], timing(tight), RATE, [47 / 24, 53 / 24])
    assert moved[1].start == 50
    assert snapped(spans, [0, 2, 4], timing(WORDS), RATE, [47 / 24], {1}) == spans
    assert snapped([], [], timing(WORDS), RATE, [1.0]) == []


@pytest.mark.parametrize("seed", range(30))
def test_shots_keep_their_order_and_their_words(seed: int) -> None:
    chance = random.Random(seed)
    words, at = [], 0.2
    for _ in range(60):
        words.append((at, at + chance.uniform(0.1, 0.6)))
        at = words[-1][1] + chance.choice([0.02, 0.02, 0.3, 0.8])
    told = timing(words)
    opens = sorted({0, *chance.sample(range(1, 60), 14)})
    starts = [0]
    for first in opens[1:]:
        starts.append(max(starts[-1] + 1, RATE.frames(words[first][0] - 0.04)))
    spans = cut_at(*starts, end=RATE.frames(told.seconds))
    beats = list(np.arange(0, told.seconds, 60 / 112))
    moved = snapped(spans, opens, told, RATE, beats)
    for before, now, first in zip(spans[1:], moved[1:], opens[1:], strict=True):
        assert now.frames >= 1
        assert abs(now.start - before.start) <= NEAR
        if now.start != before.start:
            assert RATE.seconds(now.start) > words[first - 1][1]
            assert now.start <= RATE.frames(words[first][0])
            assert min(abs(now.start - RATE.frames(b)) for b in beats) == 0
    assert all(a.end == b.start for a, b in pairwise(moved))


def clip(**more) -> SoundClip:
    return SoundClip("music", 10.0, "m.flac", fade_in=0.4, **more)


def test_music_rings_out_into_a_rest_and_is_there_again_behind_it() -> None:
    first, second = outside(clip(), 50.0, 40.0, [(20.0, 26.0)])
    assert (first.start, first.cut) == (10.0, (0, round((10 + RINGS) * 48_000)))
    assert first.fade_out == pytest.approx(RINGS) and first.fade_in == 0.4
    assert (second.start, second.cut) == (26.0, (16 * 48_000, 40 * 48_000))
    assert second.fade_in == COMES_BACK
    assert first.whole == second.whole == (0, 40 * 48_000)


def test_rests_at_the_ends_and_over_all_of_it() -> None:
    (late,) = outside(clip(), 50.0, 40.0, [(5.0, 14.0)])
    assert late.start == 14.0
    (early,) = outside(clip(), 50.0, 40.0, [(44.0, 60.0)])
    assert early.cut == (0, round((34 + RINGS) * 48_000))
    assert outside(clip(), 50.0, 40.0, [(0.0, 60.0)]) == []
    (whole,) = outside(clip(), 50.0, 40.0, [(20.0, 20.5)])
    assert whole.cut == (0, 40 * 48_000)


def test_what_is_repeated_begins_anew_behind_a_rest() -> None:
    first, second = outside(clip(loop_to=900.0), 900.0, 600.0, [(300.0, 310.0)])
    assert first.loop_to == 300.0 + RINGS and second.loop_to == 900.0
    assert second.start == 310.0 and second.cut is None
