"""Drift: where a picture departs from what continuity says, in the words it was made from and in
what it shows.

In words: traits of who is in the picture that the prompt did not say. In the picture: the colour of
each part against the sheet (CIEDE2000 with kL = 2, both in white light), a trait that is not seen,
a figure too small, a speaker's face turned away, and the whole against the other pictures of its
place and hour.

What is looked for stands in a file of its own each: `people_colours`, `place_colours`, `likeness`; which colour a trait
should have, in `wanted`.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import partial

from cutreel.core.kept import Kept

from .finding import Finding, ShownPicture
from .likeness import against_its_like
from .lit import Lights
from .model import Person
from .people_colours import figures_of, of_people
from .place_colours import of_places
from .plain import is_said, plainly
from .seen import SeenFigure

SMALL = 0.28
"""Least share of the frame's height for a figure of a wide shot: about half is wanted in shots that
move."""


@dataclass(frozen=True, slots=True)
class WordDrift:
    """The traits of a person that a prompt did not carry."""

    person: int
    missing: tuple[str, ...]


def drift_in_words(people: Sequence[Person], prompt: str) -> list[WordDrift]:
    """For everybody in a picture who has traits missing from `prompt`: those traits, in their long
    wording. Traits that may go where room is short are not missed."""
    said = plainly(prompt)
    out = []
    for person in people:
        if person.prompt and plainly(person.prompt) in said:
            continue
        missing = tuple(
            t.text for t in person.traits if t.text and t.weight == "must" and not is_said(said, t)
        )
        if missing:
            out.append(WordDrift(person.id, missing))
    return out


def drift_in_pictures(
    pictures: Sequence[ShownPicture], look: str, true_colours: bool, memory: Kept | None = None
) -> list[Finding]:
    """All that was found in the pictures in use of a film whose look is called `look`.

    `true_colours`: whether that look shows colours about as their names say.
    """
    memory = memory or Kept()
    looked = [
        (p, memory.of(("who", p.shot), partial(figures_of, p.people, p.seen), p.people, (p.seen,)))
        for p in pictures
    ]
    stances = [f for picture, figures in looked for who in figures for f in _stance(picture, *who)]
    lights = Lights.told((p.hour, p.place, p.seen) for p in pictures)
    told = [(p.shot, p.take, p.people, p.prompt, p.hour, p.place, p.seen) for p in pictures]
    colours, by_shot = memory.of(
        "colours of people",
        lambda: of_people(looked, lights, look, true_colours),
        (told, look, true_colours),
    )
    places = memory.of(
        "colours of places",
        lambda: of_places(pictures, lights, by_shot, look, true_colours),
        (told, [p.references for p in pictures], by_shot, look, true_colours),
    )
    return [*stances, *colours, *places, *against_its_like(pictures, memory)]


def _stance(picture: ShownPicture, person: Person, figure: SeenFigure) -> list[Finding]:
    out = []
    if (
        picture.framing == "wide"
        and not person.is_animal
        and figure.height < SMALL * _grown(person)
    ):
        text = f"small: {figure.height * 100:.0f} % of the frame's height"
        out.append(Finding(picture.shot, picture.take, person.id, "size", "", None, text, True))
    if picture.speaks == person.id and figure.facing in ("side", "back"):
        text = f"speaks with the face turned: {figure.facing}"
        out.append(Finding(picture.shot, picture.take, person.id, "facing", "", None, text, True))
    return out


def _grown(person: Person) -> float:
    """How tall somebody is against a grown person, as far as the traits say."""
    words = {w for t in person.traits for w in t.text.lower().split()}
    return 0.65 if words & {"boy", "girl", "child"} else 1.0
