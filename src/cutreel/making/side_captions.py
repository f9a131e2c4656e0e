"""The captions of a film in the languages that it is kept in besides its own."""

from cutreel.core.film import SideCaptions, captions_in, language_spoken
from cutreel.core.translation import Translation
from cutreel.store import Assembled

from .workshop import Workshop


def captions_besides(shop: Workshop, film: Assembled) -> list[SideCaptions]:
    """Captions in the languages that are asked for, of those that a cut of the film is kept in, in that order."""
    own = language_spoken(film.document)
    wanted = [tag for tag in film.document.settings.captions_also if tag != own]
    if not wanted:
        return []
    known: dict[str, Translation | None] = {}
    for cut in shop.whole.cuts(film.film):
        document = shop.films.get(cut.film).document
        known.setdefault(language_spoken(document), document.translation)
    return [SideCaptions(tag, captions_in(film, known[tag])) for tag in wanted if tag in known]
