"""References made for somebody or for a place: a model sheet, or a plain view, several to choose
from."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from cutreel.core.continuity import (
    Lab,
    Look,
    Person,
    Place,
    Prompt,
    compose_model_sheet,
    compose_place_sheet,
    figures_of,
    look_named,
    slot_of,
)
from cutreel.core.errors import NotFound
from cutreel.core.film import FilmDocument
from cutreel.core.film.reading import picture_size
from cutreel.core.keys import seed_from
from cutreel.store import Assembled, ItemSpec
from cutreel.store.offers import prompt_cap
from cutreel.store.results import Result

from .drifting import seen_in_data
from .picture_specs import take_key
from .workshop import Workshop

MOST_CANDIDATES = 8


@dataclass(frozen=True)
class Candidate:
    """A reference that was made and can be circled, with the colours measured in it by the wording
    of each trait."""

    media: str
    thumb: str
    seed: int
    look: str
    colours: dict[str, Lab]


def missing_references(film: Assembled, options: dict[str, Any], shop: Workshop) -> list[ItemSpec]:
    """The next `takes` references of the person or place that `options` names, which were not made
    yet."""
    whose = _whose(film.document, options)
    specs = _specs(film.document, whose, shop)
    made = shop.results.many([take_key(s) for s in specs])
    new = [s for s in specs if take_key(s) not in made][: int(options.get("takes") or 1)]
    label = f"{'model sheet' if isinstance(whose, Person) else 'view'} of {whose.name}"
    return [ItemSpec("picture", label, s, None, 1.8) for s in new]


def candidates(
    film: FilmDocument, options: dict[str, Any], shop: Workshop
) -> tuple[list[Candidate], Prompt]:
    """The references that are made, in order, and the prompt they were made with."""
    whose = _whose(film, options)
    look = look_named(film.settings.look, film.looks)
    specs = _specs(film, whose, shop)
    found = shop.results.many([take_key(s) for s in specs])
    out = []
    for spec in specs:
        result = found.get(take_key(spec))
        if result is not None and result.media is not None:
            colours = _colours(whose, result) if isinstance(whose, Person) else {}
            out.append(
                Candidate(result.media, str(result.data["thumb"]), spec["seed"], look.name, colours)
            )
    return out, _prompt(whose, look, prompt_cap(shop.offers(), film.settings.offer))


def _whose(film: FilmDocument, options: dict[str, Any]) -> Person | Place:
    rows: Sequence[Person | Place] = film.cast if options.get("person") else film.places
    number = options.get("person") or options.get("place")
    found = next((r for r in rows if r.id == number), None)
    if found is None:
        raise NotFound("That person or place is not in the film any more.", "Load the page again.")
    return found


def _prompt(whose: Person | Place, look: Look, cap: int) -> Prompt:
    if isinstance(whose, Person):
        return compose_model_sheet(whose, look, cap)
    return compose_place_sheet(whose, look, cap)


def _specs(film: FilmDocument, whose: Person | Place, shop: Workshop) -> list[dict[str, Any]]:
    look = look_named(film.settings.look, film.looks)
    prompt = _prompt(whose, look, prompt_cap(shop.offers(), film.settings.offer))
    own = whose.seed if isinstance(whose, Person) else None
    seed = seed_from(film.settings.seed, "reference", whose.name) if own is None else own
    # A sheet is wide whatever the shape of the film is.
    width, height = picture_size(film.settings.model_copy(update={"aspect": "16:9"}))
    return [
        {
            "made_from": "",
            "prompt": prompt.text,
            "negative": "",
            "seed": seed + i,
            "width": width,
            "height": height,
            "offer": film.settings.offer,
        }
        for i in range(MOST_CANDIDATES)
    ]


def _colours(person: Person, result: Result) -> dict[str, Lab]:
    """The colour of each trait as the sheet shows it."""
    seen = seen_in_data(result.data)
    figures = figures_of([person], seen) if seen else []
    if not figures:
        return {}
    shown = figures[0][1].colours
    slots = {t.text: slot_of(t, person.is_animal) for t in person.traits}
    return {text: shown[slot] for text, slot in slots.items() if slot in shown}
