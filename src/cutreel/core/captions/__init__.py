"""Captions: which words stand together, for how long, and the files they are written to."""

from .caption import LINE_LENGTH, LINES, Caption, captions_of
from .checked import QUICKEST, CaptionFault, CaptionFaultKind, caption_faults
from .said import SaidWord, said_in, stressed_in
from .shown import AS_OTHERS, SPEAKERS, CaptionShown
from .srt import stamp, to_srt, to_vtt
from .style import (
    CAPTION_PLACES,
    CAPTION_ROWS,
    PLAIN,
    READY,
    SAID_MARKS,
    CaptionPlace,
    CaptionStyle,
    SaidMark,
)
from .substation import to_ass
from .ttml import to_ttml
from .wrapped import evenly

__all__ = [
    "AS_OTHERS",
    "CAPTION_PLACES",
    "CAPTION_ROWS",
    "LINES",
    "LINE_LENGTH",
    "PLAIN",
    "QUICKEST",
    "READY",
    "SAID_MARKS",
    "SPEAKERS",
    "Caption",
    "CaptionFault",
    "CaptionFaultKind",
    "CaptionPlace",
    "CaptionShown",
    "CaptionStyle",
    "SaidMark",
    "SaidWord",
    "caption_faults",
    "captions_of",
    "evenly",
    "said_in",
    "stamp",
    "stressed_in",
    "to_ass",
    "to_srt",
    "to_ttml",
    "to_vtt",
]
