"""What is said of a film when it is looked at: notes at a moment, and scenes that are agreed."""

from .note import MOST_NOTES, MOST_POINTS, Agreed, NoteAnswer, ScreenNote

__all__ = ["MOST_NOTES", "MOST_POINTS", "Agreed", "NoteAnswer", "ScreenNote"]
