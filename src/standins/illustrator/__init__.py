"""The illustrator: reads a prompt's words and draws. What the prompt does not say, the seed decides."""

from .compose import Drawing, draw
from .raster import Picture, paint
from .references import Reference
from .retouch import retouch

__all__ = ["Drawing", "Picture", "Reference", "draw", "paint", "retouch"]
