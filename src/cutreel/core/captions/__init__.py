"""Captions: which words stand together, for how long, and the files they are written to."""

from .caption import Caption, captions_of
from .srt import stamp, to_srt, to_vtt

__all__ = ["Caption", "captions_of", "stamp", "to_srt", "to_vtt"]
