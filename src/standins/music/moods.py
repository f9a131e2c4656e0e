"""How each mood is set."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Mood:
    """How a mood is set: tempo, key (MIDI note) and scale, General MIDI programs, chords by scale
    step, how much of the time somebody leads, whether chords are plucked, and how far from even its tension lies."""

    bpm: float
    key: int
    scale: tuple[int, ...]
    pad: int
    lead: int
    bass: int
    chords: tuple[tuple[int, ...], ...]
    lead_share: float
    pluck: bool
    pulse: bool = False


_MAJOR, _MINOR, _DORIAN = (0, 2, 4, 5, 7, 9, 11), (0, 2, 3, 5, 7, 8, 10), (0, 2, 3, 5, 7, 9, 10)
_LYDIAN, _PHRYGIAN = (0, 2, 4, 6, 7, 9, 11), (0, 1, 3, 5, 7, 8, 10)
MOODS: dict[str, Mood] = {
    "calm": Mood(66, 53, _MAJOR, 48, 73, 32, ((0, 5, 3, 4), (0, 3, 1, 4)), 0.4, False),
    "uneasy": Mood(74, 50, _MINOR, 44, 71, 43, ((0, 5, 0, 6), (0, 3, 5, 4)), 0.3, False),
    "warm": Mood(78, 55, _MAJOR, 48, 24, 32, ((0, 4, 5, 3), (0, 3, 0, 4)), 0.5, True),
    "playful": Mood(112, 60, _MAJOR, 45, 68, 32, ((0, 3, 4, 0), (0, 5, 1, 4)), 0.75, True),
    "grand": Mood(84, 48, _MAJOR, 61, 60, 43, ((0, 3, 4, 5), (0, 5, 3, 4)), 0.5, False),
    "sad": Mood(60, 52, _DORIAN, 48, 42, 32, ((0, 3, 6, 4), (0, 5, 3, 4)), 0.45, False),
    "tense": Mood(118, 50, _MINOR, 45, 60, 43, ((0, 0, 5, 6), (0, 3, 0, 4)), 0.35, True, True),
    "eerie": Mood(58, 49, _PHRYGIAN, 91, 8, 43, ((0, 1, 0, 6), (0, 3, 1, 0)), 0.3, False),
    "hopeful": Mood(88, 50, _MAJOR, 48, 0, 32, ((0, 4, 5, 3), (3, 4, 0, 5)), 0.55, True),
    "wondering": Mood(80, 53, _LYDIAN, 89, 11, 32, ((0, 1, 0, 4), (0, 4, 1, 5)), 0.5, True),
}
