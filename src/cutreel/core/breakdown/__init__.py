"""Cutting a manuscript into shots: how long words take, how a film is paced, and where the cut
marks go."""

from .cut import SCRAP_SECONDS, SCRAP_WORDS, break_down
from .estimate import LINE_END, estimate_words, pause_after, speaking_seconds
from .pace import KINDS, By, FilmKind, Wish, wish_for
from .reference import LEAST_WORDS, ReferencePace, closeness, measure

# fmt: off
__all__ = [
    "KINDS", "LEAST_WORDS", "LINE_END", "SCRAP_SECONDS", "SCRAP_WORDS", "By", "FilmKind",
    "ReferencePace", "Wish", "break_down", "closeness", "estimate_words", "measure", "pause_after",
    "speaking_seconds", "wish_for",
]
# fmt: on
