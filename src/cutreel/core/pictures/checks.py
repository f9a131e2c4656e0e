"""Measures of one picture, taken once when it is made or brought."""

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from pydantic import BaseModel
from scipy.ndimage import find_objects, label, laplace, uniform_filter

WIDTH = 640
"""Pictures are looked at in this width, so that measures mean the same for all sizes."""
FLAT = 2.5
"""A row whose grey values deviate less than this (of 255) is even."""


class Checks(BaseModel):
    """`borders` are shares of the frame (left, top, right, bottom) that are one even colour;
    `contrast` is the deviation of grey values (0 … 127); `sharpness` the deviation of the Laplacian
    where the picture is sharp, over that contrast; `lettering` how many marks stand in the longest
    line of them; `print` a difference hash of 64 bits, in hexadecimal."""

    width: int
    height: int
    borders: tuple[float, float, float, float]
    contrast: float
    sharpness: float
    lettering: int
    print: str


def check_picture(pixels: NDArray[np.uint8]) -> Checks:
    """Measure a picture (height, width, 3; sRGB)."""
    height, width = pixels.shape[:2]
    image = Image.fromarray(np.ascontiguousarray(pixels[..., :3])).convert("L")
    small = image.resize((WIDTH, max(8, round(WIDTH * height / width))), Image.Resampling.BOX)
    grey = np.asarray(small, np.float32)
    contrast = float(grey.std())
    return Checks(
        width=width,
        height=height,
        borders=_borders(grey),
        contrast=round(contrast, 2),
        sharpness=round(_sharpness(grey) / max(1.0, contrast), 3),
        lettering=_lettering(grey),
        print=_print(image),
    )


def _borders(grey: NDArray[np.float32]) -> tuple[float, float, float, float]:
    """How much of each side is one even colour that ends in a straight edge: an empty sky, or white
    paper around a drawing, does not."""
    high, wide = grey.shape

    def even(rows: NDArray[np.float32]) -> int:
        flat = (rows.std(axis=1) < FLAT) & (np.abs(rows.mean(axis=1) - rows[0].mean()) < 2 * FLAT)
        end = int(np.argmin(flat)) if not flat.all() else len(flat)
        beyond = rows[min(len(rows) - 1, end + 1)]
        return end if (np.abs(beyond - rows[0].mean()) > 4 * FLAT).mean() > 0.5 else 0

    left, right = even(grey.T) / wide, even(grey.T[::-1]) / wide
    top, bottom = even(grey) / high, even(grey[::-1]) / high
    return (round(left, 3), round(top, 3), round(right, 3), round(bottom, 3))


def _sharpness(grey: NDArray[np.float32]) -> float:
    """Third largest deviation of the Laplacian among 12 tiles: a soft background does not make a
    blurred picture."""
    edges = laplace(grey)
    tiles = [tile for rows in np.array_split(edges, 3) for tile in np.array_split(rows, 4, axis=1)]
    return float(sorted(tile.std() for tile in tiles)[-3])


def _print(image: Image.Image) -> str:
    """Whether each of 8 by 8 places is plainly darker than its right neighbour (a difference
    hash)."""
    tiny = np.asarray(image.resize((9, 8), Image.Resampling.BOX), int)
    bits = (tiny[:, 1:] - tiny[:, :-1] > 2).ravel()
    return f"{int(''.join('1' if b else '0' for b in bits), 2):016x}"


def _lettering(grey: NDArray[np.float32]) -> int:
    """The most marks of about one height, but of different widths, that stand close together in a
    line: letters do; pales, planks and books are all of a width, or of different heights."""
    most = 0
    around = uniform_filter(grey, 25)
    for marks in (grey < around - 28, grey > around + 28):
        labels, count = label(marks)
        if not 8 <= count <= 6000:
            continue
        found = []
        for spot in find_objects(labels):
            tall, broad = spot[0].stop - spot[0].start, spot[1].stop - spot[1].start
            if 6 <= tall <= 60 and 1 < broad <= tall * 1.7:
                found.append((spot[1].start, spot[0].stop, tall, broad))
        most = max(most, _longest_line(sorted(found)))
    return most


def _longest_line(marks: list[tuple[int, int, int, int]]) -> int:
    most = 0
    for first, (left, base, tall, broad) in enumerate(marks):
        line, edge = [(tall, broad)], left + broad
        for other_left, other_base, other_tall, other_broad in marks[first + 1 :]:
            if other_left - edge > tall * 1.3:
                break
            if (
                abs(other_base - base) <= tall * 0.3
                and 0.62 < other_tall / tall < 1.6
                and other_left >= edge - 2
            ):
                line.append((other_tall, other_broad))
                edge = other_left + other_broad
        widths = np.array([w for _, w in line])
        if len(line) > most and len(line) >= 6 and widths.std() / widths.mean() > 0.18:
            most = len(line)
    return most
