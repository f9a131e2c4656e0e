"""A take made larger by a service, with all its layers."""

from collections.abc import Sequence
from decimal import Decimal
from typing import ClassVar, Literal

from cutreel.core.errors import BadInput
from cutreel.protocol import EnlargeInput, Offer
from cutreel.store import Assembled, ItemSpec, Result

from ..picking import take_of
from ..pictures import Origin, Picture, add_take, kept_picture, size_of
from ..registry import Kind, Made, RunKind, Spec, Stage, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop

MOST_LAYERS = 7
"""A service takes eight pictures at a time: the flat one and its layers."""


class EnlargeSpec(Spec):
    """A picture and its layers as (media, depth), made larger `factor` times."""

    kind: ClassVar[str] = "enlarge"
    made_of: ClassVar[frozenset[str] | None] = frozenset({"media", "layers", "factor", "offer"})
    take: str
    media: str
    layers: tuple[tuple[str, float], ...] = ()
    factor: Literal[2, 4]
    offer: str


class EnlargeKind(Kind[EnlargeSpec]):
    spec = EnlargeSpec

    def make(self, spec: EnlargeSpec, work: Work) -> Made | None:
        media = [spec.media, *(m for m, _ in spec.layers)]
        hashes = [m.split(".")[0] for m in media]
        files = {h: work.shop.media.get(m) for h, m in zip(hashes, media, strict=True)}
        job = EnlargeInput(pictures=hashes, factor=spec.factor)
        done = work.ask(spec.offer, job, spec, files)
        if done is None:
            return None
        if len(done.files) != len(media):
            raise BadInput("The service gave back another number of pictures.", "Try again.")
        (_, flat), *more = done.files
        base = work.shop.takes.get(spec.take)
        picture = kept_picture(
            work.shop,
            flat,
            layers=[(d, depth) for (_, d), (_, depth) in zip(more, spec.layers, strict=True)],
            regions=base.about.get("regions", []),
        )
        return Made(picture.media, picture.as_data(), done.cost)

    def place(self, spec: EnlargeSpec, made: Result, cost: Decimal, work: Work) -> None:
        """A take beside the one it was made from, and as fresh as it; what is known of that one
        holds on."""
        base, picture = work.shop.takes.get(spec.take), Picture.of_result(made)
        told = {n: v for n, v in base.about.items() if n not in picture.about}
        told["enlarged"] = {"from": base.number, "factor": spec.factor}
        add_take(work.shop, work.film, base.shot, picture, Origin.of(base), told, cost)

    def price(self, spec: EnlargeSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("enlarge", offers, spec.offer)
        return offer.price.amount * (1 + len(spec.layers)) if offer else Decimal(0)


class EnlargeWanted(Wanted):
    """A `take` made larger `factor` times."""

    kind: Literal["enlarge"] = "enlarge"
    take: str
    factor: Literal[2, 4] = 2


def enlargements(film: Assembled, wanted: EnlargeWanted, shop: Workshop) -> list[ItemSpec]:
    """The one thing that is asked for. Raises BadInput where the service makes nothing as large."""
    index, take = take_of(film, wanted.take)
    if "clip" in take.about:
        raise BadInput("A clip is not enlarged.", "Enlarge the picture that it was made of.")
    read = film.read.shots[index]
    offer = shop.offer_of("enlarge", read.made_by.get("enlarge", ""))
    width, height = (side * wanted.factor for side in size_of(shop, take))
    if width > (offer.caps.width or width) or height > (offer.caps.height or height):
        raise BadInput(
            f"{width} by {height} pixels are more than {offer.title} makes.",
            "Choose 2, or enlarge a take that was not enlarged yet.",
        )
    layers = tuple(p for p in take.layers if p[0] != take.media)[:MOST_LAYERS]
    spec = EnlargeSpec(
        take=take.id, media=take.media, layers=layers, factor=wanted.factor, offer=offer.name
    )
    weight = 1.0 + wanted.factor * 0.6 * (1 + len(layers))
    return [item(spec, f"enlarge shot {read.shot.edge}", read.shot.id, weight)]


ENLARGE_RUN = RunKind(EnlargeWanted, lambda wanted: [Stage("enlarge", enlargements)])
