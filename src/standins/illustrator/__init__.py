"""The illustrator: reads a prompt's words and draws. What the prompt does not say, the seed
decides."""

from .cast import Wish
from .compose import Drawing, draw
from .guiding import Masses, masses_of
from .raster import Picture, paint, pieces
from .references import Reference, drawn_from
from .retouch import retouch

__all__ = ["Drawing", "Masses", "Picture", "Reference", "Wish", "draw", "drawn_from", "masses_of", "paint", "pieces", "retouch"]
