"""A film read and laid out with everything that is kept of it."""

from collections.abc import Sequence

from cutreel.core.film import Assembled, FilmDocument, assemble, read_film
from cutreel.core.reading import Parses
from cutreel.protocol import Offer

from .offers import offered
from .results import ResultStore
from .takes import TakeStore


def assembled_film(
    film: str,
    document: FilmDocument,
    offers: Sequence[Offer],
    results: ResultStore,
    takes: TakeStore,
    parses: Parses | None = None,
) -> Assembled:
    """The film as `document` has it, with what was made for it so far."""
    read = read_film(document, offered(offers, document.settings.offer), parses=parses)
    return assemble(film, read, takes.of_film(film), results.many)
