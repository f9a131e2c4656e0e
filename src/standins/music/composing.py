"""Writes a Standard MIDI File for a mood: chords, a bass and whoever leads, by how tense it is, in bars that meet its
hits; the last two bars are a dominant and a held tonic."""

import random
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass

import mido

from .bars import Bar, Bars, lay_bars
from .families import FAMILIES
from .moods import MOODS, Mood
from .score import EVEN, Score
from .tunes import BEATS, tune_of, varied

TICKS = 480
RING = 2.4
"""Seconds left at the end for the last chord to ring out."""
RETURNS = 8
"""Bars from one return of a tune to the next."""
HIT = 8
"""How much harder a bar is struck that meets a hit."""
DRUM = 47
"""The General MIDI program of timpani."""
DRIVEN, DRUMMED = 0.6, 0.78
"""How tense it must be for plucked chords and a moving bass; for drums."""
CHANNELS = {"pad": 0, "lead": 1, "bass": 2, "drum": 3}


@dataclass(frozen=True)
class Composed:
    """A piece as a Standard MIDI File, and its bars, with the hits that they meet and miss."""

    song: mido.MidiFile
    bars: Bars


@dataclass(frozen=True)
class _Struck:
    """A note by its beat and its length in beats."""

    at: float
    lasts: float
    pitch: int
    loud: int


def compose(mood: str, seconds: float, seed: int, score: Score = Score()) -> Composed:
    """A piece whose bars end `RING` seconds before `seconds`. KeyError: unknown mood, or unknown family of
    instruments."""
    m, rng = MOODS[mood], random.Random(f"{mood}{seed}")
    playing = max(2.0, seconds - min(RING, seconds * 0.3))
    rests = tuple((a, b) for a, b in score.rests if a < playing)
    bars = lay_bars(playing, m.bpm, (*score.hits, *(at for rest in rests for at in rest)))
    parts: dict[str, list[_Struck]] = defaultdict(list)
    for bar, step in _chords(m, bars.bars):
        tension = score.tension(bar.at) + (0.15 if m.pulse else 0)
        last = bar is bars.bars[-1]
        loud = _loud(tension, bar, last)
        if bar.at in score.hits:
            loud += HIT
            parts["drum"].append(_Struck(bar.first, 1.5, _note(m, step) - 12, loud + 6))
        _accompany(m, bar, step, tension, loud, last, parts)
    _lead(m, bars.bars, score, rng, parts["lead"])
    lead, plucked = FAMILIES[score.family] if score.family else (m.lead, m.pad)
    programs = {"pad": plucked if m.pluck else m.pad, "lead": lead, "bass": m.bass, "drum": DRUM}
    song = mido.MidiFile(ticks_per_beat=TICKS)
    song.tracks.append(_head(bars.bars))
    for name, channel in CHANNELS.items():
        if notes := list(_outside(parts[name], bars.bars, rests)):
            song.tracks.append(_track(notes, channel, programs[name]))
    return Composed(song, bars)


def _chords(m: Mood, bars: tuple[Bar, ...]) -> Iterator[tuple[Bar, int]]:
    """The step of the scale that each bar's chord stands on."""
    for i, bar in enumerate(bars):
        last, before = i == len(bars) - 1, i == len(bars) - 2
        yield bar, 0 if last else 4 if before else m.chords[(i // 8) % len(m.chords)][i % 4]


def _loud(tension: float, bar: Bar, last: bool) -> int:
    """How hard notes of a bar are struck: it comes in over its first bars."""
    comes = min(1.0, (bar.first + bar.beats) / 16)
    return round(44 + 22 * comes + 40 * (tension - EVEN)) - (8 if last else 0)


def _accompany(
    m: Mood,
    bar: Bar,
    step: int,
    tension: float,
    loud: int,
    last: bool,
    parts: dict[str, list[_Struck]],
) -> None:
    """Chords, bass and drums of a bar."""
    chord = [_note(m, step + k) for k in (0, 2, 4)]
    held = bar.beats + (2.0 if last else -20 / TICKS)
    if (m.pluck or tension > DRIVEN) and not last:
        for half in range(bar.beats * 2):
            up = half % 4 == 2
            pitch = chord[(0, 1, 2, 1)[half % 4]] + (12 if up else 0)
            at = bar.first + half / 2
            parts["pad"].append(_Struck(at, 0.5, pitch, loud - 4 - 6 * (half % 2)))
    else:
        parts["pad"] += [_Struck(bar.first, held, pitch, loud) for pitch in chord]
    low = _note(m, step) - 12
    if tension > DRIVEN and not last:
        parts["bass"] += [
            _Struck(bar.first + b, 0.9, low, loud + (6 if b == 0 else -4)) for b in range(bar.beats)
        ]
    else:
        parts["bass"].append(_Struck(bar.first, held, low, loud + 4))
    if tension > DRUMMED and not last:
        beats = range(0, bar.beats, 2 if tension < (1 + DRUMMED) / 2 else 1)
        parts["drum"] += [_Struck(bar.first + b, 0.8, low, loud + 10 - 6 * (b > 0)) for b in beats]


def _lead(
    m: Mood, bars: tuple[Bar, ...], score: Score, rng: random.Random, out: list[_Struck]
) -> None:
    """The tune of the theme where it returns; between, whoever leads goes by steps around the chord."""
    tune = tune_of(score.theme) if score.theme else []
    chords = dict(zip(bars, (step for _, step in _chords(m, bars)), strict=True))
    at_step, until, turn = rng.choice([0, 2, 4]), 0, 0
    for i, bar in enumerate(bars):
        step, tension = chords[bar], score.tension(bar.at)
        loud = _loud(tension, bar, i == len(bars) - 1)
        if i == len(bars) - 1:
            out.append(_Struck(bar.first, bar.beats + 2.0, _note(m, 7), loud))
            continue
        if bar.first < until:
            continue
        if tune and i % RETURNS == min(1, len(bars) - 3) and i < len(bars) - 3:
            for n in varied(tune, turn):
                out.append(
                    _Struck(bar.first + n.at, n.lasts * 0.96, _note(m, n.step + 7), loud + 6)
                )
            turn, until = turn + 1, bar.first + BEATS
            continue
        at_beat = 0.0
        share = m.lead_share * (0.55 + 1.1 * tension)
        while at_beat < bar.beats:
            held = rng.choice([1.0, 1.0, 0.5, 2.0] if m.lead_share > 0.6 else [1.0, 2.0, 2.0, 1.5])
            if rng.random() < share and i > 1:
                if at_beat == int(at_beat) and rng.random() < 0.6:
                    at_step = rng.choice([step, step + 2, step + 4])
                else:
                    at_step += rng.choice([-1, 1])
                at_step = max(0, min(9, at_step))
                lasts = min(held, bar.beats - at_beat) - 20 / TICKS
                pitch = _note(m, at_step + 7)
                out.append(_Struck(bar.first + at_beat, lasts, pitch, loud + rng.randint(-6, 8)))
            at_beat += held


def _note(m: Mood, step: int) -> int:
    return m.key + 12 * (step // 7) + m.scale[step % 7]


def _outside(
    notes: list[_Struck], bars: tuple[Bar, ...], rests: tuple[tuple[float, float], ...]
) -> Iterator[_Struck]:
    """The notes that are struck outside of the rests; what rings into one is let go there."""
    quiet = [(_beat_at(bars, a), _beat_at(bars, b)) for a, b in rests]
    for note in notes:
        if any(a - 0.01 <= note.at < b - 0.01 for a, b in quiet):
            continue
        ends = min([a for a, _ in quiet if a > note.at], default=note.at + note.lasts)
        yield _Struck(note.at, min(note.lasts, ends - note.at), note.pitch, note.loud)


def _beat_at(bars: tuple[Bar, ...], seconds: float) -> float:
    bar = next((b for b in reversed(bars) if b.at <= seconds), bars[0])
    return bar.first + (seconds - bar.at) / bar.beat


def _head(bars: tuple[Bar, ...]) -> mido.MidiTrack:
    """Tempo and time signature, where they change."""
    track, at = mido.MidiTrack(), 0
    tempo = size = 0
    for bar in bars:
        start = bar.first * TICKS
        if bar.beats != size:
            size = bar.beats
            track.append(
                mido.MetaMessage("time_signature", numerator=size, denominator=4, time=start - at)
            )
            at = start
        if (now := round(bar.beat * 1_000_000)) != tempo:
            tempo = now
            track.append(mido.MetaMessage("set_tempo", tempo=tempo, time=start - at))
            at = start
    return track


def _track(notes: list[_Struck], channel: int, program: int) -> mido.MidiTrack:
    events = [mido.Message("program_change", channel=channel, program=program, time=0)]
    timed = []
    for n in notes:
        start, ends = round(n.at * TICKS), round(n.at * TICKS) + max(60, round(n.lasts * TICKS))
        loud = max(20, min(112, n.loud))
        on = mido.Message("note_on", channel=channel, note=n.pitch, velocity=loud)
        off = mido.Message("note_off", channel=channel, note=n.pitch, velocity=0)
        timed += [(start, 1, on), (ends, 0, off)]
    timed.sort(key=lambda e: (e[0], e[1]))
    at = 0
    for time, _, message in timed:
        events.append(message.copy(time=time - at))
        at = time
    return mido.MidiTrack(events)
