"""A beach in a wardrobe, and why cats purr. Nobody prepared these stories; what stands here was read wrongly at first: Mr
Thorne was a second man, a bishop of whom a joke is told was there, and seals ate the sandwiches."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

WARDROBE = """Marcus Thorne had bought a wardrobe. He had not laughed since his brother's funeral. Two men in overalls carried it up to his bedroom.

That night he lit a candle and opened the wardrobe. There were no coats in it. There was a beach. The sand began just \
behind the doors.

Beside a red boat a boy of ten was throwing pebbles into the waves. "You're late, Marc," said the boy. "Tom," said Marcus.

They rowed to the island where the seals were. They ate the sandwiches, and Tom told the one about the bishop and the goose.

In the morning the maid found Mr Thorne asleep in front of the wardrobe. Mr Thorne smiled. Something was in his brother's pocket.

And every summer until he died, he told a story about a bishop and a goose.
"""
CATS = """The Egyptians thought it was a prayer. A French doctor in 1834 wrote that the sound came from the blood.

A vet in Vienna noticed it first. Her name was Klara Hoffner. A signal makes them twitch.
"""


@pytest.fixture(scope="module")
def wardrobe() -> ReadFilm:
    return film_of(WARDROBE)


def test_a_mister_is_who_has_a_given_name_and_that_surname(wardrobe) -> None:
    cast = {p.name: p for p in wardrobe.document.cast}
    assert "Mr Thorne" in cast["Marcus Thorne"].aliases and "Mr Thorne" not in cast


def test_of_whom_a_joke_is_told_is_not_there_nor_does_sand_speak(wardrobe) -> None:
    names = " ".join(p.name for p in wardrobe.document.cast)
    assert not [who for who in ("bishop", "goose", "sand", "brother") if who in names]


def test_what_an_opened_wardrobe_shows_is_where_it_goes_on(wardrobe) -> None:
    assert shot_with(wardrobe, "There was a beach").facts.place == "a beach"
    assert shot_with(wardrobe, "pebbles").facts.place == "a beach"


def test_seals_eat_no_sandwiches(wardrobe) -> None:
    ideas = shot_with(wardrobe, "ate the sandwiches").facts.ideas
    assert not any("seals eat" in i.action for i in ideas)


def test_who_tells_it_every_summer_until_he_died_does_not_die(wardrobe) -> None:
    assert not any(" dies" in i.action for i in shot_with(wardrobe, "until he died").facts.ideas)


def test_a_people_is_nobody_and_a_doctor_of_1834_makes_it_no_other_year() -> None:
    film = film_of(CATS)
    assert [p.name for p in film.document.cast] == ["Klara Hoffner"]
    assert {s.facts.year for s in film.shots} == {""}
