"""A film kept in another language: its cut, and how that follows the cut it is translated from."""

import json

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    CutDifference,
    FilmDocument,
    cut_differences,
    following,
    in_language,
    language_spoken,
)
from cutreel.core.film.languages import OWN_SETTINGS
from cutreel.store import Assembled, Cut

from .workshop import Workshop


def original_of(shop: Workshop, film: str) -> Cut:
    """The cut that one in another language is translated from. Raises NotFound."""
    translation = shop.films.get(film).document.translation
    found = [c for c in shop.whole.cuts(film) if translation and c.film == translation.of]
    if not found:
        raise NotFound(
            "The cut that this one is translated from is not on the shelf any more.",
            "What is translated stays as it is.",
        )
    return found[0]


def keep_in_language(shop: Workshop, film: str, language: str, name: str) -> str:
    """Keep a film as it is now in another language: a cut of its own, whose pictures are the film's; returns its id.
    Raises BadInput."""
    document = shop.films.get(film).document
    if document.translation is not None:
        raise BadInput(
            "This cut is a translation itself.", "Open the one that it is translated from."
        )
    if language == language_spoken(document):
        raise BadInput("The film is in this language already.", "Choose another.")
    made = shop.whole.keep_cut(film, name)
    begun = in_language(shop.films.get(made).document, film, language)
    shop.films.replace(made, begun, f"keep it in {name}", {"type": "in language"})
    return made


def behind(here: Assembled, original: Assembled) -> list[CutDifference]:
    """What the original has otherwise by now, of what is not the language's own."""
    return [
        d
        for d in cut_differences(here, original)
        if d.sort != "time" and not (d.sort == "setting" and d.what in OWN_SETTINGS)
    ]


def follow(shop: Workshop, film: str) -> None:
    """Take over what the original of a cut has by now, its takes with it; what is translated stays."""
    original = original_of(shop, film)
    names = shop.takes.shared(original.film, film)
    source = shop.films.get(original.film).document
    told = source.model_dump_json()
    for theirs, ours in names.items():
        told = told.replace(f'"{theirs}"', f'"{ours}"')
    taken = FilmDocument.model_validate(json.loads(told))
    cut = shop.films.get(film).document
    title = f"take over what “{original.name}” has"
    shop.films.replace(film, following(cut, taken), title, {"type": "follow"})
