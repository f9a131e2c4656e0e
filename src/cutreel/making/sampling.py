"""A look tried on three shots of the film, before everything is made again in it."""

from dataclasses import dataclass
from typing import Literal

from cutreel.core.film import ReadShot, read_film
from cutreel.store import Assembled, ItemSpec

from .kinds.picture import picture_spec
from .registry import RunKind, Stage, Wanted, item
from .workshop import Workshop

SAMPLES = 3


class LookWanted(Wanted):
    """Samples of a `look`."""

    kind: Literal["look"] = "look"
    look: str


@dataclass(frozen=True)
class Sample:
    """A shot in another look: its picture where it is made."""

    shot: int
    edge: str
    media: str | None
    thumb: str | None


def samples(film: Assembled, look: str, shop: Workshop) -> list[Sample]:
    """Three shots that differ most: people near, people further off, and a place alone."""
    shots = _in_look(film, look)
    keys = [picture_spec(s).key for s in shots]
    found = shop.results.many(keys)
    return [
        Sample(s.shot.id, s.shot.edge, r.media if r else None, str(r.data["thumb"]) if r else None)
        for s, k in zip(shots, keys, strict=True)
        for r in [found.get(k)]
    ]


def missing_samples(film: Assembled, wanted: LookWanted, shop: Workshop) -> list[ItemSpec]:
    """The samples that are not made yet. They are the pictures that the film would have in that
    look, so what is made here is not made, nor paid, again when it is taken."""
    shots = _in_look(film, wanted.look)
    specs = {spec.key: (s, spec) for s in shots for spec in [picture_spec(s)]}
    made = shop.results.known(list(specs))
    return [
        item(spec, f"shot {shot.shot.edge} in another look", weight=1.6)
        for name, (shot, spec) in specs.items()
        if name not in made
    ]


def _in_look(film: Assembled, look: str) -> list[ReadShot]:
    settings = film.document.settings.model_copy(update={"look": look})
    document = film.document.model_copy(update={"settings": settings})
    other = read_film(document, film.read.offered, parses=film.read.parses)
    return [other.shots[i] for i in chosen_shots(film)]


def chosen_shots(film: Assembled) -> list[int]:
    own = [i for i, s in enumerate(film.read.shots) if s.picture_of == s.shot.id]

    def near(i: int) -> int:
        return ["extreme wide", "wide", "medium", "close", "extreme close"].index(
            film.read.shots[i].facts.framing
        )

    peopled = sorted((i for i in own if film.read.shots[i].people), key=lambda i: (-near(i), i))
    empty = [i for i in own if not film.read.shots[i].people]
    chosen = dict.fromkeys(
        [*peopled[:1], *peopled[len(peopled) // 2 :][:1], *empty[:1], *peopled[1:], *own]
    )
    return sorted(list(chosen)[:SAMPLES])


LOOK_RUN = RunKind(LookWanted, lambda wanted: [Stage("look", missing_samples)])
