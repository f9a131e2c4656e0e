"""Whether drift in pictures is found, and nothing else is: over pictures of the stand-in, at all
hours.

Twelve people of the company, each in their own film of pictures at dawn, day, dusk and night, near
and far:

- kept: every prompt says all traits, with one seed; whatever is marked here is a false alarm;
- whoever it is of, walls and curtains of rooms are held against their words, or what the film's pictures agree on;
- changed: one trait is dropped from the prompt and the seed is another, as when a maker writes a prompt by hand.
  Each has a twin, the same but for the trait said: where that part's plain colours in the two, in the same light and
  without any correction, are ΔE 5 apart (scikit-image's CIEDE2000), the drift is there and ought to be found; where
  the illustrator's free choice happens to be the trait's colour, there is none.

Run: `.venv/bin/python bench/drift.py [look …]`; prints one line a look, and a table by hour.
"""

import io
import sys
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass

import numpy as np
from PIL import Image
from skimage.color import deltaE_ciede2000, rgb2lab

from cutreel.core.continuity import (
    LOOKS,
    MARKED,
    READY,
    Person,
    SeenPicture,
    ShotFacts,
    ShownPicture,
    Trait,
    compose_picture,
    drift_in_pictures,
    look_named,
    measure_picture,
    slot_of,
)
from standins.illustrator import paint

HOURS = ("dawn", "day", "dusk", "night")
KEPT = ("wide", "medium", "close")
PLACES = (
    "a meadow",
    "a kitchen, ochre walls, navy curtains",
    "a library, moss green walls, rust curtains",
    "a shore",
)
SIZE = (960, 540)


@dataclass(frozen=True)
class Shown:
    """One picture to be made: of whom, where, its prompt, seed and hour, and which trait was dropped."""

    person: int
    place: str
    prompt: str
    seed: int
    hour: str
    framing: str
    dropped: str
    twin: str = ""


def people() -> list[Person]:
    """Twelve people with hair, skin and clothes of stated colours."""
    cards = [m.card.person for m in READY if m.kind == "person" and m.card.person]
    return [
        c.model_copy(update={"id": i})
        for i, c in enumerate(cards, 1)
        if "bald" not in str(c.traits)
    ][:12]


def plan(look: str) -> list[Shown]:
    out = []
    for person in people():
        for h, hour in enumerate(HOURS):
            for f, framing in enumerate(KEPT):
                place = PLACES[(h + f + person.id) % len(PLACES)]
                prompt = _prompt(person, look, hour, framing, place)
                out.append(Shown(person.id, place, prompt, 4000 + person.id, hour, framing, ""))
            coloured = [
                t
                for t in person.traits
                if t.weight == "must" and slot_of(t) in ("hair", "top", "neck")
            ]
            for d, trait in enumerate(coloured[:2]):
                bare = person.model_copy(
                    update={"traits": [t for t in person.traits if t != trait]}
                )
                place = PLACES[(h + d) % len(PLACES)]
                prompt = _prompt(bare, look, hour, KEPT[(h + d) % 2], place)
                twin = _prompt(person, look, hour, KEPT[(h + d) % 2], place)
                out.append(
                    Shown(
                        person.id,
                        place,
                        prompt,
                        7000 + 13 * h + d,
                        hour,
                        KEPT[(h + d) % 2],
                        trait.text,
                        twin,
                    )
                )
    return out


def _prompt(person: Person, look: str, hour: str, framing: str, place: str) -> str:
    facts = ShotFacts(
        framing=framing, angle="level", people=(person.id,), place=place, time=hour,
        weather="clear", mood="calm",
        action="", speaks=None,
    )  # type: ignore[arg-type]  # fmt: skip
    return compose_picture(facts, (person,), look_named(look), 400).text


def made(shown: Shown) -> tuple[SeenPicture, SeenPicture | None]:
    """What is seen in a picture, and in its twin."""
    out = []
    for prompt in filter(None, (shown.prompt, shown.twin)):
        picture = paint(prompt, shown.seed, *SIZE)
        pixels = np.asarray(Image.open(io.BytesIO(picture.flat)).convert("RGB"))
        out.append(measure_picture(pixels, picture.regions, picture.place))
    return out[0], out[1] if shown.twin else None


def really_apart(trait: str, one: SeenPicture, other: SeenPicture | None) -> float | None:
    """How far apart a part of the same figure is in two pictures of the same light, without any
    correction."""
    slot = slot_of(Trait(about="", text=trait))
    if other is None or slot not in one.figures[0].shown or slot not in other.figures[0].shown:
        return None
    pair = [rgb2lab(np.array(s.figures[0].shown[slot])[None, None] / 255) for s in (one, other)]
    return float(deltaE_ciede2000(*pair)[0, 0])


def run(look: str) -> None:
    wanted = plan(look)
    with ProcessPoolExecutor(2) as pool:
        pairs = list(pool.map(made, wanted, chunksize=4))
    seen = [one for one, _ in pairs]
    truth = {
        i: really_apart(wanted[i].dropped, *pairs[i])
        for i in range(len(wanted))
        if wanted[i].dropped
    }
    cast = {p.id: p for p in people()}
    marked: dict[int, set[str]] = {i: set() for i in range(len(wanted))}
    apart: dict[tuple[int, str], float] = {}
    rooms: list[float] = []
    for person in cast.values():
        own = [i for i, w in enumerate(wanted) if w.person == person.id]
        shown = [
            ShownPicture(
                i,
                str(i),
                (person,),
                wanted[i].prompt,
                seen[i],
                wanted[i].hour,
                wanted[i].framing,
                None,
                wanted[i].place,
            )
            for i in own
        ]
        for finding in drift_in_pictures(shown, look, look_named(look).true_colours):
            if finding.person is None:
                if finding.kind == "colour" and finding.apart is not None:
                    rooms.append(finding.apart)
            elif finding.kind in ("colour", "missing"):
                apart[finding.shot, finding.trait] = (
                    finding.apart if finding.apart is not None else 99.0
                )
                if finding.marked:
                    marked[finding.shot].add(finding.trait)
    kept = [i for i, w in enumerate(wanted) if not w.dropped]
    changed = [i for i, far in truth.items() if far is not None and far >= MARKED]
    same = [i for i, far in truth.items() if far is not None and far < MARKED / 2]
    alarms = [i for i in kept if marked[i]]
    compared = [v for (i, _), v in apart.items() if not wanted[i].dropped]
    found = [i for i in changed if wanted[i].dropped in marked[i]]
    strays = [i for i in changed if marked[i] - {wanted[i].dropped}]
    print(
        f"{look}: {len(wanted)} pictures; kept {len(kept)}: false alarms in {len(alarms)} pictures "
        f"({len(alarms) / len(kept):.1%}), ΔE median {np.median(compared):.1f}, 95 of 100 under "
        f"{np.percentile(compared, 95):.1f}; "
        f"changed {len(changed)}: found {len(found)} ({len(found) / len(changed):.1%}), "
        f"others marked in {len(strays)}; "
        f"dropped but drawn the same {len(same)}: marked {sum(wanted[i].dropped in marked[i] for i in same)}"
    )
    print(
        f"  walls and curtains: {len(rooms)} measured, ΔE median {np.median(rooms):.1f}, "
        f"under {MARKED:g} in {np.mean(np.array(rooms) < MARKED):.1%}"
        if rooms
        else "  walls and curtains are not told in this look"
    )
    by_hour = (
        Counter(wanted[i].hour for i in alarms),
        Counter(wanted[i].hour for i in set(changed) - set(found)),
    )
    print("  alarms by hour", dict(by_hour[0]), "missed by hour", dict(by_hour[1]))
    for i in alarms[:6]:
        print(
            "  alarm",
            wanted[i].hour,
            wanted[i].framing,
            cast[wanted[i].person].name,
            marked[i],
            {t: v for (j, t), v in apart.items() if j == i},
            seen[i].figures[0].lit,
        )
    for i in [i for i in changed if i not in found][:6]:
        print(
            "  missed",
            wanted[i].hour,
            wanted[i].framing,
            cast[wanted[i].person].name,
            wanted[i].dropped,
            apart.get((i, wanted[i].dropped)),
            truth[i],
            seen[i].figures[0].lit,
        )


if __name__ == "__main__":
    for name in sys.argv[1:] or [k.name for k in LOOKS if k.name not in ("shadow-theatre",)]:
        run(name)
