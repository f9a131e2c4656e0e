"""A mill girl finds a comet, a tenant hears a piano, the North Wind comes as a suitor. Nobody prepared these stories; what
stands here was read wrongly at first: the Royal Society was a woman, "he says" was said by "you", they flew in a street."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

COMET = """Elsbeth Marr was born in 1851 in a house without books.

At fourteen she went to work in a spinning mill. At night she climbed onto the roof with a telescope.

She wrote to the Royal Society. They did not answer. She wrote again. Elsbeth sold her bed.

When she died in 1931, her neighbours found the telescope on the roof.
"""
TENANT = """You move into the building in November. The stairs smell of cabbage. You see a door without a name.

In the morning you ask the caretaker, a fat man with keys on his belt.

"Nobody lives in 4B," he says. "Nobody has lived there since the fire."

You laugh. You take the kitchen knife and go out onto the landing. You run down all four flights until you reach the river.
"""
WIND = """The North Wind lost his heart to a girl who made nets. Her name was Sunniva, and she lived in a hut.

The North Wind came to the door. His beard was white. "Marry me," said the Wind.

Sunniva climbed onto the Wind's back. They flew over the pine forests and over the cities with their thousand windows.

She looked into a well and there was nobody there.
"""


@pytest.fixture(scope="module")
def comet() -> ReadFilm:
    return film_of(COMET)


@pytest.fixture(scope="module")
def tenant() -> ReadFilm:
    return film_of(TENANT)


@pytest.fixture(scope="module")
def wind() -> ReadFilm:
    return film_of(WIND)


def test_a_society_is_nobody(comet) -> None:
    assert [p.name for p in comet.document.cast] == ["Elsbeth Marr"]


def test_who_goes_to_work_in_a_mill_is_there(comet) -> None:
    assert shot_with(comet, "spinning mill").facts.place == "a spinning mill"


def test_who_died_is_not_there_when_neighbours_find_what_was_hers(comet) -> None:
    assert shot_with(comet, "neighbours found").people == ()


def test_whoever_is_asked_and_answers_is_somebody_and_not_you(tenant) -> None:
    cast = {p.name: p for p in tenant.document.cast}
    assert cast["the caretaker"].pronoun == "he"
    assert [p.name for p in shot_with(tenant, "Nobody lives").people] == ["the caretaker"]


def test_a_landing_by_a_river_far_away_is_one_of_stairs(tenant) -> None:
    assert "ferry" not in shot_with(tenant, "onto the landing").facts.place
    assert not [p for p in tenant.document.places if {"flight", "landing"} & set(p.words)]


def test_a_beard_that_opens_a_sentence_is_a_trait(wind) -> None:
    north = next(p for p in wind.document.cast if "wind" in p.aliases)
    assert "white beard" in [t.text for t in north.traits]


def test_whoever_flies_over_cities_is_in_none(wind) -> None:
    assert shot_with(wind, "flew over").facts.place == "the sky above the clouds"
    assert shot_with(wind, "into a well").facts.place.startswith("a well")


def test_a_heart_that_is_lost_falls_nowhere(wind) -> None:
    assert "loses" not in shot_with(wind, "lost his heart").prompt.text


def test_inside_is_in_the_house_that_was_seen_ahead() -> None:
    film = film_of(
        "You are standing in a forest. You walk under the trees.\n\nAhead of you stands a small cottage. You push open the "
        "door.\n\nIt is warm inside, and a fire is burning. You sit down in a chair.\n"
    )
    assert shot_with(film, "sit down").facts.place.startswith("a cottage")
    nowhere = film_of(
        "Ada walked on a beach. She opened the box. Inside, a watch was ticking. Ada laughed."
    )
    assert shot_with(nowhere, "ticking").facts.place == "a beach"
