"""One film: its document, the changes a maker makes to it, and what is read out of it."""

from .changes import Change, Command, apply_command
from .document import FilmDocument, Settings, Shot, new_film
from .reading import LineWork, ReadFilm, ReadShot, read_film

# fmt: off
__all__ = [
    "Change", "Command", "FilmDocument", "LineWork", "ReadFilm", "ReadShot", "Settings", "Shot", "apply_command",
    "new_film", "read_film",
]
# fmt: on
