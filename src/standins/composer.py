"""The composer: music for a mood that lasts as long as asked and ends on its own cadence.

Writes a Standard MIDI File and plays it through Debian's fluidsynth with a General MIDI soundfont.
Tempo is chosen so that whole bars fill the length; the last two bars are a dominant and a held
tonic.
"""

import io
import random
import subprocess
import tempfile
from dataclasses import dataclass
from pathlib import Path

import mido
import numpy as np
import soundfile

RATE = 48_000
TICKS = 480
SOUNDFONTS = (
    "/usr/share/sounds/sf2/TimGM6mb.sf2",
    "/usr/share/sounds/sf2/default-GM.sf2",
    "/usr/share/sounds/sf2/FluidR3_GM.sf2",
)
RING = 2.4
"""Seconds left at the end for the last chord to ring out."""


@dataclass(frozen=True)
class Mood:
    """How a mood is set: tempo, key (MIDI note) and scale, General MIDI programs, chords by scale
    step, busyness."""

    bpm: float
    key: int
    scale: tuple[int, ...]
    pad: int
    lead: int
    bass: int
    chords: tuple[tuple[int, ...], ...]
    lead_share: float
    pluck: bool


_MAJOR, _MINOR, _DORIAN = (0, 2, 4, 5, 7, 9, 11), (0, 2, 3, 5, 7, 8, 10), (0, 2, 3, 5, 7, 9, 10)
MOODS: dict[str, Mood] = {
    "calm": Mood(66, 53, _MAJOR, 48, 73, 32, ((0, 5, 3, 4), (0, 3, 1, 4)), 0.4, False),
    "uneasy": Mood(74, 50, _MINOR, 44, 71, 43, ((0, 5, 0, 6), (0, 3, 5, 4)), 0.3, False),
    "warm": Mood(78, 55, _MAJOR, 48, 24, 32, ((0, 4, 5, 3), (0, 3, 0, 4)), 0.5, True),
    "playful": Mood(112, 60, _MAJOR, 45, 68, 32, ((0, 3, 4, 0), (0, 5, 1, 4)), 0.75, True),
    "grand": Mood(84, 48, _MAJOR, 61, 60, 43, ((0, 3, 4, 5), (0, 5, 3, 4)), 0.5, False),
    "sad": Mood(60, 52, _DORIAN, 48, 42, 32, ((0, 3, 6, 4), (0, 5, 3, 4)), 0.45, False),
}


def compose(mood: str, seconds: float, seed: int) -> mido.MidiFile:
    """A Standard MIDI File in four-four time whose bars end `RING` seconds before `seconds`.
    KeyError: unknown mood."""
    m, rng = MOODS[mood], random.Random(f"{mood}{seed}")
    playing = max(2.0, seconds - min(RING, seconds * 0.3))
    bars = max(2, round(playing * m.bpm / 240))
    tempo = round(playing / bars / 4 * 1_000_000)
    song = mido.MidiFile(ticks_per_beat=TICKS)
    head = mido.MidiTrack(
        [
            mido.MetaMessage("set_tempo", tempo=tempo),
            mido.MetaMessage("time_signature", numerator=4, denominator=4),
        ]
    )
    song.tracks.append(head)
    notes: dict[str, list[tuple[int, int, int, int]]] = {"pad": [], "lead": [], "bass": []}
    at_step = rng.choice([0, 2, 4])
    for bar in range(bars):
        start = bar * 4 * TICKS
        last, before = bar == bars - 1, bar == bars - 2
        step: int = 0 if last else 4 if before else m.chords[(bar // 8) % len(m.chords)][bar % 4]
        chord = [_note(m, step + k) for k in (0, 2, 4)]
        swell = 58 + int(14 * min(1.0, bar / 4)) - (8 if last else 0)
        length = 4 * TICKS + (int(TICKS * 2) if last else -20)
        if m.pluck and not last:
            for beat in range(8):
                notes["pad"].append(
                    (
                        start + beat * TICKS // 2,
                        TICKS // 2,
                        chord[(0, 1, 2, 1)[beat % 4]] + (12 if beat % 4 == 2 else 0),
                        swell - 4 - 6 * (beat % 2),
                    )
                )
        else:
            notes["pad"] += [(start, length, pitch, swell) for pitch in chord]
        notes["bass"].append((start, length, _note(m, step) - 12, swell + 4))
        if last:
            notes["lead"].append((start, length, _note(m, 7), swell))
            continue
        at_beat = 0.0
        while at_beat < 4:
            held = (
                rng.choice([1.0, 1.0, 0.5, 2.0])
                if m.lead_share > 0.6
                else rng.choice([1.0, 2.0, 2.0, 1.5])
            )
            if rng.random() < m.lead_share and bar > 1:
                on_beat = at_beat == int(at_beat)
                at_step = (
                    rng.choice([step, step + 2, step + 4])
                    if on_beat and rng.random() < 0.6
                    else at_step + rng.choice([-1, 1])
                )
                at_step = max(0, min(9, at_step))
                notes["lead"].append(
                    (
                        start + int(at_beat * TICKS),
                        int(min(held, 4 - at_beat) * TICKS) - 20,
                        _note(m, at_step + 7),
                        swell + rng.randint(-6, 8),
                    )
                )
            at_beat += held
    for channel, (name, program) in enumerate((("pad", m.pad), ("lead", m.lead), ("bass", m.bass))):
        song.tracks.append(_track(notes[name], channel, program))
    return song


def _note(m: Mood, step: int) -> int:
    return m.key + 12 * (step // 7) + m.scale[step % 7]


def _track(notes: list[tuple[int, int, int, int]], channel: int, program: int) -> mido.MidiTrack:
    events = [mido.Message("program_change", channel=channel, program=program, time=0)]
    timed = []
    for start, length, pitch, loud in notes:
        timed.append(
            (
                start,
                1,
                mido.Message(
                    "note_on", channel=channel, note=pitch, velocity=max(20, min(110, loud))
                ),
            )
        )
        timed.append(
            (
                start + max(60, length),
                0,
                mido.Message("note_off", channel=channel, note=pitch, velocity=0),
            )
        )
    timed.sort(key=lambda e: (e[0], e[1]))
    at = 0
    for time, _, message in timed:
        events.append(message.copy(time=time - at))
        at = time
    return mido.MidiTrack(events)


def play(song: mido.MidiFile, seconds: float) -> bytes:
    """FLAC bytes (stereo, 48 kHz) of `seconds`, faded over the last half second only if something
    still rings."""
    font = next((f for f in SOUNDFONTS if Path(f).exists()), None)
    if font is None:
        raise RuntimeError(
            "No General MIDI soundfont is installed; install the Debian package timgm6mb-soundfont."
        )
    with tempfile.TemporaryDirectory() as folder:
        midi, wave = Path(folder) / "music.mid", Path(folder) / "music.wav"
        song.save(midi)
        subprocess.run(
            [
                "fluidsynth",
                "-ni",
                "-g",
                "0.7",
                "-r",
                str(RATE),
                "-O",
                "s16",
                "-T",
                "wav",
                "-F",
                str(wave),
                font,
                str(midi),
            ],
            check=True,
            capture_output=True,
            timeout=600,
        )
        audio, _ = soundfile.read(wave, dtype="float32", always_2d=True)
    n = round(seconds * RATE)
    audio = np.pad(audio, ((0, max(0, n - len(audio))), (0, 0)))[:n]
    fade = min(n, RATE // 2)
    audio[-fade:] *= np.linspace(1, 0, fade, dtype=np.float32)[:, None]
    out = io.BytesIO()
    soundfile.write(out, audio, RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()
