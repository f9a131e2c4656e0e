"""Marks on a picture, drawn by hand: an arrow, a ring, a line under something, a cross, a tick; and a blur."""

from .mark import MARK_KINDS, MOST_MARKS, Mark, MarkKind
from .strokes import DRAWN, Point, strokes_of

__all__ = ["DRAWN", "MARK_KINDS", "MOST_MARKS", "Mark", "MarkKind", "Point", "strokes_of"]
