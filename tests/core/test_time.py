"""Frames, timecode, shots in time, captions, camera paths."""

import io
import itertools
import math
from itertools import pairwise

import numpy as np
import pysubs2
import pytest
import webvtt
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.breakdown import Wish, break_down
from cutreel.core.captions import captions_of, to_srt, to_vtt
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read, words_text
from cutreel.core.motion import MOVES, layer_zoom, path_for
from cutreel.core.sound import match_words
from cutreel.core.speech import over_told
from cutreel.core.timeline import (
    FrameRate,
    LineSound,
    Rests,
    Span,
    cut_points,
    lay_out,
    stretches,
    timecode,
)
from tests.conftest import STORY

SCRIPT = read(STORY)
LINES = [(line.first, line.end) for line in SCRIPT.lines]
TIMING = lay_out(SCRIPT.words, LINES, {})


@pytest.mark.parametrize(
    ("frame", "rate", "wanted"),
    [
        # SMPTE ST 12-1, drop-frame at 30000/1001.
        (1799, "30000/1001", "00:00:59;29"),
        (1800, "30000/1001", "00:01:00;02"),
        (17981, "30000/1001", "00:09:59;29"),
        (17982, "30000/1001", "00:10:00;00"),
        (107892, "30000/1001", "01:00:00;00"),
        (0, "24", "00:00:00:00"),
        (24 * 3600, "24", "01:00:00:00"),
        (59, "60", "00:00:00:59"),
        (1500, "25", "00:01:00:00"),
    ],
)
def test_timecode(frame: int, rate: str, wanted: str) -> None:
    assert timecode(frame, FrameRate.parse(rate)) == wanted


def test_drop_frame_numbers_never_repeat() -> None:
    rate = FrameRate.parse("30000/1001")
    codes = [timecode(f, rate) for f in range(20_000)]
    assert len(set(codes)) == len(codes) and codes == sorted(codes)


def test_unknown_rates_are_refused() -> None:
    with pytest.raises(BadInput):
        FrameRate.parse("29.97")


def test_measured_lines_bring_their_own_times() -> None:
    first, end = LINES[0]
    sound = LineSound(9.0, tuple((i * 0.2, i * 0.2 + 0.1) for i in range(end - first)))
    timing = lay_out(SCRIPT.words, LINES, {0: sound})
    assert timing.measured[0] and not timing.measured[1]
    assert timing.words[1, 0] == pytest.approx(timing.lines[0] + 0.2)
    assert timing.lines[1] > timing.lines[0] + 9.0
    assert np.all(np.diff(timing.words[:, 0]) > 0)


@pytest.mark.parametrize("rate", ["24", "25", "30000/1001", "60"])
def test_shots_tile_the_film_and_start_with_their_words(rate: str) -> None:
    r = FrameRate.parse(rate)
    opens = break_down(SCRIPT, Wish(seconds=4))
    spans = cut_points(opens, TIMING, r)
    assert spans[0].start == 0 and all(a.end == b.start for a, b in itertools.pairwise(spans))
    assert r.seconds(spans[-1].end) == pytest.approx(TIMING.seconds, abs=0.6 / float(r.fraction))
    for first, span in list(zip(opens, spans, strict=True))[1:]:
        start = r.seconds(span.start)
        assert TIMING.words[first - 1, 1] - 0.03 <= start <= TIMING.words[first, 0] + 0.03


@pytest.mark.thorough
@settings(max_examples=200)
@given(st.lists(st.integers(1, 300), min_size=1, max_size=20), st.integers(0, 120))
def test_stretches_cover_every_frame_once(lengths: list[int], wanted: int) -> None:
    ends = list(itertools.accumulate(lengths))
    spans = [Span(a, b) for a, b in zip([0, *ends], ends, strict=False)]
    plan = stretches(spans, [wanted] * len(spans))
    frames = [f for s in plan for f in range(s.start, s.end)]
    assert frames == list(range(ends[-1]))
    for s in plan:
        if s.to is not None:
            cut = spans[s.shot].end
            assert (
                cut - s.start
                == s.end - cut
                <= min(spans[s.shot].frames, spans[s.to].frames) / 4 + 1e-9
            )


def test_captions_hold_every_word_once_in_short_lines() -> None:
    """DCMP Captioning Key (from memory): two lines at most, about 1.3 to 6 s."""
    captions = captions_of(SCRIPT.words, TIMING.words)
    assert [i for c in captions for i in range(c.first, c.last)] == list(range(len(SCRIPT.words)))
    for c, after in itertools.pairwise(captions):
        assert 1 <= len(c.lines) <= 2 and all(len(line) <= 30 for line in c.lines)
        assert c.start < c.end <= after.start + 1e-9
        assert c.end - c.start < 6.5
        assert " ".join(c.lines).split() == words_text(SCRIPT.words[c.first : c.last]).split()
    brief = [c for c in captions if c.end - c.start < 1.0]
    assert len(brief) < len(captions) * 0.1


def test_a_word_longer_than_a_line_is_still_captioned() -> None:
    script = read(
        "Donaudampfschifffahrtselektrizitätenhauptbetriebswerkbauunterbeamtengesellschaft sank."
    )
    captions = captions_of(script.words, np.array([[0.0, 3.0], [3.1, 3.6]]))
    assert all(len(line) <= 30 for c in captions for line in c.lines)


def test_caption_files_are_read_back_by_others() -> None:
    """SubRip by pysubs2, W3C WebVTT by webvtt-py."""
    captions = captions_of(SCRIPT.words, TIMING.words)
    subs = pysubs2.SSAFile.from_string(to_srt(captions), format_="srt")
    assert [e.plaintext for e in subs] == ["\n".join(c.lines) for c in captions]
    assert [e.start / 1000 for e in subs] == pytest.approx([c.start for c in captions], abs=0.0006)
    cues = list(webvtt.from_buffer(io.StringIO(to_vtt(captions))))
    assert [c.text for c in cues] == ["\n".join(c.lines) for c in captions]
    assert "&amp;" in to_vtt(captions_of(read("Salt & water.").words, np.array([[0, 1], [1, 2.0]])))


@pytest.mark.parametrize("move", MOVES)
@pytest.mark.parametrize("seconds", [0.5, 3.0, 12.0])
def test_the_camera_never_shows_an_edge(move, seconds: float) -> None:
    path = path_for(move, seconds, (0.9, 0.1))
    for i in range(101):
        for window in (path.at(i / 100), layer_zoom(path.at(i / 100), 1.0)):
            half = 0.5 / window.zoom
            assert (
                window.zoom >= 1
                and half - 1e-9 <= window.x <= 1 - half + 1e-9
                and half - 1e-9 <= window.y <= 1 - half + 1e-9
            )


def test_a_push_looks_equally_fast_all_the_way() -> None:
    """The zoom's logarithm grows evenly between the eased ends; common practice: from 1.00 to 1.30."""
    path = path_for("push", 8.0)
    assert path.at(0).zoom == pytest.approx(1.0) and path.at(1).zoom == pytest.approx(1.3)
    zooms = [path.at(0.1 + 0.8 * i / 50).zoom for i in range(51)]
    steps = [math.log(b / a) for a, b in itertools.pairwise(zooms)]
    assert max(steps) == pytest.approx(min(steps), rel=1e-6)


def test_layers_move_apart_with_depth() -> None:
    window = path_for("push", 8.0).at(1)
    assert window.zoom < layer_zoom(window, 0.5).zoom < layer_zoom(window, 1.0).zoom


def test_words_are_matched_to_what_was_spoken() -> None:
    spoken = [("the", 0.0, 0.2), ("lamp", 0.2, 0.6), ("went", 0.7, 0.9), ("dark", 1.0, 1.5)]
    assert match_words(["“The", "lamp", "went", "dark.”"], spoken, 1.5)[3] == (1.0, 1.5)
    times = match_words(["The", "old", "lamp", "dark"], spoken, 1.5)
    assert times[0] == (0.0, 0.2) and times[2] == (0.2, 0.6) and times[3] == (1.0, 1.5)
    assert all(b >= a for a, b in times) and len(times) == 4
    assert match_words(["um", "so"], [], 1.0) == [(0.0, 0.5), (0.5, 1.0)]


BROKEN_OFF = (
    "“But you never—”\n\n“Never what?” asked Bram.\n\n“You know it,” said Ada. “I never—” she said."
)


def test_who_is_broken_off_is_spoken_over_and_nobody_else() -> None:
    text = f"“Stay,” said Ada to Bram.\n\n“No,” said Bram.\n\n{BROKEN_OFF}"
    script = read(text)
    told = [over_told(script, a, b) for a, b in pairwise(script.lines)]
    over = [script.words[b.first].text for b, o in zip(script.lines[1:], told, strict=True) if o]
    assert over == ["“Never"], "not the teller who goes on, and nobody over themselves"


@given(st.floats(0, 2), st.floats(0.3, 4), st.floats(0.3, 4))
def test_lines_over_each_other_keep_their_words_in_order(over, one, other) -> None:
    script = read("“But you never—”\n\n“Never what?”\n\nNobody answered.")
    lines = [(line.first, line.end) for line in script.lines]
    sounds = {
        n: LineSound(seconds, tuple(_even(end - first, seconds)))
        for (n, (first, end)), seconds in zip(enumerate(lines[:2]), (one, other), strict=True)
    }
    timing = lay_out(script.words, lines, sounds, {}, None, [0, over, 0])
    apart = lay_out(script.words, lines, sounds)
    assert (np.diff(timing.words[:, 0]) >= -1e-9).all()
    assert (timing.words[:, 1] >= timing.words[:, 0] - 1e-9).all()
    end_of_one = timing.lines[0] + one
    if over:
        early = end_of_one - timing.lines[1]
        assert early == pytest.approx(min(over, one / 2))
    # The third waits until both have ended.
    assert timing.lines[2] > max(end_of_one, timing.lines[1] + other)
    assert timing.seconds <= apart.seconds + 1e-9


def _even(count: int, seconds: float) -> list[tuple[float, float]]:
    edges = np.linspace(0, seconds, count + 1)
    return [(float(a), float(b)) for a, b in pairwise(edges)]


def test_silences_are_as_long_as_they_are_set_and_else_as_usual() -> None:
    script = read("One went. Two went.\n\nThree went.\n\n# A place\n\nFour went.")
    lines = [(line.first, line.end) for line in script.lines]
    usual = lay_out(script.words, lines, {})
    rests = Rests(paragraph=2.0, scene=5.0, before=3.0, behind=4.0)
    timing = lay_out(script.words, lines, {}, rests=rests)
    gaps = [timing.words[b, 0] - timing.words[b - 1, 1] for _, b in lines[:-1]]
    assert gaps == pytest.approx([2.0, 5.0])
    assert timing.words[0, 0] == pytest.approx(3.0)
    assert timing.seconds - timing.words[-1, 1] == pytest.approx(4.0)
    one = lay_out(script.words, lines, {}, rests=Rests(scene=5.0))
    assert one.words[:6] == pytest.approx(usual.words[:6])
