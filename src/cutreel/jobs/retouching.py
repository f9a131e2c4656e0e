"""Retouching a take: candidates that change nothing outside a mask, each kept as a take of its
own."""

import io
from decimal import Decimal
from typing import Any

import numpy as np
from PIL import Image

from cutreel.core.continuity import look_named
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.keys import key, seed_from
from cutreel.core.pictures import feathered, laid_into
from cutreel.store import Assembled, ItemSpec
from cutreel.store.takes import TakeRow

from .apart import reader
from .opening import opened
from .pictures import pixels_of, seen_in
from .workshop import Workshop

RETOUCH_VERSION = 1
LEAST_SHARE = 0.0005
"""A mask of less than this share of the picture is nothing anybody meant."""


def kept_mask(data: bytes, width: int, height: int, shop: Workshop) -> str:
    """Keep a mask that was drawn for a picture of a size; returns its media name. Raises BadInput
    for an empty one."""
    return shop.media.put(reader.read(masked, data, width, height), "png")


def masked(data: bytes, width: int, height: int) -> bytes:
    """A mask from outside as a PNG of black and white. Raises BadInput for an empty one, and for
    what is no picture."""
    image = opened(data).convert("L").resize((width, height), Image.Resampling.NEAREST)
    mask = np.asarray(image) >= 128
    if mask.mean() < LEAST_SHARE:
        raise BadInput("Nothing is marked.", "Paint or box what is to change.")
    out = io.BytesIO()
    Image.fromarray(mask.astype(np.uint8) * 255).save(out, "PNG")
    return out.getvalue()


def retouches(film: Assembled, options: dict[str, Any], shop: Workshop) -> list[ItemSpec]:
    """The candidates that a run of kind retouch asks for: `take`, `mask`, `words` (none: what is
    there goes), `takes`, `feather` in pixels. Each further one has the next seed."""
    shot, take = found_take(film, str(options.get("take") or ""))
    mask = str(options.get("mask") or "")
    if not shop.media.has(mask):
        raise BadInput("The mask is not kept any more.", "Mark again what is to change.")
    look = look_named(film.document.settings.look, film.document.looks)
    read = film.read.shots[shot]
    words = " ".join(str(options.get("words") or "").split())
    prompt = f"{words}. {read.facts.time}, {read.facts.weather}. {look.medium}." if words else ""
    spec = {
        "take": take.id,
        "base": take.media,
        "mask": mask,
        "words": words,
        "prompt": prompt,
        "feather": float(options.get("feather") or 0),
        "offer": film.document.settings.offer,
    }
    done = sum(
        1 for t in film.takes[shot] if t.about.get("retouched", {}).get("key") == _same(spec)
    )
    first = seed_from(film.document.settings.seed, "retouch", mask, words) % 900_000 + done
    return [
        ItemSpec(
            "retouch",
            f"retouch shot {read.shot.edge}",
            {**spec, "seed": first + i},
            read.shot.id,
            1.2,
        )
        for i in range(int(options.get("takes") or 1))
    ]


def retouch_key(spec: dict[str, Any]) -> str:
    """The key of what a service makes of it; how wide its edge is comes after."""
    return key(
        "retouch",
        RETOUCH_VERSION,
        **{n: spec[n] for n in ("base", "mask", "prompt", "seed", "offer")},
    )


def composed(base: bytes, change: bytes, mask: bytes, feather: float) -> bytes:
    """The candidate as a PNG: inside the mask what the service made, outside it the very pixels of
    the base."""
    under, over = pixels_of(base)[..., :3], pixels_of(change)[..., :3]
    if over.shape != under.shape:
        raise BadInput(
            "The service gave back a picture of another size.",
            "Try again, or choose another offer.",
        )
    share = feathered(pixels_of(mask)[..., 0], feather)
    out = io.BytesIO()
    Image.fromarray(laid_into(under, over, share)).save(out, "PNG", compress_level=3)
    return out.getvalue()


def add_retouched(
    shop: Workshop,
    film: str,
    spec: dict[str, Any],
    shot: int,
    png: bytes,
    thumb: bytes,
    about: dict[str, Any],
    cost: Decimal,
) -> None:
    """Keep a candidate as a take; it is as fresh as the take it was made from."""
    base = next(t for t in shop.takes.of_film(film)[shot] if t.id == spec["take"])
    media = shop.media.put(png, "png")
    shop.takes.add(
        film,
        shot,
        made_from=base.made_from,
        seed=spec["seed"],
        prompt=base.prompt,
        negative=base.negative,
        offer=spec["offer"],
        media=media,
        thumb=shop.media.put(thumb, "jpg"),
        layers=[(media, 0.0)],
        about={
            **about,
            "retouched": {
                "key": _same(spec),
                "from": base.number,
                "words": spec["words"],
                "mask": spec["mask"],
            },
            "regions": base.about.get("regions", []),
            "seen": seen_in(png, base.about.get("regions")).model_dump(mode="json"),
        },
        brought=base.brought,
        cost=cost,
    )


def _same(spec: dict[str, Any]) -> str:
    return key("same retouch", RETOUCH_VERSION, **{n: spec[n] for n in ("base", "mask", "words")})


def found_take(film: Assembled, take: str) -> tuple[int, TakeRow]:
    """The index of the shot that a take is of, and the take. Raises NotFound."""
    for i, (shot, takes) in enumerate(zip(film.read.shots, film.takes, strict=True)):
        found = next((t for t in takes if t.id == take), None)
        if found is not None and shot.picture_of == shot.shot.id:
            return i, found
    raise NotFound("That take is not in the film any more.", "Load the page again.")
