"""Pictures from outside: checked, turned upright, bounded; and the small ones that lists show."""

import io
from dataclasses import dataclass, field
from typing import Any, TypeVar

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from pydantic import TypeAdapter, ValidationError

from cutreel.core.continuity import SeenPicture, measure_picture
from cutreel.core.errors import BadInput
from cutreel.core.pictures import check_picture, is_openraster, unpacked
from cutreel.protocol import FigureRegion, PlacePart

from .opening import MOST_PIXELS, opened

LEAST_SIDE = 320
THUMB = 480


def pixels_of(data: bytes) -> NDArray[np.uint8]:
    """RGB or RGBA pixels of a picture of our own media."""
    image = Image.open(io.BytesIO(data))
    if image.width * image.height > MOST_PIXELS:
        raise BadInput("That picture has too many pixels.")
    return np.asarray(image.convert("RGBA" if image.mode in ("RGBA", "LA", "P") else "RGB"))


_REGIONS = TypeAdapter(list[FigureRegion])
_PLACE = TypeAdapter(list[PlacePart])
_T = TypeVar("_T")
MOST_FIGURES, MOST_OF_PLACE = 24, 160


def seen_in(data: bytes, told: Any, place: Any = None) -> SeenPicture:
    """What is seen in a picture of our own media; `told` is what its service says of its figures, and `place` of the
    place behind them, where that is sound."""
    return measure_picture(
        pixels_of(data)[..., :3],
        [r.model_dump() for r in _sound(_REGIONS, told)[:MOST_FIGURES]],
        [p.model_dump() for p in _sound(_PLACE, place)[:MOST_OF_PLACE]],
    )


def _sound(kind: TypeAdapter[list[_T]], told: Any) -> list[_T]:
    try:
        return kind.validate_python(told or [])
    except ValidationError:
        return []


def checked(data: bytes) -> dict[str, Any]:
    """What is measured once of a picture of our own media, as a take keeps it."""
    return check_picture(pixels_of(data)[..., :3]).model_dump(mode="json")


def thumbnail(data: bytes) -> bytes:
    """A JPEG at most 480 pixels wide or high."""
    image = Image.open(io.BytesIO(data)).convert("RGB")
    image.thumbnail((THUMB, THUMB), Image.Resampling.LANCZOS)
    out = io.BytesIO()
    image.save(out, "JPEG", quality=86)
    return out.getvalue()


@dataclass(frozen=True)
class OwnPicture:
    """A picture that was brought: PNG upright in sRGB; of an OpenRaster file also its layers as
    (PNG, depth) from back to front, and the figures that are told in it."""

    png: bytes
    width: int
    height: int
    layers: list[tuple[bytes, float]] = field(default_factory=list)
    figures: list[dict[str, Any]] = field(default_factory=list)


def brought(data: bytes) -> OwnPicture:
    """Open a picture that the maker brings.

    Raises BadInput in words the maker can act on for anything else than a sound picture of a usable
    size.
    """
    image = opened(data)
    if min(image.size) < LEAST_SIDE:
        raise BadInput(
            f"The picture has only {image.width} by {image.height} pixels.",
            f"Bring one of at least {LEAST_SIDE} on each side.",
        )
    out = io.BytesIO()
    image.save(out, "PNG", compress_level=3)
    if not is_openraster(data):
        return OwnPicture(out.getvalue(), image.width, image.height)
    held = unpacked(data)
    try:
        told = _REGIONS.validate_python(held.figures)
    except ValidationError:
        told = []
    figures = [{"name": r.name, "box": list(r.box), "joints": r.joints, "way": r.way} for r in told]
    return OwnPicture(
        out.getvalue(),
        image.width,
        image.height,
        [(layer.png, layer.depth) for layer in held.layers],
        figures,
    )
