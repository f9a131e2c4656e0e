"""A change that no page asks for: what was made finds its place in the document, whoever changes it meanwhile."""

from collections.abc import Callable

from cutreel.core.errors import Clash
from cutreel.core.film import Change, Command, FilmDocument

from .workshop import Workshop

MOST_TRIES = 8
"""A film that its maker changes at the same moment is tried again so often."""


def change_now(
    shop: Workshop, film: str, command_for: Callable[[FilmDocument], Command | None]
) -> bool:
    """Change a film as it stands by the command that fits it (None: nothing is to be done). Returns whether it is as
    wanted now: a film that is changed all the time may not be."""
    for _ in range(MOST_TRIES):
        row = shop.films.get(film)
        command = command_for(row.document)
        if command is None:
            return True
        try:
            shop.films.change(film, Change(revision=row.revision, command=command))
        except Clash:
            continue
        return True
    return False
