"""The colours of people in pictures: who is who, and how far each trait is from what it should be."""

from collections import defaultdict
from collections.abc import Iterator, Sequence

import numpy as np

from cutreel.core.colour import Lab, Light, ciede2000, middle_light

from .finding import Compared, Finding, ShownPicture, compared
from .lit import Lights, light_of
from .model import Person, Trait
from .parts import slot_of
from .plain import is_said, plainly
from .seen import SeenFigure, SeenParts, SeenPicture
from .wanted import Agreed, Whose

Looked = list[tuple[ShownPicture, list[tuple[Person, SeenFigure]]]]


def of_people(
    looked: Looked, lights: Lights, look: str, true_colours: bool
) -> tuple[list[Finding], dict[int, Light]]:
    """How far the colours of people's traits are from what they should be, and traits that are not seen; and, by shot,
    the light of pictures that somebody in them tells."""
    told: dict[int, list[Light]] = defaultdict(list)
    out: list[Finding] = []
    colours: list[Compared] = []
    agreed = Agreed.of(_said(looked))
    for picture, figures in looked:
        light = lights.of(picture.hour, picture.place)
        for person, figure in figures:
            wants: list[tuple[str, Trait, Lab, str]] = []
            for trait in person.traits:
                slot = slot_of(trait, person.is_animal)
                wanted, by = agreed.wanted(
                    (person.id, trait.text), trait.colour, person.references, look, true_colours
                )
                if slot is not None and wanted is not None:
                    wants.append((slot, trait, wanted, by))
            own, sure = light_of(figure, {w[0]: w[2] for w in wants}, light)
            seen = figure.in_light(own)
            if sure:
                told[picture.shot].append(own)
            at = (picture.shot, picture.take, person.id)
            for slot, trait, wanted, by in wants:
                shown = seen.get(slot) or _nearest(figure, wanted)
                if shown is not None:
                    colours.append(Compared(*at, trait.text, wanted, shown, by, sure))
                elif figure.told and _should_show(slot, seen):
                    text = f"no {trait.text} is seen"
                    out.append(Finding(*at, "missing", trait.text, None, text, True, wanted))
    by_shot = {shot: middle_light(found) for shot, found in told.items()}
    return [*out, *compared(colours)], by_shot


def _said(looked: Looked) -> Iterator[tuple[Whose, str, SeenParts]]:
    """The traits that prompts said, with the figures they should be seen on."""
    for picture, figures in looked:
        said = plainly(picture.prompt)
        for person, figure in figures:
            for trait in person.traits:
                slot = slot_of(trait, person.is_animal)
                if slot and is_said(said, trait):
                    yield (person.id, trait.text), slot, figure


def _should_show(slot: str, colours: dict[str, Lab]) -> bool:
    """Whether a part that was asked for would be seen if it were there: what it is worn with is in
    the frame."""
    return (slot == "neck" and "top" in colours and "skin" in colours) or (
        slot == "hat" and "hair" in colours
    )


def figures_of(people: Sequence[Person], seen: SeenPicture) -> list[tuple[Person, SeenFigure]]:
    """Who is who in a picture: by the name that the service gave back, else in order."""
    free = list(seen.figures)
    pairs: list[tuple[Person, SeenFigure]] = []
    unknown: list[Person] = []
    for person in people:
        calls = {c.lower() for c in (person.name, *person.aliases, person.name.split(" ")[0])}
        if person.is_animal:
            calls |= {w for t in person.traits for w in t.text.lower().split()}
        found = next((f for f in free if f.name.lower() in calls), None)
        if found is None:
            unknown.append(person)
        else:
            free.remove(found)
            pairs.append((person, found))
    nameless = [f for f in free if f.name == "person"]
    pairs += zip([p for p in unknown if p.kind not in ("animal", "thing")], nameless, strict=False)
    return pairs


def _nearest(figure: SeenFigure, wanted: Lab) -> Lab | None:
    """For a figure whose parts nobody told: the colour in its box that is nearest to what is
    wanted."""
    if figure.told or not figure.palette:
        return None
    apart = ciede2000(np.array(figure.palette), np.array(wanted))
    return figure.palette[int(np.argmin(apart))]
