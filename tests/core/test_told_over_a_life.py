"""A tree that grows beside a girl, and a list of inventions. Nobody prepared them; what stands here was read wrongly at
first: the girl of three wore the doctor's white coat, the rains that did not come fell, somebody was called Number, and the
engineer with a name was nobody."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

TREE = """When Amara was born, her father planted a mango tree behind the house, and everyone said that it would never bear fruit.

When Amara was three she sat beside the tree and sang to it. When Amara was nine, the rains did not come. The well went down \
and down.

Amara poured half of her cup at the foot of the tree, at night, when nobody was looking.

The rains came back. Amara went to school in the city. She became a doctor. She wore a white coat and forgot, for whole weeks \
at a time, that there was such a thing as a tree.

Then a letter came. Her father was very old, and he could not see any more. She took the bus for eleven hours. He was sitting in the shade. Above him hung so many mangoes that the \
branches had been propped up with poles.
"""

INVENTIONS = """Number four. A doctor goes on holiday in August 1928 and forgets to wash his dishes. When he comes back to his \
laboratory in London, one of them has grown a green mould. Alexander Fleming looks at it for a long time.

Number two. The engineer Percy Spencer was standing in front of a radar machine when he felt something warm in his pocket.

And number one? In 1968 a chemist made the weakest glue in the world.
"""


@pytest.fixture(scope="module")
def tree() -> ReadFilm:
    return film_of(TREE)


@pytest.fixture(scope="module")
def inventions() -> ReadFilm:
    return film_of(INVENTIONS)


def looks(film: ReadFilm, words: str, name: str) -> str:
    person = next(p for p in shot_with(film, words).people if p.name == name)
    return ", ".join(t.text for t in person.traits)


def test_what_a_grown_woman_wears_no_girl_wears(tree: ReadFilm) -> None:
    girl, doctor = (
        looks(tree, "she sat beside the tree", "Amara"),
        looks(tree, "white coat", "Amara"),
    )
    assert "girl" in girl and "white coat" not in girl
    assert "woman" in doctor and "white coat" in doctor


def test_a_father_is_old_when_that_is_told_and_not_before(tree: ReadFilm) -> None:
    then, now = (
        looks(tree, "planted a mango tree", "the father"),
        looks(tree, "could not see", "the father"),
    )
    assert "old man" not in then and "grey" not in then
    assert "old man" in now and "grey hair" in now


def test_rains_that_do_not_come_do_not_fall(tree: ReadFilm) -> None:
    assert shot_with(tree, "the rains did not come").facts.weather == "clear"
    assert shot_with(tree, "The rains came back").facts.weather == "rain"


def test_the_night_is_over_once_she_is_a_doctor(tree: ReadFilm) -> None:
    assert shot_with(tree, "at night, when nobody").facts.time == "night"
    assert shot_with(tree, "white coat").facts.time == "day"


def test_trees_are_planted_and_shade_is_sat_in_out_of_doors(tree: ReadFilm) -> None:
    assert shot_with(tree, "planted a mango tree").facts.place == "a garden"
    assert shot_with(tree, "sitting in the shade").facts.place == "a garden"


def test_no_coat_forgets(tree: ReadFilm) -> None:
    assert "forgot" not in shot_with(tree, "white coat").facts.action


def test_nobody_is_called_number_and_an_engineer_has_his_name(inventions: ReadFilm) -> None:
    names = {p.name for p in inventions.document.cast}
    assert "Number" not in names and "Percy Spencer" in names


def test_who_comes_back_to_a_laboratory_in_london_is_in_it(inventions: ReadFilm) -> None:
    assert "laboratory" in shot_with(inventions, "When he comes back").facts.place
