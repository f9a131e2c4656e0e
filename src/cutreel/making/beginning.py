"""A film begun from a story: called, cut, in a house style, and read."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from cutreel.core.breakdown import By, wish_for
from cutreel.core.continuity import look_named
from cutreel.core.film import (
    GivenShot,
    GivenSource,
    Settings,
    clean_text,
    name_for,
    new_film,
    styled,
)
from cutreel.core.manuscript import titled

from .kinds.reading import wish_reading
from .parsing import AT_ONCE, parses_of
from .workshop import Workshop


@dataclass
class Story:
    """A story to make a film of: what it is to be called (empty: by its first line, where that is plainly a title, else
    by whom it is about), settings of its own, the `style` of the house (its id, or none), how it is cut, and the shots
    and sources that its script states."""

    text: str
    title: str = ""
    settings: Settings = field(default_factory=Settings)
    style: str | None = None
    by: By = "pace"
    count: int = 0
    shots: Sequence[GivenShot] = ()
    sources: Sequence[GivenSource] = ()


def begin_film(shop: Workshop, story: Story, at_once: int = AT_ONCE) -> tuple[str, str]:
    """Put a film of a story on the shelf; returns its id, and the first line that was taken for its title and is not
    spoken. It is read now as far as `at_once` words go, the rest by a worker. Raises BadInput."""
    settings = story.settings.model_copy()
    style = shop.styles.get(story.style) if story.style else None
    first = shop.plugged.choices().get("picture", {}).get("first")
    if first and "offer" not in story.settings.model_fields_set:
        settings.offer = first
    if style is not None:
        said = settings.model_dump(include=settings.model_fields_set)
        usual = style.applied_to(Settings()).model_dump()
        settings = Settings.model_validate({**usual, **said})
    settings.look = look_named(settings.look, style.looks if style else []).name
    title, text = story.title.strip(), story.text
    found = None if story.shots or story.sources else titled(text)
    if found and title and found.title.casefold() != title.casefold():
        found = None
    title, text = (found.title, found.text) if found else (title, text)
    wish = replace(wish_for(settings.kind, settings.pace), by=story.by, count=story.count)
    parses, missing = parses_of(clean_text(text), shop.parses, at_once)
    called = title or "Untitled"
    document, edges = new_film(called, text, settings, wish, story.shots, story.sources, parses)
    if not title:
        document = document.model_copy(update={"title": name_for(document)})
    if style is not None:
        document = styled(document, style).model_copy(update={"settings": document.settings})
    film = shop.films.add(document, edges)
    if missing:
        wish_reading(shop, film, document.text)
    return film, found.title if found else ""
