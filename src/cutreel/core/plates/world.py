"""The world as maps need it: borders of countries, and where places are.

Borders: Natural Earth at 1:50 million (public domain); its rivers and lakes are in `waters`. Places of more than 20,000
people, and capitals: GeoNames (CC BY 4.0). All are built by `tools/world.py`.
"""

import gzip
import json
import unicodedata
from collections.abc import Mapping, Sequence
from functools import lru_cache
from importlib.resources import files
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

Degrees = NDArray[np.float64]
"""Shape (n, 2): east, north."""


class Place(NamedTuple):
    """A place: degrees north and east, and the country it is in."""

    name: str
    north: float
    east: float
    country: str


class Topology(NamedTuple):
    """Lines that share parts: arcs, joined by their numbers (the TopoJSON format, 2016)."""

    arcs: Sequence[Degrees]

    @classmethod
    def of(cls, packed: Mapping[str, Any]) -> "Topology":
        scale, move = (np.array(packed["transform"][k]) for k in ("scale", "translate"))
        # Arcs hold steps from point to point, in whole numbers.
        return cls([np.cumsum(np.array(arc), axis=0) * scale + move for arc in packed["arcs"]])

    def line(self, numbers: Sequence[int]) -> Degrees:
        """Arcs one after another, each from where the last ended; ~n is arc n backwards."""
        parts = [self.arcs[n] if n >= 0 else self.arcs[~n][::-1] for n in numbers]
        return np.concatenate([parts[0], *(p[1:] for p in parts[1:])])


class Country(NamedTuple):
    """A country: its name, and the rings of its polygons."""

    name: str
    rings: tuple[Degrees, ...]


def place_named(name: str) -> Place | None:
    """A place by its name, the largest of that name; a country stands for its middle. New York is New York City."""
    places = _places()
    return places.get(plain(name)) or places.get(plain(f"{name} City"))


def plain(name: str) -> str:
    """A name without accents, in small letters."""
    bare = unicodedata.normalize("NFKD", name)
    return "".join(c for c in bare if not unicodedata.combining(c)).lower().strip()


@lru_cache(maxsize=1)
def countries() -> Sequence[Country]:
    """All countries."""
    world = unpacked("world.json.gz")
    line = Topology.of(world).line
    return [
        Country(c["name"], tuple(line(numbers) for polygon in c["arcs"] for numbers in polygon))
        for c in world["countries"]
    ]


@lru_cache(maxsize=1)
def _places() -> dict[str, Place]:
    out: dict[str, Place] = {}
    for country in countries():
        largest = max(country.rings, key=_area, default=None)
        if largest is not None:
            east, north = largest.mean(axis=0)
            out[plain(country.name)] = Place(country.name, float(north), float(east), country.name)
    for row in _read("places.txt.gz").splitlines():
        name, north, east, country_name = row.split("|")
        out.setdefault(plain(name), Place(name, float(north), float(east), country_name))
    return out


def _area(ring: Degrees) -> float:
    x, y = ring[:, 0], ring[:, 1]
    return float(abs(np.dot(x, np.roll(y, 1)) - np.dot(y, np.roll(x, 1)))) / 2


def unpacked(name: str) -> dict[str, Any]:
    """What is in a file beside this one."""
    found: dict[str, Any] = json.loads(_read(name))
    return found


def _read(name: str) -> str:
    return gzip.decompress((files("cutreel.core.plates") / name).read_bytes()).decode()
