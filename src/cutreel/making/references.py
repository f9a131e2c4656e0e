"""References made for somebody or for a place: a model sheet, or a plain view, several to choose
from."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from cutreel.core.continuity import (
    Lab,
    Look,
    Person,
    Place,
    Prompt,
    SeenPicture,
    compose_model_sheet,
    compose_place_sheet,
    figures_of,
    look_named,
    place_colours,
    slot_of,
)
from cutreel.core.errors import NotFound
from cutreel.core.film import FilmDocument, Offered
from cutreel.core.keys import seed_from
from cutreel.store import Assembled, ItemSpec, Result, offered

from .kinds.picture import PictureSpec
from .registry import RunKind, Stage, Takes, Wanted, item
from .workshop import Workshop

MOST_CANDIDATES = 8


class ReferencesWanted(Wanted):
    """The next references of a `person`, or of a `place`, by number."""

    kind: Literal["references"] = "references"
    person: int | None = None
    place: int | None = None
    takes: int = Takes


@dataclass(frozen=True)
class Candidate:
    """A reference that was made and can be circled, with the colours measured in it by the wording
    of each trait."""

    media: str
    thumb: str
    seed: int
    look: str
    colours: dict[str, Lab]


def missing_references(film: Assembled, wanted: ReferencesWanted, shop: Workshop) -> list[ItemSpec]:
    """The next `takes` references that were not made yet."""
    whose = _whose(film.document, wanted)
    specs = _specs(film.document, whose, shop)
    made = shop.results.known([s.key for s in specs])
    new = [s for s in specs if s.key not in made][: wanted.takes]
    label = f"{'model sheet' if isinstance(whose, Person) else 'view'} of {whose.name}"
    return [item(s, label, weight=1.8) for s in new]


def candidates(
    film: FilmDocument, wanted: ReferencesWanted, shop: Workshop
) -> tuple[list[Candidate], Prompt]:
    """The references that are made, in order, and the prompt they were made with."""
    whose = _whose(film, wanted)
    look = look_named(film.settings.look, film.looks)
    specs = _specs(film, whose, shop)
    found = shop.results.many([s.key for s in specs])
    out = []
    for spec in specs:
        result = found.get(spec.key)
        if result is not None and result.media is not None:
            colours = _colours(whose, result)
            thumb = str(result.data["thumb"])
            out.append(Candidate(result.media, thumb, spec.seed, look.name, colours))
    return out, _prompt(whose, look, _cap(film, whose, shop))


def _cap(film: FilmDocument, whose: Person | Place, shop: Workshop) -> int:
    return _drawn_by(film, whose, shop).prompt_cap


def _offer(film: FilmDocument, whose: Person | Place) -> str:
    """Who draws somebody's model sheet: who draws them in the film."""
    chosen = whose.made_by.get("picture") if isinstance(whose, Person) else None
    return chosen or film.settings.offer


def _drawn_by(film: FilmDocument, whose: Person | Place, shop: Workshop) -> Offered:
    return offered(shop.offers(), _offer(film, whose))


def _whose(film: FilmDocument, wanted: ReferencesWanted) -> Person | Place:
    rows: Sequence[Person | Place] = film.cast if wanted.person else film.places
    number = wanted.person or wanted.place
    found = next((r for r in rows if r.id == number), None)
    if found is None:
        raise NotFound("That person or place is not in the film any more.", "Load the page again.")
    return found


def _prompt(whose: Person | Place, look: Look, cap: int) -> Prompt:
    if isinstance(whose, Person):
        return compose_model_sheet(whose, look, cap)
    return compose_place_sheet(whose, look, cap)


def _specs(film: FilmDocument, whose: Person | Place, shop: Workshop) -> list[PictureSpec]:
    look = look_named(film.settings.look, film.looks)
    prompt = _prompt(whose, look, _cap(film, whose, shop))
    own = whose.seed if isinstance(whose, Person) else None
    seed = seed_from(film.settings.seed, "reference", whose.name) if own is None else own
    # A sheet is wide whatever the shape of the film is.
    width, height = _drawn_by(film, whose, shop).picture_size("16:9")
    return [
        PictureSpec(
            made_from="",
            prompt=prompt.text,
            seed=seed + i,
            width=width,
            height=height,
            offer=_offer(film, whose),
        )
        for i in range(MOST_CANDIDATES)
    ]


def _colours(whose: Person | Place, result: Result) -> dict[str, Lab]:
    """The colour of each trait as a model sheet shows it; of each coloured part of a place, as its view does."""
    seen = SeenPicture.kept_in(result.data)
    if seen is None:
        return {}
    if isinstance(whose, Place):
        shown = seen.place.colours if seen.place else {}
        named = place_colours(whose.description or whose.name)
        return {said: shown[slot] for slot, said in named if slot in shown}
    figures = figures_of([whose], seen)
    if not figures:
        return {}
    shown = figures[0][1].colours
    slots = {t.text: slot_of(t, whose.is_animal) for t in whose.traits}
    return {text: shown[slot] for text, slot in slots.items() if slot in shown}


REFERENCES_RUN = RunKind(ReferencesWanted, lambda wanted: [Stage("references", missing_references)])
