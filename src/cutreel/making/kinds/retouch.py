"""Retouching a take: candidates that change nothing outside a mask, each kept as a take of its
own."""

import io
from collections.abc import Sequence
from decimal import Decimal
from typing import ClassVar, Literal

import numpy as np
from PIL import Image
from pydantic import Field

from cutreel.core.continuity import look_named
from cutreel.core.errors import BadInput
from cutreel.core.keys import key, seed_from
from cutreel.core.pictures import feathered, laid_into
from cutreel.protocol import Offer, PictureInput, Retouch
from cutreel.store import Assembled, ItemSpec, Result

from ..picking import take_of
from ..pictures import Origin, add_take, kept_picture, pixels_of
from ..registry import MEDIA, Kind, Made, RunKind, Spec, Stage, Takes, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop


class RetouchSpec(Spec):
    """A picture (`base`) and a mask; what is to be inside (`prompt`, from the maker's `words`;
    none: what is there goes). How wide the edge is (`feather`, pixels) comes after, and is no part
    of the key."""

    kind: ClassVar[str] = "retouch"
    made_of: ClassVar[frozenset[str] | None] = frozenset(
        {"base", "mask", "prompt", "seed", "offer"}
    )
    take: str
    base: str
    mask: str
    words: str = ""
    prompt: str = ""
    feather: float = 0.0
    seed: int
    offer: str

    @property
    def same(self) -> str:
        """What candidates of the same wish have in common."""
        return key("same retouch", 1, base=self.base, mask=self.mask, words=self.words)


class RetouchKind(Kind[RetouchSpec]):
    spec = RetouchSpec

    def make(self, spec: RetouchSpec, work: Work) -> Made | None:
        media = work.shop.media
        base, mask = spec.base.split(".")[0], spec.mask.split(".")[0]
        files = {base: media.get(spec.base), mask: media.get(spec.mask)}
        job = PictureInput(
            prompt=spec.prompt, seed=spec.seed, retouch=Retouch(base=base, mask=mask)
        )
        done = work.ask(spec.offer, job, spec, files)
        if done is None:
            return None
        about = {"unused_words": done.unused_words}
        return Made(media.put(done.files[0][1], "png"), about, done.cost)

    def place(self, spec: RetouchSpec, made: Result, cost: Decimal, work: Work) -> None:
        """A take beside the one it was made from, and as fresh as it."""
        shop, base = work.shop, work.shop.takes.get(spec.take)
        png = _composed(
            shop.media.get(spec.base),
            shop.media.get(made.media or ""),
            shop.media.get(spec.mask),
            spec.feather,
        )
        picture = kept_picture(shop, png, regions=base.about.get("regions", []))
        retouched = {"key": spec.same, "from": base.number, "words": spec.words, "mask": spec.mask}
        origin = Origin.of(base, seed=spec.seed, offer=spec.offer)
        add_take(
            shop, work.film, base.shot, picture, origin, {**made.data, "retouched": retouched}, cost
        )

    def price(self, spec: RetouchSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("picture", offers, spec.offer)
        return offer.price.amount if offer else Decimal(0)


def _composed(base: bytes, change: bytes, mask: bytes, feather: float) -> bytes:
    """Inside the mask what the service made, outside it the very pixels of the base."""
    under, over = pixels_of(base)[..., :3], pixels_of(change)[..., :3]
    if over.shape != under.shape:
        raise BadInput(
            "The service gave back a picture of another size.",
            "Try again, or choose another offer.",
        )
    share = feathered(pixels_of(mask)[..., 0], feather)
    out = io.BytesIO()
    pixels: np.ndarray[tuple[int, ...], np.dtype[np.uint8]] = laid_into(under, over, share)
    Image.fromarray(pixels).save(out, "PNG", compress_level=3)
    return out.getvalue()


class RetouchWanted(Wanted):
    """Candidates for a `take`: what a `mask` marks becomes what the `words` say, or goes without
    any; the edge is `feather` pixels wide."""

    kind: Literal["retouch"] = "retouch"
    take: str
    mask: str = Field(pattern=MEDIA)
    words: str = Field("", max_length=200)
    feather: float = Field(0.0, ge=0, le=200)
    takes: int = Takes


def retouches(film: Assembled, wanted: RetouchWanted, shop: Workshop) -> list[ItemSpec]:
    """The candidates that are asked for; each further one has the next seed."""
    index, take = take_of(film, wanted.take)
    if not shop.media.has(wanted.mask):
        raise BadInput("The mask is not kept any more.", "Mark again what is to change.")
    document, read = film.document, film.read.shots[index]
    look = look_named(document.settings.look, document.looks)
    words = " ".join(wanted.words.split())
    seed = seed_from(document.settings.seed, "retouch", wanted.mask, words) % 900_000
    first = RetouchSpec(
        take=take.id,
        base=take.media,
        mask=wanted.mask,
        words=words,
        prompt=f"{words}. {read.facts.time}, {read.facts.weather}. {look.medium}." if words else "",
        feather=wanted.feather,
        seed=seed,
        offer=read.offer,
    )
    told = [t.about.get("retouched", {}).get("key") for t in film.takes[index]]
    done = told.count(first.same)
    return [
        item(
            first.model_copy(update={"seed": seed + done + i}),
            f"retouch shot {read.shot.edge}",
            read.shot.id,
            1.2,
        )
        for i in range(wanted.takes)
    ]


RETOUCH_RUN = RunKind(RetouchWanted, lambda wanted: [Stage("retouch", retouches)])
