"""A look, or an offer, tried on three shots of the film, before everything is made again in it, or by it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.film import ReadShot, all_drawn_by, read_film
from cutreel.store import Assembled, ItemSpec

from .kinds.picture import picture_spec
from .registry import RunKind, Stage, Wanted, item
from .workshop import Workshop

SAMPLES = 3


class LookWanted(Wanted):
    """Samples of a `look`."""

    kind: Literal["look"] = "look"
    look: str


class TrialWanted(Wanted):
    """Samples of what an `offer` of pictures makes."""

    kind: Literal["trial"] = "trial"
    offer: str = Field(max_length=60)


@dataclass(frozen=True)
class Sample:
    """A shot in another look, or by another offer: its picture where it is made."""

    shot: int
    edge: str
    media: str | None
    thumb: str | None


def samples(shots: Sequence[ReadShot], shop: Workshop) -> list[Sample]:
    """The pictures of shots as they are asked for."""
    keys = [picture_spec(s).key for s in shots]
    found = shop.results.many(keys)
    return [
        Sample(s.shot.id, s.shot.edge, r.media if r else None, str(r.data["thumb"]) if r else None)
        for s, k in zip(shots, keys, strict=True)
        for r in [found.get(k)]
    ]


def _missing(shots: Sequence[ReadShot], shop: Workshop, how: str) -> list[ItemSpec]:
    """The samples that are not made yet. They are the pictures that the film would have so, and what is made here is
    not made, nor paid, again when it is taken."""
    specs = {spec.key: (s, spec) for s in shots for spec in [picture_spec(s)]}
    made = shop.results.known(list(specs))
    return [
        item(spec, f"shot {shot.shot.edge} {how}", weight=1.6)
        for name, (shot, spec) in specs.items()
        if name not in made
    ]


def in_look(film: Assembled, look: str) -> list[ReadShot]:
    """Three shots that differ most, in another look: people near, people further off, and a place alone."""
    settings = film.document.settings.model_copy(update={"look": look})
    document = film.document.model_copy(update={"settings": settings})
    other = read_film(document, film.read.offered, parses=film.read.parses)
    return [other.shots[i] for i in chosen_shots(film)]


def by_offer(film: Assembled, offer: str) -> list[ReadShot]:
    """The same three shots as an offer is asked for them. Raises BadInput for one that draws no pictures."""
    if offer not in film.read.offered.by_name:
        raise BadInput(f"No service offers pictures as “{offer}”.", "Choose another offer.")
    document = all_drawn_by(film.document, offer)
    other = read_film(document, film.read.offered, parses=film.read.parses)
    return [other.shots[i] for i in chosen_shots(film)]


def missing_in_look(film: Assembled, wanted: LookWanted, shop: Workshop) -> list[ItemSpec]:
    """The samples of a look that are not made yet."""
    return _missing(in_look(film, wanted.look), shop, "in another look")


def missing_by_offer(film: Assembled, wanted: TrialWanted, shop: Workshop) -> list[ItemSpec]:
    """The samples of an offer that are not made yet."""
    return _missing(by_offer(film, wanted.offer), shop, "on trial")


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


LOOK_RUN = RunKind(LookWanted, lambda wanted: [Stage("look", missing_in_look)])
TRIAL_RUN = RunKind(TrialWanted, lambda wanted: [Stage("trial", missing_by_offer)])
