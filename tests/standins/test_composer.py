"""What the composer writes for a score: read back by mido, and heard by onsets of the played sound (SciPy, spectral flux)."""

import io
from functools import lru_cache
from itertools import pairwise

import mido
import numpy as np
import pytest
import soundfile
from scipy.signal import stft

from standins.music import FAMILIES, MOODS, Score, compose, play
from standins.music.bars import BEND, lay_bars
from standins.music.tunes import tune_of, varied

FRAME = 1 / 24
HITS = (9.37, 21.02, 33.5)


def notes(song: mido.MidiFile, channel: int) -> list[tuple[float, int, int]]:
    """When each note of a channel is struck, in seconds as mido counts them; its pitch; how hard."""
    at, out = 0.0, []
    for message in song:
        at += message.time
        if message.type == "note_on" and message.channel == channel:
            out.append((at, message.note, message.velocity))
    return out


@pytest.mark.parametrize("mood", list(MOODS))
def test_a_bar_begins_with_every_hit_within_a_frame(mood: str) -> None:
    made = compose(mood, 50.0, 4, Score(hits=HITS))
    assert made.bars.met == HITS
    bass = [at for at, _, _ in notes(made.song, 2)]
    for hit in HITS:
        assert min(abs(at - hit) for at in bass) < FRAME / 2


@pytest.mark.parametrize("mood", ["calm", "tense"])
def test_hits_are_heard_where_they_are_asked_for(mood: str) -> None:
    """The strongest onset of the sound within a third of a second is at the hit."""
    made = compose(mood, 40.0, 4, Score(hits=HITS[:2]))
    data = play(made.song, 40.0)
    sound = soundfile.read(io.BytesIO(data), always_2d=True)[0].mean(axis=1)
    hop = 240
    _, times, spectrum = stft(sound, 48_000, nperseg=1024, noverlap=1024 - hop)
    flux = np.maximum(0, np.diff(np.log1p(100 * np.abs(spectrum)), axis=1)).sum(axis=0)
    for hit in HITS[:2]:
        near = np.abs(times[1:] - hit) < 0.33
        found = times[1:][near][np.argmax(flux[near])]
        assert abs(found - hit) < FRAME


def test_the_time_bends_less_than_can_be_noticed() -> None:
    """Common practice: a change of tempo below about eight in a hundred passes for playing."""
    laid = lay_bars(50.0, 66, HITS)
    tempos = {60 / bar.beat for bar in laid.bars}
    assert max(tempos) / min(tempos) < (1 + BEND) ** 2
    for a, b in pairwise(laid.bars):
        assert b.first == a.first + a.beats
        assert b.at == pytest.approx(a.at + a.beats * a.beat)
    assert {bar.beats for bar in laid.bars} <= {2, 3, 4, 5}


def test_hits_that_cannot_be_met_are_told() -> None:
    laid = lay_bars(30.0, 66, (10.0, 10.5, 20.0))
    assert sorted(laid.met + laid.missed) == [10.0, 10.5, 20.0]
    assert len(laid.missed) == 1 and 20.0 in laid.met


def test_a_tense_course_has_more_notes_struck_harder_and_drums() -> None:
    made = compose("calm", 80.0, 2, Score(course=((0, 0.1), (40, 0.1), (41, 0.95), (80, 0.95))))
    played = [n for channel in range(4) for n in notes(made.song, channel)]
    calm = [n for n in played if 5 < n[0] < 38]
    driven = [n for n in played if 42 < n[0] < 74]
    assert len(driven) > 2 * len(calm)
    assert np.mean([n[2] for n in driven]) > 20 + np.mean([n[2] for n in calm])
    drums = notes(made.song, 3)
    assert drums and min(at for at, _, _ in drums) > 38


def test_nothing_is_struck_in_a_rest_and_a_bar_begins_behind_it() -> None:
    rest = (12.0, 16.4)
    made = compose("playful", 40.0, 2, Score(rests=(rest,)))
    played = [at for channel in range(4) for at, _, _ in notes(made.song, channel)]
    assert not [at for at in played if rest[0] - 0.01 < at < rest[1] - 0.01]
    assert min(abs(at - rest[1]) for at, _, _ in notes(made.song, 2)) < FRAME / 2
    data = play(made.song, 40.0)
    sound = soundfile.read(io.BytesIO(data), always_2d=True)[0]

    def level(a: float, b: float) -> float:
        return float(np.sqrt((sound[int(a * 48_000) : int(b * 48_000)] ** 2).mean()))

    assert level(14.5, 16.2) < 0.05 * level(8, 12)


def first_tune(mood: str, theme: int) -> list[int]:
    """The pitches of whoever leads, where the tune comes first."""
    made = compose(mood, 60.0, 9, Score(theme=theme))
    start = made.bars.bars[1].at - 0.01
    return [pitch for at, pitch, _ in notes(made.song, 1) if at >= start][: len(tune_of(theme))]


@pytest.mark.parametrize("theme", [3, 77, 4127])
def test_a_theme_has_one_tune_in_all_moods(theme: int) -> None:
    for mood, m in MOODS.items():
        steps = [n.step for n in tune_of(theme)]
        expected = [m.key + 12 * ((s + 7) // 7) + m.scale[(s + 7) % 7] for s in steps]
        assert first_tune(mood, theme) == expected


def test_themes_differ_and_return_varied() -> None:
    tunes = {tuple(tune_of(theme)) for theme in range(1, 60)}
    assert len(tunes) > 50
    tune = tune_of(5)
    ways = {tuple(varied(tune, turn)) for turn in range(5)}
    assert len(ways) >= 4
    assert all(n.at + n.lasts <= 8 for way in ways for n in way)
    made = compose("warm", 120.0, 9, Score(theme=5))
    lead = [round(at, 2) for at, _, _ in notes(made.song, 1)]
    for bar in made.bars.bars[1:-3:8]:
        assert any(abs(at - bar.at) < 0.03 for at in lead)


def test_a_family_of_instruments_leads() -> None:
    def programs(family: str) -> dict[int, int]:
        song = compose("sad", 30.0, 1, Score(family=family)).song
        return {m.channel: m.program for t in song.tracks for m in t if m.type == "program_change"}

    plain = programs("")
    for family, (lead, _) in FAMILIES.items():
        assert programs(family)[1] == lead
        assert programs(family)[2] == plain[2]


@lru_cache
def sound_of(mood: str) -> np.ndarray:
    data = play(compose(mood, 30.0, 8).song, 30.0)
    return soundfile.read(io.BytesIO(data), always_2d=True)[0].mean(axis=1)


@pytest.mark.long
@pytest.mark.parametrize("mood", list(MOODS))
def test_every_mood_is_heard_and_none_is_another(mood: str) -> None:
    assert np.sqrt((sound_of(mood)[48_000 * 6 :] ** 2).mean()) > 0.01
    others = [m for m in MOODS if m != mood]
    assert all(not np.array_equal(sound_of(mood), sound_of(other)) for other in others)
