"""A summer without rain. Nobody prepared this story; what stands here was read wrongly at first: a tractor was a truck, the
sister June was a month, and the corn covered the hills."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

CORN = """I was nine when my father taught me to drive the tractor.

We had a farm then. My sister June, who was fifteen, sat on the fence with a book and never looked up.

Every evening my father went out to the porch.

One night I woke because someone was talking. I went to the window. My father was standing in the field with a lantern.

I put on my shoes and went down. I took his hand. Then June came out, in her white dress, and then my mother with a blanket.

We stood in the corn, the four of us, until the lantern went out.

In the morning there was a cloud. It was no bigger than a hen. My mother saw it first. By noon it covered the hills, and the \
first drop fell on June's open book.

I am seventy-one now. I stand in the rain, and my grandchildren think I am mad.
"""


@pytest.fixture(scope="module")
def corn() -> ReadFilm:
    return film_of(CORN)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("the tractor", "a field"),
        ("We had a farm", "a farm"),
        ("to the porch", "a porch"),
        ("to the window", "a bedroom"),
        ("with a lantern", "a field"),
    ],
)
def test_where_it_is(corn, words: str, place: str) -> None:
    assert shot_with(corn, words).facts.place.split(",")[0] == place


def test_june_is_a_sister_and_no_month(corn) -> None:
    june = next(p for p in corn.document.cast if p.name == "June")
    assert "sister" in june.aliases and june.pronoun == "she"
    assert shot_with(corn, "sat on the fence").facts.season == ""
    assert shot_with(corn, "June came out").facts.time == "night"


def test_the_four_of_us_are_as_many_as_are_shown(corn) -> None:
    shot = shot_with(corn, "the four of us")
    ideas = [i.action for i in shot.facts.ideas if i.sort == "deed"]
    assert ideas and all("in the corn" in idea for idea in ideas)


def test_a_cloud_that_was_there_is_what_covers_the_hills(corn) -> None:
    assert "sees the cloud" in shot_with(corn, "saw it first").prompt.text
    assert "corn" not in shot_with(corn, "covered the hills").prompt.text


def test_nobody_is_named_who_is_not_seen(corn) -> None:
    ideas = [i.action for i in shot_with(corn, "open book").facts.ideas]
    assert "the open book, near" in ideas and not any("{" in idea for idea in ideas)


def test_at_seventy_nobody_wears_the_shoes_of_a_child(corn) -> None:
    prompt = shot_with(corn, "seventy-one").prompt.text
    assert "old" in prompt and "shoes" not in prompt


def test_a_field_of_corn_is_one_in_every_shot() -> None:
    film = film_of(
        "My father stood in the field. The corn was high.\n\nI went out to the field. We talked to the corn.\n"
    )
    assert {s.facts.place for s in film.shots} == {"a field of corn"}


def test_a_pond_is_no_plate() -> None:
    shot = shot_with(
        film_of("By July the pond was a plate of cracked mud. Ada looked at it."), "plate"
    )
    assert "plate" not in shot.prompt.text
