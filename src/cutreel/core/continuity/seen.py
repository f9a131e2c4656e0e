"""What a picture shows of its figures and of its place: the colour of each part in white light, how tall
figures are, where they look.

It is measured from the pixels, inside outlines that the service reports (or that the maker drew),
in the order in which the parts were painted: what was painted over a part is left out of it.
"""

from collections.abc import Mapping, Sequence
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw
from pydantic import BaseModel, ValidationError
from scipy.ndimage import binary_erosion

from cutreel.core.colour import Lab, Light, lab_of, light_from, shades_of_grey

from .style import Style, style_of

LEAST_PIXELS = 14
MEASURED_WIDTH = 1280
SLOTS = ("hair", "skin", "hat", "neck", "top", "front", "legs", "feet", "body", "walls", "curtains")
_BEHIND = 1_000_000
"""Taken from the order of a place's parts, so that all of them come before every figure's."""


class SeenParts(BaseModel):
    """Parts as seen. `shown` are sRGB colours by slot, as they are in the picture, and `colours`
    are L*a*b* in white light; `light` is what was taken away, `lit` how it was told: by their
    own neutrals, by others in the picture, or guessed from its average."""

    shown: dict[str, tuple[float, float, float]] = {}
    colours: dict[str, Lab] = {}
    light: Light = Light()
    lit: Literal["own", "picture", "guess"] = "guess"

    def in_light(self, light: Light) -> dict[str, Lab]:
        """L*a*b* by slot, with `light` taken away."""
        if light == self.light:
            return self.colours
        return colours_without(self.shown, light)


class SeenFigure(SeenParts):
    """A figure as seen. `height` is its share of the frame's height, also of what the frame cuts off; `facing` is
    front, three-quarter, side, back, or empty where nothing says. `told`: its parts were known; where they were not,
    `palette` has the colours of its box."""

    name: str
    box: tuple[float, float, float, float]
    height: float
    facing: str = ""
    palette: list[Lab] = []
    told: bool = False


class SeenPicture(BaseModel):
    """What was measured of a picture; `lit`: its light was told by a neutral; `place` is None where nothing was told of
    walls and the like."""

    figures: list[SeenFigure]
    place: SeenParts | None = None
    light: Light
    lit: bool
    style: Style

    @classmethod
    def kept_in(cls, data: Mapping[str, Any]) -> "SeenPicture | None":
        """What was measured of a picture, as its result or its take keeps it; None where it was never measured."""
        try:
            return cls.model_validate(data["seen"]) if "seen" in data else None
        except ValidationError:
            return None


def measure_picture(
    pixels: NDArray[np.uint8],
    regions: Sequence[dict[str, Any]],
    place: Sequence[dict[str, Any]] = (),
) -> SeenPicture:
    """Measure a picture (height, width, 3; sRGB) whose figures are at `regions`, before the parts of its `place`.

    A region has a `name`, a `box` (left, top, right, bottom as shares of the frame), and may have a
    `height`, a way of `facing`, and `parts`: each with `order` of painting, `slot`, `outline` as
    shares, and `grey` (0 … 255) when it is a neutral thing of that true grey. A place has only parts.
    """
    step = max(1, round(pixels.shape[1] / MEASURED_WIDTH))
    pixels = pixels[::step, ::step, :3]
    parts = sorted((p for r in regions for p in r.get("parts", [])), key=lambda p: p["order"])
    behind = sorted(
        ({**p, "order": p["order"] - _BEHIND} for p in place), key=lambda p: int(p["order"])
    )
    shown = _visible([*behind, *parts], pixels.shape[1], pixels.shape[0])
    told = _light(pixels, parts, shown)
    light = told or shades_of_grey(pixels)
    figures = []
    for region in regions:
        own = _light(pixels, region.get("parts", []), shown)
        colours = _colours(pixels, region.get("parts", []), shown)
        left, top, right, bottom = region["box"]
        figures.append(
            SeenFigure(
                name=str(region["name"]),
                box=(left, top, right, bottom),
                height=float(region.get("height") or bottom - top),
                facing=str(region.get("facing") or ""),
                shown=colours,
                colours=colours_without(colours, own or light),
                light=own or light,
                lit="own" if own else "picture" if told else "guess",
                palette=[] if region.get("parts") else _palette_in(pixels, region["box"], light),
                told=bool(region.get("parts")),
            )
        )
    return SeenPicture(
        figures=figures,
        place=_place(pixels, behind, shown, told, light),
        light=light,
        lit=told is not None,
        style=style_of(pixels),
    )


def _place(
    pixels: NDArray[np.uint8],
    parts: Sequence[dict[str, Any]],
    shown: "dict[int, Mask]",
    told: Light | None,
    light: Light,
) -> SeenParts | None:
    colours = _colours(pixels, parts, shown)
    if not colours:
        return None
    own = _light(pixels, parts, shown)
    return SeenParts(
        shown=colours,
        colours=colours_without(colours, own or light),
        light=own or light,
        lit="own" if own else "picture" if told else "guess",
    )


def _colours(
    pixels: NDArray[np.uint8], parts: Sequence[dict[str, Any]], shown: "dict[int, Mask]"
) -> dict[str, tuple[float, float, float]]:
    """The sRGB colour of each slot: that of its first part of which enough is seen."""
    out: dict[str, tuple[float, float, float]] = {}
    for part in parts:
        if part["slot"] in SLOTS and part["slot"] not in out:
            colour = _colour(pixels, shown.get(part["order"]))
            if colour is not None:
                out[part["slot"]] = colour
    return out


def colours_without(shown: dict[str, tuple[float, float, float]], light: Light) -> dict[str, Lab]:
    """sRGB colours by slot as L*a*b* with a light taken away."""
    if not shown:
        return {}
    lab = lab_of(light.without(list(shown.values())))
    return {slot: _triple(row) for slot, row in zip(shown, lab, strict=True)}


def _palette_in(pixels: NDArray[np.uint8], box: Sequence[float], light: Light) -> list[Lab]:
    """The colours in a box, in white light, of which at least one in forty of its pixels are."""
    high, wide = pixels.shape[:2]
    left, top, right, bottom = box
    inside = pixels[
        int(top * high) : max(1, int(bottom * high)), int(left * wide) : max(1, int(right * wide))
    ]
    if inside.size < LEAST_PIXELS * 3:
        return []
    white = light.without(inside).astype(np.uint8)
    return [s.lab for s in style_of(white, most=12).palette if s.share > 1 / 40]


Mask = tuple[slice, slice, NDArray[np.bool_]]


def _visible(parts: Sequence[dict[str, Any]], width: int, height: int) -> dict[int, Mask]:
    """For each part that is measured, by its order: the pixels that show it, a little in from its
    edge."""
    covered = np.zeros((height, width), bool)
    out: dict[int, Mask] = {}
    for part in reversed(parts):
        points = [(x * width, y * height) for x, y in part["outline"]]
        xs, ys = [p[0] for p in points], [p[1] for p in points]
        left, right = max(0, int(min(xs)) - 2), min(width, int(max(xs)) + 3)
        top, bottom = max(0, int(min(ys)) - 2), min(height, int(max(ys)) + 3)
        if left >= right or top >= bottom or len(points) < 3:
            continue
        image = Image.new("1", (right - left, bottom - top))
        ImageDraw.Draw(image).polygon([(x - left, y - top) for x, y in points], fill=1)
        inside = np.asarray(image, bool)
        where = (slice(top, bottom), slice(left, right))
        if part["slot"] in SLOTS or part.get("grey") is not None:
            free = inside & ~covered[where]
            small = binary_erosion(free, iterations=2 if free.sum() > 900 else 1)
            out[part["order"]] = (*where, small)
        covered[where] |= inside
    return out


def _light(
    pixels: NDArray[np.uint8], parts: Sequence[dict[str, Any]], shown: dict[int, Mask]
) -> Light | None:
    neutrals: dict[int, list[NDArray[np.float64]]] = {}
    for part in parts:
        mask = shown.get(part["order"])
        if part.get("grey") is None or mask is None or mask[2].sum() < LEAST_PIXELS:
            continue
        inside = pixels[mask[0], mask[1]][mask[2]]
        neutrals.setdefault(int(part["grey"]), []).append(
            np.asarray(np.median(inside, axis=0), float)
        )
    found = [(float(grey), np.median(np.array(seen), axis=0)) for grey, seen in neutrals.items()]
    return light_from(found)


def _colour(pixels: NDArray[np.uint8], mask: Mask | None) -> tuple[float, float, float] | None:
    """The middle colour of a part, sRGB: the median, taken again among what is near it. A wash
    runs from full to thin in any direction; its middle is the same, where its commonest colour
    is not."""
    if mask is None or mask[2].sum() < LEAST_PIXELS:
        return None
    inside = pixels[mask[0], mask[1]][mask[2]]
    if len(inside) > 4000:
        inside = inside[:: len(inside) // 4000]
    lab = lab_of(inside)
    near = np.linalg.norm(lab - np.median(lab, axis=0), axis=1) < 16
    return _triple(np.median(inside[near] if near.any() else inside, axis=0))


def _triple(row: NDArray[np.float64]) -> tuple[float, float, float]:
    return (round(float(row[0]), 1), round(float(row[1]), 1), round(float(row[2]), 1))
