"""What goes with a film when it is published: its texts, its chapters, its thumbnail."""

from .chapters import LEAST_CHAPTER, LEAST_CHAPTERS, Chapter, chapters_told, plan_chapters
from .limits import (
    MOST_DESCRIPTION,
    MOST_HASHTAGS,
    MOST_TAGS,
    MOST_TITLE,
    SEEN_DESCRIPTION,
    SEEN_TITLE,
    TextFault,
    text_faults,
)
from .measured import AIMS, SMALL, ThumbnailMeasures, measured
from .report import ReportFigure, ReportPlace, Section, amiss, counted
from .stretches import Luma, Stretch, stretches_of
from .texts import OwnTexts, Texts, hashtag_of, tags_line
from .thumbnail import MOST_PROMPT, SIDES, Drawn, Thumbnail, ThumbnailPicture, draw_thumbnail

__all__ = [
    "AIMS",
    "LEAST_CHAPTER",
    "LEAST_CHAPTERS",
    "MOST_DESCRIPTION",
    "MOST_HASHTAGS",
    "MOST_PROMPT",
    "MOST_TAGS",
    "MOST_TITLE",
    "SEEN_DESCRIPTION",
    "SEEN_TITLE",
    "SIDES",
    "SMALL",
    "Chapter",
    "Drawn",
    "Luma",
    "OwnTexts",
    "ReportFigure",
    "ReportPlace",
    "Section",
    "Stretch",
    "TextFault",
    "Texts",
    "Thumbnail",
    "ThumbnailMeasures",
    "ThumbnailPicture",
    "amiss",
    "chapters_told",
    "counted",
    "draw_thumbnail",
    "hashtag_of",
    "measured",
    "plan_chapters",
    "stretches_of",
    "tags_line",
    "text_faults",
]
