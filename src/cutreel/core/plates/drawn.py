"""Draws plates: the parts of each sort, from back to front."""

from collections.abc import Callable, Mapping

from . import figures, told
from .maps import drawn_map
from .model import Plate, PlateSort
from .page import Page
from .palette import Palette
from .svg import rect

_SORTS: Mapping[PlateSort, Callable[[Page], None]] = {
    "number": figures.number,
    "time line": told.time_line,
    "bars": figures.bars,
    "line": figures.curve,
    "shares": figures.shares,
    "sizes": figures.sizes,
    "quotation": told.quotation,
    "letter": told.letter,
    "cutting": told.cutting,
    "list": told.listed,
    "tree": told.tree,
    "map": drawn_map,
}


def drawn(plate: Plate, palette: Palette, wide: float) -> Page:
    """A page with all parts of a plate, for a frame that is `wide` times as wide as high."""
    page = Page.of(plate, palette, wide)
    page.add(rect(0, 0, page.width, page.height, palette.ground))
    _SORTS[plate.sort](page)
    page.foot()
    return page
