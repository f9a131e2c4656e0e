"""Rivers on maps: against towns that any atlas has on them (positions from GeoNames), and as a viewer sees them."""

import numpy as np
import pytest

from cutreel.core.plates import Plate, PlateRow, doubts, drawn, palette_for, place_named, propose
from cutreel.core.plates.waters import river_named

ON = {
    "Nile": ("Luxor", "Aswan", "Khartoum"), "Danube": ("Linz", "Vienna", "Budapest", "Belgrade"), "Rhine": ("Basel", "Mainz"),
    "Thames": ("Oxford", "London"), "Seine": ("Rouen", "Paris"), "Loire": ("Nantes", "Tours"), "Vistula": ("Warsaw",),
    "Volga": ("Tver", "Kazan", "Volgograd"), "Mississippi River": ("Minneapolis", "St. Louis", "New Orleans"), "Indus": ("Sukkur",),
    "Ganges": ("Varanasi", "Patna"), "Mekong": ("Vientiane", "Phnom Penh"), "Amazon": ("Iquitos", "Santarém"),
    "Yangtze": ("Wuhan", "Nanjing"), "Congo River": ("Kinshasa",), "Niger River": ("Niamey", "Bamako"),
    "Tigris": ("Mosul", "Baghdad"), "Murray River": ("Mildura",), "Paraná River": ("Rosario",), "Yenisei": ("Krasnoyarsk",),
}  # fmt: skip


def away(river, place) -> float:
    """Kilometres from a place to the nearest point of a river's lines, on a sphere of 6,371 km."""
    points = np.concatenate([dense(line) for line in river.lines])
    lat, lon = np.radians(points[:, 1]), np.radians(points[:, 0])
    north, east = np.radians((place.north, place.east))
    half = (
        np.sin((lat - north) / 2) ** 2 + np.cos(lat) * np.cos(north) * np.sin((lon - east) / 2) ** 2
    )
    return float(6371 * 2 * np.arcsin(np.sqrt(half)).min())


def dense(line):
    at = np.arange(len(line))
    fine = np.linspace(0, len(line) - 1, len(line) * 20)
    return np.stack([np.interp(fine, at, line[:, k]) for k in (0, 1)], axis=1)


@pytest.mark.parametrize("name", ON)
def test_rivers_pass_the_towns_that_lie_on_them(name) -> None:
    river = river_named(name)
    for town in ON[name]:
        assert away(river, place_named(town)) < 15, town
    assert away(river, place_named("Reykjavik")) > 500


def test_a_river_runs_in_one_piece() -> None:
    """Lines that end where others begin are one: from Ulm to the Iron Gates without a gap."""
    assert len(river_named("Danube").lines) == 1 and len(river_named("the Nile").lines) == 1


@pytest.mark.parametrize(("said", "name"), [
    ("the Nile", "Nile"), ("River Thames", "Thames"), ("the river Rhine", "Rhine"), ("Ohio River", "Ohio"), ("St Lawrence", None),
    ("the Rhône", "Rhône"), ("the Congo", "Congo"), ("Niger", None), ("Colorado", None), ("the Colorado", "Colorado"), ("the Rio Grande", "Rio Grande"), ("the Kitchen", None),
])  # fmt: skip
def test_what_is_a_river(said, name) -> None:
    """A country, a state or a town of the same name is meant where the name stands bare."""
    found = river_named(said)
    assert (found.name if found else None) == name


def test_rivers_are_proposed_where_they_are_told() -> None:
    def rows(text: str) -> list[str]:
        found = [p.plate for p in propose(text, ["Don"]) if p.plate.sort == "map"]
        return [r.label for r in found[0].rows] if found else []

    assert rows("They drifted down the Nile from Aswan to Cairo for nine days.") == [
        "Nile",
        "Aswan",
        "Cairo",
    ]
    assert rows("The raft went down the Ohio River, past Memphis.") == ["Ohio River", "Memphis"]
    assert rows("Up the Congo they went.") == ["Congo River"]
    assert rows("The Don laughed at the Orange County.") == []


def course(plate: Plate):
    page = drawn(plate, palette_for(""), 16 / 9)
    return page, [p for p in page.parts if p.along]


def test_a_way_between_towns_of_a_river_goes_by_the_river() -> None:
    towns = tuple(PlateRow(label=n) for n in ("Vienna", "Budapest", "Belgrade"))
    _, straight = course(Plate(sort="map", rows=towns))
    _, parts = course(Plate(sort="map", rows=(*towns, PlateRow(label="Danube"))))
    river, ways = parts[0], parts[1:]
    assert len(ways) == len(straight) == 2
    for way, direct in zip(ways, straight, strict=True):
        assert (way.along[0], way.along[-1]) == (direct.along[0], direct.along[-1])
        assert set(way.along[1:-1]) <= set(river.along) and length(way.along) > 1.05 * length(
            direct.along
        )


def length(points) -> float:
    return float(np.hypot(*np.diff(np.array(points), axis=0).T).sum())


def test_a_river_alone_is_seen_whole_and_is_no_doubt() -> None:
    plate = Plate(sort="map", rows=(PlateRow(label="the Nile"),))
    page, parts = course(plate)
    at = np.array([p for part in parts for p in part.along])
    assert (at.min(axis=0) >= 0).all() and at[:, 0].max() < page.width and at[:, 1].max() < page.low
    assert np.ptp(at[:, 1]) > 0.4 * page.height
    assert doubts(plate, "down the Nile") == []


def test_names_do_not_stand_on_the_river() -> None:
    """Neither the towns' nor the river's own."""
    towns = tuple(PlateRow(label=n) for n in ("Vienna", "Budapest", "Belgrade"))
    page, parts = course(Plate(sort="map", rows=(*towns, PlateRow(label="Danube"))))
    river = np.array(parts[0].along)
    for part in (p for p in page.parts if "<text" in p.svg):
        x, y = (float(part.svg.split(f' {k}="')[1].split('"')[0]) for k in ("x", "y"))
        high = (
            (river[:, 0] > x) & (river[:, 0] < x + 60) & (river[:, 1] > y - 30) & (river[:, 1] < y)
        )
        assert not high.any(), part.svg
