"""Look-up tables as files that the trade exchanges: .cube (Cube LUT Specification 1.0, 2013)."""

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from cutreel.core.errors import BadInput

from .grade import BLACK, RANGE, Tables

MOST_POINTS = 129
"""Along an edge of a table that is read; the specification allows 256, which nobody makes."""
POINTS = 33
"""Along an edge of a table that is written."""

Colours = NDArray[np.float32]


class Cube(NamedTuple):
    """A table of colours, shape (points, points, points, 3), by blue, green and red, and for which colours it is
    (`low` up to `high`, each red, green, blue)."""

    title: str
    table: Colours
    low: tuple[float, float, float] = (0.0, 0.0, 0.0)
    high: tuple[float, float, float] = (1.0, 1.0, 1.0)

    def colours(self, rgb: Colours) -> Colours:
        """What becomes of colours, shape (…, 3), in 0 … 1: read between the points along three lines (trilinear)."""
        n = self.table.shape[0]
        low, high = np.asarray(self.low, np.float32), np.asarray(self.high, np.float32)
        at = np.clip((rgb - low) / (high - low), 0, 1) * (n - 1)
        whole = np.minimum(at.astype(np.int64), n - 2)
        part = (at - whole).astype(np.float32)
        out = np.zeros_like(rgb, np.float32)
        for corner in range(8):
            side = np.array([corner & 1, corner >> 1 & 1, corner >> 2 & 1])
            weight = np.prod(np.where(side, part, 1 - part), axis=-1, keepdims=True)
            r, g, b = np.moveaxis(whole + side, -1, 0)
            out += weight * self.table[b, g, r]
        return out


def read_cube(text: str) -> Cube:
    """A table from the words of a .cube file, of one dimension or three. Raises BadInput that says which line is
    wrong."""
    reading = _Reading()
    for number, line in enumerate(text.splitlines(), 1):
        words = line.split("#")[0].split()
        try:
            if words:
                reading.line(words, line)
        except (ValueError, IndexError) as error:
            raise _bad(f"Line {number} of the table is not understood: “{line[:60]}”.") from error
    return reading.cube()


class _Reading:
    """A file as far as it is read."""

    def __init__(self) -> None:
        self.title, self.size, self.flat = "", 0, False
        self.low, self.high = (0.0, 0.0, 0.0), (1.0, 1.0, 1.0)
        self.rows: list[tuple[float, float, float]] = []

    def line(self, words: list[str], line: str) -> None:
        key = words[0].upper()
        if key == "TITLE":
            self.title = line.split(None, 1)[1].strip().strip('"')[:120]
        elif key in ("LUT_3D_SIZE", "LUT_1D_SIZE"):
            self.size, self.flat = int(words[1]), key == "LUT_1D_SIZE"
            if not 2 <= self.size <= (65536 if self.flat else MOST_POINTS):
                raise ValueError
        elif key == "DOMAIN_MIN":
            self.low = _three(words[1:])
        elif key == "DOMAIN_MAX":
            self.high = _three(words[1:])
        elif key in ("LUT_1D_INPUT_RANGE", "LUT_3D_INPUT_RANGE"):
            self.low, self.high = (float(words[1]),) * 3, (float(words[2]),) * 3
        else:
            self.rows.append(_three(words))

    def cube(self) -> Cube:
        if any(b <= a for a, b in zip(self.low, self.high, strict=True)):
            raise _bad("The table’s range has no extent.")
        n = self.size
        if not n or len(self.rows) != (n if self.flat else n**3):
            raise _bad(
                f"The table says {n} points along an edge and has {len(self.rows)} rows of colours."
            )
        values = np.asarray(self.rows, np.float32)
        table = _solid(values) if self.flat else values.reshape(n, n, n, 3)
        return Cube(self.title, table, self.low, self.high)


def _three(words: list[str]) -> tuple[float, float, float]:
    """Red, green and blue. Raises ValueError."""
    r, g, b = map(float, words)
    if not np.isfinite((r, g, b)).all():
        raise ValueError
    return r, g, b


def cube_text(cube: Cube) -> str:
    """A table as the words of a .cube file; red changes quickest."""
    n = cube.table.shape[0]
    head = [f'TITLE "{cube.title}"', f"LUT_3D_SIZE {n}"]
    rows = (f"{r:.6f} {g:.6f} {b:.6f}" for r, g, b in cube.table.reshape(-1, 3).tolist())
    return "\n".join([*head, *rows]) + "\n"


def cube_of(tables: Tables, title: str) -> Cube:
    """The colours that tables of a grade come to, for another program."""
    axis = np.linspace(0, 1, POINTS, dtype=np.float32)
    b, g, r = np.meshgrid(axis, axis, axis, indexing="ij")
    luma = 0.2126 * r + 0.7152 * g + 0.0722 * b
    u, v = (b - luma) * (224 / 1.8556), (r - luma) * (224 / 1.5748)
    at = BLACK + luma * RANGE
    steps = np.arange(256)
    y, scale, du, dv = (np.interp(at, steps, t) for t in tables)
    luma = (y - BLACK) / RANGE
    blue = luma + (u * scale + du) * (1.8556 / 224)
    red = luma + (v * scale + dv) * (1.5748 / 224)
    green = (luma - 0.2126 * red - 0.0722 * blue) / 0.7152
    table = np.clip(np.stack([red, green, blue], -1), 0, 1).astype(np.float32)
    return Cube(title, table)


def _solid(line: Colours) -> Colours:
    """A table of one dimension as one of three, read at as many points as are written."""
    at = np.linspace(0, len(line) - 1, POINTS)
    red, green, blue = (np.interp(at, np.arange(len(line)), line[:, c]) for c in range(3))
    b, g, r = np.meshgrid(blue, green, red, indexing="ij")
    return np.stack([r, g, b], -1).astype(np.float32)


def _bad(what: str) -> BadInput:
    return BadInput(what, "Take a .cube file as grading programs write it.")
