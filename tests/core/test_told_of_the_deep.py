"""An explainer about the deep sea and a tale of how the moon came about. Nobody prepared them; what stands here was read
wrongly at first: the sea was seen from the coast, the navy "test" sonar, a scientist of 1942 was still there today, he
pulled up his boat, and all the people who went to bed were one bedroom."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

DEEP = """Every night, three hundred metres below the surface, the largest migration on Earth begins.

In 1942 the American navy was testing sonar off the coast of California. The operators saw a false bottom: a layer in the \
sea that was there by day and gone by night. They thought it was a sunken island.

A young biologist named Martin Johnson had another idea. He took a small boat out at dusk and lowered a net. Every hour he \
pulled it up and counted.

Today we know why they do it. So they wait for the night, climb for an hour, eat in the dark and swim down again before \
breakfast.

You will never see it. But tonight, while you are asleep, the sea will stand up and sit down again.
"""

MOON = """Long before there was a moon, the nights were so dark that people went to bed with ropes tied to their doors.

In those days there lived a weaver called Sunniva, whose sight was failing. She worked by touch, and the village paid her less \
every year.

One evening a fox came to her door. Sunniva knelt down in the mud and opened the trap with her scissors.

At last she cut off her own white hair and wove it on the loom all night. By morning she had a cloth as round as a plate.

The fox took it in his teeth and climbed the highest mountain.
"""


@pytest.fixture(scope="module")
def deep() -> ReadFilm:
    return film_of(DEEP)


@pytest.fixture(scope="module")
def moon() -> ReadFilm:
    return film_of(MOON)


def test_below_the_surface_is_the_deep_sea(deep: ReadFilm) -> None:
    assert shot_with(deep, "three hundred metres").facts.place == "the deep sea"


def test_what_is_one_does_it_as_one_and_several_as_several(deep: ReadFilm) -> None:
    assert "navy tests sonar" in shot_with(deep, "American navy").facts.action
    assert "the operators ponder" in shot_with(deep, "They thought it was").facts.action


def test_it_is_the_net_that_was_told_of_last() -> None:
    quick = film_of(DEEP, pace=1)
    assert "the net up" in shot_with(quick, "pulled it up").facts.action


def test_when_it_is_done_is_nothing_to_be_seen(deep: ReadFilm) -> None:
    assert "breakfast" not in shot_with(deep, "before breakfast").facts.action


def test_who_lived_then_is_not_there_today(deep: ReadFilm) -> None:
    assert not shot_with(deep, "the sea will stand up").people


def test_people_who_go_to_bed_are_no_bedroom(moon: ReadFilm) -> None:
    assert shot_with(moon, "went to bed").facts.place == "a village street"


def test_hair_that_is_cut_off_is_told_of_and_short_from_there(moon: ReadFilm) -> None:
    (weaver,) = (p for p in moon.document.cast if p.name == "Sunniva")
    assert "white hair" in [t.text for t in weaver.traits]
    facts = shot_with(moon, "wove it on the loom").facts
    assert "weaves it on the loom" in facts.action
    assert [t.text for o in weaver.outfits for t in o.traits] == ["short white hair"]
