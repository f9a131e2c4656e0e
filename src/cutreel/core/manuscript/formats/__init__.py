"""Scripts in open formats: plain text, Markdown, Fountain, subtitles (SubRip, WebVTT, SubStation Alpha, TTML), CSV
and TSV, read and written."""

from .choose import FORMATS, format_of, read_story
from .fountain import write_fountain
from .markdown import write_markdown
from .stories import StoryRow, looks_like_stories, read_stories
from .story import Block, OpenedShot, ReadStory, Source, blocks_of, story_from, written
from .table import COLUMNS, Column, TableView, look_at, looks_like_table, write_table

# fmt: off
__all__ = [
    "COLUMNS", "FORMATS", "Block", "Column", "OpenedShot", "ReadStory", "Source", "StoryRow", "TableView",
    "blocks_of", "format_of", "look_at", "looks_like_stories", "looks_like_table", "read_stories", "read_story",
    "story_from", "write_fountain", "write_markdown", "write_table", "written",
]
# fmt: on
