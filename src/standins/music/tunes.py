"""Tunes: of two bars, one for each theme, in steps of any scale, and varied each time they return."""

import random
from typing import NamedTuple

BEATS = 8
"""Of a tune."""
_RHYTHMS = (
    (1, 1, 2, 1, 1, 2),
    (1.5, 0.5, 2, 1.5, 0.5, 2),
    (2, 1, 1, 3, 1),
    (1, 0.5, 0.5, 2, 1, 1, 2),
    (3, 1, 2, 2),
    (0.5, 0.5, 1, 1, 1, 2, 2),
)


class Note(NamedTuple):
    """A note of a tune: its beat, how many beats it lasts, and its step above the first of the scale."""

    at: float
    lasts: float
    step: int


def tune_of(theme: int) -> list[Note]:
    """The tune of a theme: by steps and one leap from a note of the chord to another, always the same."""
    rng = random.Random(f"theme{theme}")
    rhythm = rng.choice(_RHYTHMS)
    step = rng.choice([0, 2, 4])
    leap = rng.randrange(1, len(rhythm) - 1)
    way = rng.choice([-1, 1])
    notes: list[Note] = []
    at = 0.0
    for i, lasts in enumerate(rhythm):
        if i:
            if i == leap:
                step += 3 * way
            else:
                # Behind a leap it turns back, as tunes do (common practice).
                step += -way if i > leap else rng.choice([-1, 1, way])
        if i == len(rhythm) - 1:
            step = min((0, 2, 4), key=lambda s: abs(s - step))
        step = max(-2, min(7, step))
        notes.append(Note(at, lasts, step))
        at += lasts
    return notes


def varied(tune: list[Note], turn: int) -> list[Note]:
    """A tune as it returns for the time `turn` (0: as it is): answered higher, with passing notes, upside down,
    held."""
    way = turn % 5
    if way == 1:
        return [n._replace(step=n.step + 2) for n in tune]
    if way == 2:
        return [m for n in tune for m in _passing(n)]
    if way == 3:
        return [n._replace(step=tune[0].step * 2 - n.step) for n in tune]
    if way == 4:
        return [n for n in tune if n.at == int(n.at)]
    return list(tune)


def _passing(note: Note) -> list[Note]:
    """A long note in two, the second a step above: it leads on."""
    if note.lasts < 2:
        return [note]
    half = note.lasts / 2
    return [note._replace(lasts=half), Note(note.at + half, half, note.step + 1)]
