"""The one way in which a picture becomes a take: measured, kept with its layers, and added with
where it came from."""

import gzip
import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from decimal import Decimal
from typing import Any

from PIL import Image

from cutreel.core.keys import key
from cutreel.protocol import Flow, JointedFigure
from cutreel.store import Result, TakeRow

from ..workshop import Workshop
from .measuring import OwnPicture, checked, seen_in, thumbnail

_OF_A_FIGURE = ("name", "box", "joints", "way")
"""What of a told figure is kept with a take; its outline stays with the result that it was measured
by."""


@dataclass(frozen=True)
class Picture:
    """A kept picture: its media file, its small one, its layers from back to front with depths (0
    far, 1 near), and what was measured of it."""

    media: str
    thumb: str
    layers: tuple[tuple[str, float], ...]
    about: Mapping[str, Any] = field(default_factory=dict)

    def as_data(self) -> dict[str, Any]:
        """As a result keeps it."""
        return {**self.about, "thumb": self.thumb, "layers": [list(p) for p in self.layers]}

    @classmethod
    def of_result(cls, result: Result) -> "Picture":
        """The picture of a result."""
        assert result.media is not None
        about = {n: v for n, v in result.data.items() if n not in ("thumb", "layers")}
        layers = tuple((str(m), float(d)) for m, d in result.data.get("layers", []))
        return cls(result.media, str(result.data["thumb"]), layers, about)


@dataclass(frozen=True)
class Origin:
    """Where a take came from: the picture key its shot had, and what it was asked for with. Brought
    ones have no prompt, and are never stale."""

    made_from: str = "brought"
    seed: int = 0
    prompt: str = ""
    negative: str = ""
    offer: str = "brought"
    brought: bool = True

    @classmethod
    def of(cls, take: TakeRow, **other: Any) -> "Origin":
        """The origin of what is made of a take: as fresh as it."""
        same = {
            name: getattr(take, name)
            for name in ("made_from", "seed", "prompt", "negative", "offer", "brought")
        }
        return cls(**{**same, **other})


@dataclass(frozen=True)
class PictureStrip:
    """A part of the layer with the index `layer`: a PNG, with the figure whose pieces it has, or how it moves by
    itself."""

    layer: int
    png: bytes
    figure: JointedFigure | None = None
    flow: Flow | None = None


def kept_picture(
    shop: Workshop,
    png: bytes,
    *,
    layers: Sequence[tuple[bytes, float]] = (),
    drawings: Sequence[bytes] = (),
    regions: Sequence[Mapping[str, Any]] = (),
    place: object = None,
    strips: Sequence[PictureStrip] = (),
    flames: Sequence[tuple[float, float, float]] = (),
) -> Picture:
    """Keep a picture, and measure once what is ever asked of it: its size, its faults, what is seen
    in it. `regions` and `place` are what its service tells of figures and of what is around them;
    `drawings` are the SVG of the layers, where all have one; `strips` what layers are made of, from
    back to front; `flames` where light trembles."""
    with Image.open(io.BytesIO(png)) as image:
        width, height = image.size
    about: dict[str, Any] = {
        "width": width,
        "height": height,
        "checked": checked(png),
        "regions": [dict(r) for r in regions],
        "seen": seen_in(png, list(regions), place).model_dump(mode="json"),
    }
    if drawings and len(drawings) == len(layers):
        zipped = (gzip.compress(svg, mtime=0) for svg in drawings)
        about["drawings"] = [shop.media.put(data, "svgz") for data in zipped]
    if strips:
        about["strips"] = [
            {
                "layer": strip.layer,
                "media": shop.media.put(strip.png, "png"),
                "size": [width, height],
                **(_told(shop, strip.figure) if strip.figure else {}),
                **({"moves": strip.flow.model_dump()} if strip.flow else {}),
            }
            for strip in strips
        ]
    if flames:
        about["flames"] = [list(f) for f in flames]
    return Picture(
        shop.media.put(png, "png"),
        shop.media.put(thumbnail(png), "jpg"),
        tuple((shop.media.put(data, "png"), depth) for data, depth in layers),
        about,
    )


def _told(shop: Workshop, figure: JointedFigure) -> dict[str, Any]:
    """What a take keeps of a figure in pieces: where each lies is long, and stands in a file of its own."""
    told = shop.media.put(figure.model_dump_json().encode(), "json")
    legs = any(p.bone == "near_thigh" for p in figure.pieces)
    return {"figure": told, "name": figure.name, "kind": figure.kind, "legs": legs}


def add_take(
    shop: Workshop,
    film: str,
    shot: int,
    picture: Picture,
    origin: Origin,
    told: Mapping[str, Any] | None = None,
    cost: Decimal = Decimal(0),
) -> str:
    """Add a picture to a shot; returns the take's id. `told` is how it came to be. The same picture
    of the same origin is added once."""
    regions = [
        {name: r[name] for name in _OF_A_FIGURE if name in r}
        for r in picture.about.get("regions", [])
    ]
    return shop.takes.add(
        film,
        shot,
        made_from=origin.made_from,
        seed=origin.seed,
        prompt=origin.prompt,
        negative=origin.negative,
        offer=origin.offer,
        media=picture.media,
        thumb=picture.thumb,
        layers=list(picture.layers) or [(picture.media, 0.0)],
        about={**picture.about, "regions": regions, **(told or {})},
        brought=origin.brought,
        cost=cost,
    )


def keep_brought(shop: Workshop, picture: OwnPicture) -> Picture:
    """Keep a picture that was brought, with its layers and figures; it is found again by its media
    file, so that it can be placed later."""
    kept = kept_picture(shop, picture.png, layers=picture.layers, regions=picture.figures)
    shop.results.put(_brought(kept.media), "brought", kept.media, kept.as_data())
    return kept


def brought_picture(shop: Workshop, media: str) -> Picture | None:
    """A picture that was brought before."""
    found = shop.results.get(_brought(media))
    return Picture.of_result(found) if found is not None and shop.media.has(media) else None


def _brought(media: str) -> str:
    return key("brought", 1, media=media)


def size_of(shop: Workshop, take: TakeRow) -> tuple[int, int]:
    """Width and height of a take in pixels; of one from before they were kept, as its file has
    them."""
    width, height = take.about.get("width"), take.about.get("height")
    if width and height:
        return int(width), int(height)
    with Image.open(io.BytesIO(shop.media.get(take.media))) as image:
        return image.size
