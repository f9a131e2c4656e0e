"""The voice's word times by forced alignment, the composer's score by mido, sounds by what they are made of."""

import io

import mido
import numpy as np
import pytest
import soundfile
import soxr

from standins.music import MOODS, compose, play
from standins.voices import BY_NAME, speak
from tests.alignment import aligned_starts

LINE = "She lifted her lantern that night and looked across the water"


def samples(data: bytes) -> np.ndarray:
    audio, rate = soundfile.read(io.BytesIO(data), dtype="float32", always_2d=True)
    assert rate == 48_000
    return audio


@pytest.mark.parametrize("voice", ["alder", "briony", "edda"])
def test_word_times_agree_with_forced_alignment(voice: str) -> None:
    """pocketsphinx aligns the words to the sound on its own; starts agree within 80 ms for nine words in ten."""
    spoken = speak(LINE, voice)
    starts = aligned_starts(samples(spoken.flac)[:, 0], 48_000, LINE)
    assert len(starts) == len(spoken.words)
    off = [abs(a - w[1]) for a, w in zip(starts, spoken.words, strict=True)]
    assert np.quantile(off, 0.9) < 0.08, off


ENGLISH = [name for name, voice in BY_NAME.items() if voice.timbre.language == "en"]


@pytest.mark.parametrize("voice", ENGLISH)
def test_every_voice_speaks_every_word(voice: str) -> None:
    spoken = speak("“Well — I’m ninety,” it said… in the 1790s (café); mid-spring!", voice)
    assert [w for w, _, _ in spoken.words] == [
        "“Well",
        "—",
        "I’m",
        "ninety,”",
        "it",
        "said…",
        "in",
        "the",
        "1790s",
        "(café);",
        "mid-spring!",
    ]
    assert all(0 <= a < b <= spoken.seconds + 0.05 for _, a, b in spoken.words)
    assert all(b[1] >= a[1] for a, b in zip(spoken.words, spoken.words[1:], strict=False))
    assert speak("Again.", voice).flac == speak("Again.", voice).flac


def test_voices_differ_in_pitch() -> None:
    def pitch(voice: str) -> float:
        audio = soxr.resample(
            samples(speak("We are all in all alone", voice).flac)[:, 0], 48_000, 8_000
        )
        power = np.abs(np.fft.rfft(audio, 1 << 17)) ** 2
        hz = np.fft.rfftfreq(1 << 17, 1 / 8000)
        band = (hz > 60) & (hz < 420)
        return float(hz[band][np.argmax(np.convolve(power, np.ones(80), "same")[band])])

    assert pitch("fenn") > pitch("alder") * 1.2 and pitch("hask") < pitch("fenn")


@pytest.mark.parametrize("mood", list(MOODS))
@pytest.mark.parametrize("seconds", [12.0, 61.3])
def test_music_ends_on_its_own_cadence(mood: str, seconds: float, tmp_path) -> None:
    """Standard MIDI File read back by mido: whole bars, a dominant before the last bar, the tonic held in it."""
    path = tmp_path / "m.mid"
    compose(mood, seconds, 7).song.save(path)
    song = mido.MidiFile(path)
    assert song.length <= seconds + 0.01
    assert seconds - song.length < 4.5
    tempo = next(m.tempo for m in song.tracks[0] if m.type == "set_tempo")
    bass = [
        (at, m.note)
        for track in song.tracks
        for at, m in _absolute(track)
        if m.type == "note_on" and m.channel == 2
    ]
    bar = 4 * song.ticks_per_beat
    assert all(at % bar == 0 for at, _ in bass)
    assert bass[-1][1] % 12 == MOODS[mood].key % 12
    assert (bass[-2][1] - bass[-1][1]) % 12 == MOODS[mood].scale[4]
    assert 35 < 60_000_000 / tempo < 150


def _absolute(track: mido.MidiTrack) -> list[tuple[int, mido.Message]]:
    out, at = [], 0
    for message in track:
        at += message.time
        out.append((at, message))
    return out


def test_played_music_has_the_asked_length_and_fades_to_nothing() -> None:
    audio = samples(play(compose("warm", 14.0, 1).song, 14.0))
    assert len(audio) == 14 * 48_000
    assert np.abs(audio[-480:]).max() < 0.02 < np.abs(audio[48_000 * 5 : 48_000 * 7]).max()
