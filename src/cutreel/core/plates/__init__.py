"""Plates: pictures drawn from data, that no illustrator should invent."""

from .checked import doubts
from .drawn import drawn
from .model import EDITIONS, MOST_ROWS, PLATE_SORTS, WORDED, Plate, PlateRow, PlateSort, ShownPlate
from .page import Page, Part
from .palette import Palette, palette_for
from .proposed import Proposed, propose
from .svg import page as svg_page
from .world import Place, place_named

__all__ = [
    "EDITIONS",
    "MOST_ROWS",
    "PLATE_SORTS",
    "WORDED",
    "Page",
    "Palette",
    "Part",
    "Place",
    "Plate",
    "PlateRow",
    "PlateSort",
    "Proposed",
    "ShownPlate",
    "doubts",
    "drawn",
    "palette_for",
    "place_named",
    "propose",
    "svg_page",
]
