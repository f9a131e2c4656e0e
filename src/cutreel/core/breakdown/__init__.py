"""Cutting a manuscript into shots: how long a shot lasts, and why.

1. How long it is *wanted* at each moment of the film: `pace.py` (`Wish.wanted`); kinds of film and
   their openings are its `KINDS`. A reference's course comes from `reference.py`; what the maker set
   for the film and its scenes is gathered by `core/film/pacing.py` (`wish_of`).
2. How long words *take*: measured in the voice where they are spoken, else `estimate.py`.
3. Where cuts may *fall*, weighed against 1 by 2: `cut.py` (`break_down`); the weights and their
   reasons stand at its head.
4. What the maker *did* since: marks, holds and pushes are commands (`core/film/commands/cutting.py`).
5. Seconds become whole *frames* in `core/timeline/shots.py` (`cut_points`).
"""

from .cut import break_down, cut_ramp
from .estimate import LINE_END, estimate_words, pause_after, pause_within, speaking_seconds
from .pace import KINDS, By, FilmKind, Wish, wish_for
from .reference import LEAST_WORDS, ReferencePace, closeness, measure
from .scrap import SCRAP_SECONDS, SCRAP_WORDS

# fmt: off
__all__ = [
    "KINDS", "LEAST_WORDS", "LINE_END", "SCRAP_SECONDS", "SCRAP_WORDS", "By", "FilmKind",
    "ReferencePace", "Wish", "break_down", "closeness", "cut_ramp", "estimate_words", "measure", "pause_after",
    "pause_within", "speaking_seconds", "wish_for",
]
# fmt: on
