"""Captions: which words stand together, for how long, and the files they are written to."""

from .caption import LINE_LENGTH, LINES, Caption, captions_of
from .srt import stamp, to_srt, to_vtt

__all__ = ["LINES", "LINE_LENGTH", "Caption", "captions_of", "stamp", "to_srt", "to_vtt"]
