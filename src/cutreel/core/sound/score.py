"""What a piece of music follows besides its mood: how tense it is, which cuts its bars meet, where it is silent, whose
tune returns, and what leads."""

from collections.abc import Sequence
from dataclasses import dataclass

from .tension import Course, between

FROM_END, FROM_START = 4.0, 3.0
"""Seconds at the ends of a piece in which no cut is met: it begins and ends by itself there."""
LEAST_REST = 1.5
"""Seconds: a shorter rest is none."""


@dataclass(frozen=True, slots=True)
class Score:
    """`course`: seconds from the beginning of the piece with how tense it is there (0 … 1). `hits`: seconds at which a
    bar is to begin. `rests`: stretches in seconds in which it is silent. `theme`: whose tune returns in it, by a name.
    `instruments`: families that may lead, the best first."""

    course: Course = ()
    hits: tuple[float, ...] = ()
    rests: tuple[tuple[float, float], ...] = ()
    theme: str = ""
    instruments: tuple[str, ...] = ()


PLAIN = Score()


def score_for(
    start: float,
    end: float,
    course: Course,
    hits: Sequence[float],
    rests: Sequence[tuple[float, float]],
    theme: str,
    instruments: tuple[str, ...],
) -> Score:
    """The score of a piece from `start` to `end` of a film whose course, hits and rests are given in its seconds."""
    inside = [
        (max(a, start) - start, min(b, end) - start) for a, b in rests if b > start and a < end
    ]
    return Score(
        between(course, start, end),
        tuple(round(at - start, 3) for at in hits if start + FROM_START <= at <= end - FROM_END),
        tuple((round(a, 3), round(b, 3)) for a, b in inside if b - a >= LEAST_REST),
        theme,
        instruments,
    )


_LEADS = (
    ("paper", ("guitar", "harp", "strings")),
    ("ink", ("piano", "strings")),
    ("pencil", ("piano", "strings")),
    ("chalk", ("music box", "piano")),
    ("clay", ("winds", "marimba")),
    ("stick", ("marimba", "piano")),
    ("shadow", ("accordion", "winds")),
    ("silhouette", ("accordion", "winds")),
    ("print", ("brass", "piano")),
    ("oil", ("strings", "winds")),
    ("watercolour", ("harp", "winds")),
)


def instruments_for(look: str) -> tuple[str, ...]:
    """What leads the music of a film in a look, by the words of its medium (a rule of ours: what is cut is plucked,
    what is drawn in lines is played on keys)."""
    words = look.lower()
    return next((leads for word, leads in _LEADS if word in words), ())
