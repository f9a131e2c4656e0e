"""What is in the air: proposed from weather, hour, season and place; every grain's place follows from the seed."""

import numpy as np
import pytest

from cutreel.core.continuity import Overrides, OwnAir
from cutreel.core.film import Offered, Settings, air_planned, new_film, read_film
from cutreel.core.film.air import air_of
from cutreel.core.motion import AIR_KINDS, Air, grains_at


def in_the_air(text: str, **settings) -> list[str]:
    film, _ = new_film("t", text, Settings(pace=3))
    shots = read_film(film, Offered(600)).shots
    return [a.kind for a in air_planned(shots[0], Settings(**settings))]


@pytest.mark.parametrize(
    ("text", "kinds"),
    [
        ("# A street — day, rain\n\nIt rained on the street.\n", ["rain"]),
        ("# A field — night, snow\n\nIt snowed on the field.\n", ["snow"]),
        ("# The jetty — dawn, fog\n\nThe jetty lay in the fog.\n", ["mist"]),
        ("# The attic — day, clear\n\nThe attic was empty.\n", ["dust"]),
        ("# A hill — night, clear\n\nThe hill lay dark.\n", ["stars"]),
        ("# The kitchen — day, rain\n\nThe kitchen was warm.\n", []),
    ],
)
def test_what_is_in_the_air_follows_from_what_was_read(text, kinds) -> None:
    assert in_the_air(text) == kinds
    assert in_the_air(text, air="off") == []


def test_the_maker_has_the_last_word() -> None:
    film, _ = new_film(
        "t", "# A street — day, rain\n\nIt rained on the street.\n", Settings(pace=3)
    )
    film.shots[0].own = Overrides(air=[OwnAir(kind="petals", amount="high")])
    shot = read_film(film, Offered(600)).shots[0]
    (found,) = air_planned(shot, Settings(air="off"))
    assert (found.kind, found.amount, found.why) == ("petals", "high", "set by hand")
    film.shots[0].own = Overrides(air=[])
    assert air_planned(read_film(film, Offered(600)).shots[0], Settings()) == []


def test_rain_falls_alike_in_neighbouring_shots_and_dust_does_not() -> None:
    film, _ = new_film(
        "t",
        "# A street — day, rain\n\nIt rained on the street. The rain fell on. It did not stop at all.\n",
        Settings(pace=1),
    )
    shots = read_film(film, Offered(600)).shots
    assert len(shots) > 1
    assert len({a.seed for s in shots for a in air_of(s, Settings()) if a.kind == "rain"}) == 1


@pytest.mark.parametrize("kind", AIR_KINDS)
def test_a_frame_can_be_drawn_alone_and_grains_move_as_their_kind_does(kind) -> None:
    air = Air(kind=kind, seed=9, wind=0.1)
    grains_at(air, 0.3, 16 / 9)
    one, again = grains_at(air, 2.5, 16 / 9), grains_at(air, 2.5, 16 / 9)
    for a, b in zip(vars(one).values(), vars(again).values(), strict=True):
        assert np.array_equal(a, b)
    later = grains_at(air, 2.5 + 1 / 24, 16 / 9)
    dy = np.median(later.y - one.y)
    assert {"rain": dy > 0.04, "snow": 0 < dy < 0.02, "embers": dy < 0, "stars": dy == 0}.get(
        kind, True
    )
    assert np.all((one.density >= 0) & (one.density <= 1)) and np.all(one.radius > 0)


def test_more_is_more() -> None:
    counts = [
        len(grains_at(Air(kind="snow", amount=a), 0, 16 / 9).x) for a in ("low", "middle", "high")
    ]
    assert counts[0] < counts[1] < counts[2]
