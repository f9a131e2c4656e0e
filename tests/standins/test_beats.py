"""Beats and bars of music whose notes are known, and pieces brought to a length; measured by mir_eval, the field's own
judge of beats, and by onsets that scorekeepers agree on."""

import io
from functools import lru_cache

import mir_eval
import numpy as np
import pytest
import soundfile

from cutreel.core.sound import RATE, beats_of, fit, fitted
from cutreel.core.sound.beats import FPS, _looked_at, _onsets
from standins.music import compose, play

SECONDS = 70.0
MOODS = ("calm", "warm", "playful", "grand", "sad")


@lru_cache
def piece(mood: str) -> tuple[np.ndarray, float]:
    """A piece in stereo, and the seconds of its beat as they stand in its MIDI file."""
    song = compose(mood, SECONDS, 3).song
    tempo = next(m.tempo for m in song.tracks[0] if m.type == "set_tempo") / 1e6
    data = play(song, SECONDS)
    sound = soundfile.read(io.BytesIO(data), dtype="float32", always_2d=True)[0]
    return np.repeat(sound[:, :1], 2, axis=1) if sound.shape[1] == 1 else sound, tempo


@lru_cache
def heard(mood: str):
    return beats_of(piece(mood)[0])


@pytest.mark.long
@pytest.mark.parametrize("mood", MOODS)
def test_beats_are_where_the_notes_have_them(mood: str) -> None:
    """F-measure within 70 ms (mir_eval.beat), after the first five seconds as is usual there; the tempo within 2 %."""
    _, beat = piece(mood)
    found = heard(mood)
    true = np.arange(0, found.times[-1] + 0.2, beat)
    trimmed = [mir_eval.beat.trim_beats(t) for t in (true, found.times)]
    assert mir_eval.beat.f_measure(*trimmed) > 0.85
    assert found.tempo == pytest.approx(60 / beat, rel=0.02)


@pytest.mark.parametrize("mood", MOODS)
def test_bars_begin_where_the_notes_have_them(mood: str) -> None:
    _, beat = piece(mood)
    found = heard(mood)
    off = (found.times[found.bars] / beat + 2) % 4 - 2
    assert np.median(np.abs(off)) < 0.15


@pytest.mark.parametrize("mood", MOODS)
@pytest.mark.parametrize("wanted", [31.0, 52.0, 100.0])
def test_a_piece_is_brought_to_a_length_and_nothing_is_heard_of_it(
    mood: str, wanted: float
) -> None:
    """It is as long as it is to be, ends as it ends, comes in at most two bars later; and at its seams there is no
    onset within 30 ms but where the piece has one there."""
    sound, beat = piece(mood)
    found = heard(mood)
    how = fit(found, len(sound), round(wanted * RATE))
    made = fitted(sound, how)
    assert len(made) == round(wanted * RATE) and how.seams
    assert how.later < 2 * 4 * beat * RATE
    # A stretch is moved by up to 12 ms to lie best upon the one before.
    assert not made[: max(0, how.later - len(how.seams) * 600)].any()
    np.testing.assert_array_equal(made[-2 * RATE :], sound[-2 * RATE :])
    own, new = _onsets(_looked_at(sound)), _onsets(_looked_at(made))
    for n, seam in enumerate(how.seams):
        at = round((how.later + seam) / RATE * FPS)
        left, came = (round(s / RATE * FPS) for s in (how.stretches[n][1], how.stretches[n + 1][0]))
        there = max(own[left - 6 : left + 7].max(), own[came - 6 : came + 7].max())
        assert new[at - 3 : at + 4].max() <= max(2.0, 1.5 * there)


def test_what_has_no_beats_is_brought_to_a_length_too() -> None:
    """Noise that only swells: it comes in later, or is heard from later on."""
    quiet = np.zeros((20 * RATE, 2), np.float32)
    none = beats_of(quiet)
    assert len(none.times) == 0 and none.tempo == 0
    longer, shorter = fit(none, 20 * RATE, 30 * RATE), fit(none, 20 * RATE, 12 * RATE)
    assert (longer.stretches, longer.later) == (((0, 20 * RATE),), 10 * RATE)
    assert (shorter.stretches, shorter.later) == (((8 * RATE, 20 * RATE),), 0)
    assert len(fitted(quiet, shorter)) == 12 * RATE
