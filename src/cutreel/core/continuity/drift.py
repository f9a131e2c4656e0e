"""Drift: where a picture departs from what continuity says, in the words it was made from and in
what it shows.

In words: traits of who is in the picture that the prompt did not say. In the picture: the colour of
each part against the sheet (CIEDE2000 with kL = 2, both in white light), a trait that is not seen,
a figure too small, a speaker's face turned away, and the whole against the other pictures of its
place and hour.

The colour that a trait should have is, in this order: what the maker set; what was measured in a
circled reference in this look; the median of the film's pictures whose prompts said the trait and
whose light is told, from three on; what its words mean, where the look shows colours as they are;
the median of all that said it.
"""

import math
import re
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache, partial
from typing import Literal

import numpy as np

from cutreel.core.colour import Lab, Light, ciede2000, colour_in, lab_of, middle_light
from cutreel.core.kept import Kept

from .lit import colours_in_light
from .model import Person, Trait
from .parts import slot_of
from .seen import SeenFigure, SeenPicture

MARKED, UNSURE = 5.0, 10.0
"""A colour this far off is marked: CIEDE2000 5 is seen at a glance; in a light that nothing tells,
from 10 on."""
UNEVEN = 2.0
"""kL of CIEDE2000: cloth has folds, washes and shading, so that lightness counts half."""
SMALL = 0.28
"""Least share of the frame's height for a figure of a wide shot: about half is wanted in shots that
move."""
LIGHTER, STRONGER, PALETTE = 18.0, 14.0, 22.0
"""How far lightness, contrast (both of L*) and palette (CIEDE2000) may lie from the pictures that
one is to be like."""

Kind = Literal["colour", "missing", "size", "facing", "look"]


@dataclass(frozen=True, slots=True)
class WordDrift:
    """The traits of a person that a prompt did not carry."""

    person: int
    missing: tuple[str, ...]


def drift_in_words(people: Sequence[Person], prompt: str) -> list[WordDrift]:
    """For everybody in a picture who has traits missing from `prompt`: those traits, in their long
    wording. Traits that may go where room is short are not missed."""
    said = _plain(prompt)
    out = []
    for person in people:
        if person.prompt and _plain(person.prompt) in said:
            continue
        missing = tuple(
            t.text for t in person.traits if t.text and t.weight == "must" and not _says(said, t)
        )
        if missing:
            out.append(WordDrift(person.id, missing))
    return out


def _says(said: str, trait: Trait) -> bool:
    return any(_plain(wording) in said for wording in (trait.text, trait.short) if wording)


@lru_cache(maxsize=16_384)
def _plain(text: str) -> str:
    """Small letters and single spaces, framed by spaces so that whole words are compared."""
    return " " + " ".join(re.sub(r"[^\w\s'-]", " ", text.lower()).split()) + " "


@dataclass(frozen=True, slots=True)
class ShownPicture:
    """A picture in use, as drift needs to know it: of which shot and take, who should be in it,
    dressed as there, the prompt it was made from, what was seen in it, and what its shot asks
    for. `place` is what its place is called."""

    shot: int
    take: str
    people: tuple[Person, ...]
    prompt: str
    seen: SeenPicture
    hour: str
    framing: str
    speaks: int | None
    place: str = ""


@dataclass(frozen=True, slots=True)
class Finding:
    """One departure. `apart` is a CIEDE2000 difference (or one of L* for a look), None where
    nothing is measured by colour; `text` says it in words; `trait` is the wording it is about;
    `person` None means the whole picture. `wanted` and `shown` are the colours compared."""

    shot: int
    take: str
    person: int | None
    kind: Kind
    trait: str
    apart: float | None
    text: str
    marked: bool
    wanted: Lab | None = None
    shown: Lab | None = None
    by: str = ""


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
    told = [(p.shot, p.take, p.people, p.prompt, p.hour, p.seen) for p in pictures]
    colours = memory.of(
        "colours of people",
        lambda: _of_people(pictures, looked, look, true_colours),
        (told, look, true_colours),
    )
    return [*stances, *colours, *_against_its_like(pictures, memory)]


Looked = list[tuple[ShownPicture, list[tuple[Person, SeenFigure]]]]


def _of_people(
    pictures: Sequence[ShownPicture], looked: Looked, look: str, true_colours: bool
) -> list[Finding]:
    """The colours of people's traits, and traits that are not seen."""
    hours = _light_by_hour(pictures)
    compared: list[tuple[Finding, Lab, Lab]] = []
    out: list[Finding] = []
    agreed = _agreed(looked)
    for picture, figures in looked:
        for person, figure in figures:
            wants: list[tuple[str, Trait, Lab, str]] = []
            for trait in person.traits:
                slot = slot_of(trait, person.is_animal)
                wanted, by = _wanted(person, trait, look, agreed, true_colours)
                if slot is not None and wanted is not None:
                    wants.append((slot, trait, wanted, by))
            colours, sure = colours_in_light(
                figure, {w[0]: w[2] for w in wants}, hours.get(picture.hour)
            )
            for slot, trait, wanted, by in wants:
                shown = colours.get(slot) or _nearest(figure, wanted)
                if shown is not None:
                    base = Finding(
                        picture.shot,
                        picture.take,
                        person.id,
                        "colour",
                        trait.text,
                        None,
                        "",
                        sure,
                        wanted,
                        shown,
                        by,
                    )
                    compared.append((base, wanted, shown))
                elif figure.told and _should_show(slot, colours):
                    text = f"no {trait.text} is seen"
                    out.append(
                        Finding(
                            picture.shot,
                            picture.take,
                            person.id,
                            "missing",
                            trait.text,
                            None,
                            text,
                            True,
                            wanted,
                        )
                    )
    if compared:
        apart = ciede2000(
            np.array([w for _, w, _ in compared]), np.array([s for _, _, s in compared]), UNEVEN
        )
        for (base, _, _), value in zip(compared, apart, strict=True):
            much = round(float(value), 1)
            text = f"{base.trait}: ΔE {math.floor(much)}" + (
                "" if base.marked else ", its light is not told"
            )
            out.append(
                replace(
                    base, apart=much, text=text, marked=much >= (MARKED if base.marked else UNSURE)
                )
            )
    return out


def _should_show(slot: str, colours: dict[str, Lab]) -> bool:
    """Whether a part that was asked for would be seen if it were there: what it is worn with is in
    the frame."""
    return (slot == "neck" and "top" in colours and "skin" in colours) or (
        slot == "hat" and "hair" in colours
    )


def _light_by_hour(pictures: Sequence[ShownPicture]) -> dict[str, Light]:
    """The light of each hour, as the pictures with neutrals tell it."""
    told: dict[str, list[Light]] = defaultdict(list)
    for picture in pictures:
        if picture.seen.lit:
            told[picture.hour].append(picture.seen.light)
    return {hour: middle_light(lights) for hour, lights in told.items()}


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


Agreed = dict[tuple[int, str], Lab]
FROM_PICTURES = 3
"""So many pictures must agree on a colour before others are held against it."""


def _agreed(looked: Looked) -> tuple[Agreed, Agreed]:
    """What the film's pictures agree on: the median colour of each trait in the pictures whose
    prompts said it; of those whose light is told, and of all."""
    sure: dict[tuple[int, str], list[Lab]] = defaultdict(list)
    every: dict[tuple[int, str], list[Lab]] = defaultdict(list)
    for picture, figures in looked:
        said = _plain(picture.prompt)
        for person, figure in figures:
            for trait in person.traits:
                slot = slot_of(trait, person.is_animal)
                if slot and slot in figure.shown and _says(said, trait):
                    every[person.id, trait.text].append(figure.colours[slot])
                    if figure.lit != "guess":
                        sure[person.id, trait.text].append(figure.colours[slot])
    return _middles(sure), _middles(every)


def _middles(found: dict[tuple[int, str], list[Lab]]) -> Agreed:
    out: Agreed = {}
    for name, colours in found.items():
        if len(colours) >= FROM_PICTURES:
            lightness, a, b = (float(v) for v in np.median(np.array(colours), axis=0))
            out[name] = (lightness, a, b)
    return out


def _wanted(
    person: Person, trait: Trait, look: str, agreed: tuple[Agreed, Agreed], true_colours: bool
) -> tuple[Lab | None, str]:
    sure, every = agreed
    if trait.colour:
        rgb = [int(trait.colour[i : i + 2], 16) for i in (1, 3, 5)]
        return _triple(lab_of(rgb)), "as you set it"
    for reference in person.references:
        if reference.look == look and trait.text in reference.colours:
            return reference.colours[trait.text], f"as in {reference.title or 'the reference'}"
    if (person.id, trait.text) in sure:
        return sure[person.id, trait.text], "as in the film's other pictures"
    rgb_named = colour_in(trait.text)
    if rgb_named and true_colours:
        return _triple(lab_of(rgb_named)), "as the words say"
    if (person.id, trait.text) in every:
        return every[person.id, trait.text], "as in the film's other pictures"
    return None, ""


def _triple(lab: np.ndarray) -> Lab:
    a, b, c = (round(float(v), 1) for v in lab)
    return (a, b, c)


def _nearest(figure: SeenFigure, wanted: Lab) -> Lab | None:
    """For a figure whose parts nobody told: the colour in its box that is nearest to what is
    wanted."""
    if figure.told or not figure.palette:
        return None
    apart = ciede2000(np.array(figure.palette), np.array(wanted))
    return figure.palette[int(np.argmin(apart))]


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


FEW = 3
"""Of so many pictures of a place at an hour one can be told to be unlike the others."""


def _against_its_like(pictures: Sequence[ShownPicture], memory: Kept) -> list[Finding]:
    """Pictures of stronger or flatter contrast than the film's others of their hour, and those that are lighter, darker
    or of other colours than others of their place at that hour: a kitchen is not to look like the street before it."""
    by_hour: dict[str, list[ShownPicture]] = defaultdict(list)
    by_place: dict[tuple[str, str], list[ShownPicture]] = defaultdict(list)
    for picture in pictures:
        by_hour[picture.hour].append(picture)
        by_place[picture.hour, picture.place].append(picture)
    out = []
    for hour, group in by_hour.items():
        if len(group) > FEW:
            make = partial(_of_other_contrast, hour, group)
            out += memory.of(("contrast", hour), make, [(p.shot, p.take, p.seen) for p in group])
    for (hour, place), group in by_place.items():
        others = f"the film's other pictures of {hour}"
        if len(group) < len(by_hour[hour]):
            others = f"the other pictures of {place}"
        if len(group) >= FEW and len(by_hour[hour]) > FEW:
            make = partial(_of_other_light, others, group)
            told = (others, [(p.shot, p.take, p.seen) for p in group])
            out += memory.of(("light", hour, place), make, told)
    return out


def _of_other_contrast(hour: str, group: Sequence[ShownPicture]) -> list[Finding]:
    usual = float(np.median([p.seen.style.contrast for p in group]))
    out = []
    for p in group:
        off = p.seen.style.contrast - usual
        if abs(off) > STRONGER:
            text = f"{'stronger' if off > 0 else 'flatter'} contrast than the film's other pictures of {hour}"
            out.append(_of_the_look(p, abs(off), text))
    return out


def _of_other_light(others: str, group: Sequence[ShownPicture]) -> list[Finding]:
    usual = float(np.median([p.seen.style.lightness for p in group]))
    far = _palette_apart([[s.lab for s in p.seen.style.palette[:3]] for p in group])
    out = []
    for p, apart in zip(group, far, strict=True):
        off = p.seen.style.lightness - usual
        if abs(off) > LIGHTER:
            text = f"{'lighter' if off > 0 else 'darker'} than {others}: {off:+.0f} L*"
            out.append(_of_the_look(p, abs(off), text))
        if apart > PALETTE:
            out.append(_of_the_look(p, apart, f"other colours than {others}: ΔE {apart:.0f}"))
    return out


def _of_the_look(picture: ShownPicture, apart: float, text: str) -> Finding:
    return Finding(picture.shot, picture.take, None, "look", "", round(apart, 1), text, True)


GRID = 6.0
"""Colours of palettes are put together by L*a*b* cells of this size, so that many pictures are
compared at once."""


def _palette_apart(palettes: Sequence[Sequence[Lab]]) -> list[float]:
    """For each picture's main colours: how far (CIEDE2000, on average) the nearest of any other
    picture's lies."""
    owners: dict[tuple[int, int, int], set[int]] = defaultdict(set)
    for i, palette in enumerate(palettes):
        for a, b, c in palette:
            owners[round(a / GRID), round(b / GRID), round(c / GRID)].add(i)
    cells = np.array(list(owners), float).reshape(-1, 3) * GRID
    alone = np.array([next(iter(who)) if len(who) == 1 else -1 for who in owners.values()])
    flat = np.array([lab for palette in palettes for lab in palette], float).reshape(-1, 3)
    whose = np.array([i for i, palette in enumerate(palettes) for _ in palette], int)
    if not len(flat):
        return [0.0] * len(palettes)
    apart = ciede2000(flat[:, None], cells[None])
    apart[whose[:, None] == alone[None]] = np.inf
    nearest = apart.min(axis=1)
    return [
        float(nearest[whose == i].mean()) if (whose == i).any() else 0.0
        for i in range(len(palettes))
    ]
