"""Marks drawn by hand over a picture: an arrow, a ring, a line under something, a cross, a tick."""

from .mark import MARK_KINDS, MOST_MARKS, Mark, MarkKind
from .strokes import Point, strokes_of

__all__ = ["MARK_KINDS", "MOST_MARKS", "Mark", "MarkKind", "Point", "strokes_of"]
