"""A story in another language: passages and what they become, tables for translators, whose words are heard when."""

from .brought import read_translated
from .model import (
    MOST_PASSAGES,
    MOST_SHOWN,
    QUICKEST,
    SLOWEST,
    Shown,
    Translated,
    TranslatedBy,
    Translation,
)
from .passages import Passage, Piece, passages_of, pieces_of
from .spread import spread
from .table import TableRow, read_table, write_table
from .tokens import glued, words_in
from .xliff import read_xliff, write_xliff

__all__ = [
    "MOST_PASSAGES",
    "MOST_SHOWN",
    "QUICKEST",
    "SLOWEST",
    "Passage",
    "Piece",
    "Shown",
    "TableRow",
    "Translated",
    "TranslatedBy",
    "Translation",
    "glued",
    "passages_of",
    "pieces_of",
    "read_table",
    "read_translated",
    "read_xliff",
    "spread",
    "words_in",
    "write_table",
    "write_xliff",
]
