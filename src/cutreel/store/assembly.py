"""A film read and laid out with everything that is kept of it."""

from collections.abc import Sequence

from cutreel.core.film import Assembled, Beneath, FilmDocument, assemble, language_spoken, read_film
from cutreel.core.reading import Parses
from cutreel.protocol import Offer

from .films import FilmStore
from .offers import offered
from .results import ResultStore
from .takes import TakeStore
from .whole import WholeStore


def assembled_film(
    film: str,
    document: FilmDocument,
    offers: Sequence[Offer],
    results: ResultStore,
    takes: TakeStore,
    parses: Parses | None = None,
    beneath: Beneath | None = None,
) -> Assembled:
    """The film as `document` has it, with what was made for it so far; another language may stand `beneath` its
    captions."""
    read = read_film(document, offered(offers, document.settings.offer), parses=parses)
    return assemble(film, read, takes.of_film(film), results.many, beneath=beneath)


def beneath_of(
    film: str, document: FilmDocument, films: FilmStore, whole: WholeStore
) -> Beneath | None:
    """The language that stands beneath the captions of a film in its picture, as the first of its cuts in that language
    has it; None where none is wished, or no cut is in it."""
    settings = document.settings
    tag = settings.captions_beneath
    if not tag or settings.captions != "burn" or tag == language_spoken(document):
        return None
    for cut in whole.cuts(film):
        row = films.get(cut.film)
        if language_spoken(row.document) == tag:
            return Beneath(tag, row.document.translation, cut.film, row.revision)
    return None
