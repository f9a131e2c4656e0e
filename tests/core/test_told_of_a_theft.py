"""A stolen clock, told as a documentary tells it. Nobody prepared this story; what stands here was read wrongly at first:
the inspector's case lay there as a box, how it had been done was shown in a workshop, and lying snow fell."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

THEFT = """On the night of 4 March 1923, somebody stole a clock that weighed two tons.

Inspector Ludwig Arndt came from the capital by train. He was a thin man with a waxed moustache, and he did not like the \
mountains. He measured the wheel tracks in the snow. He questioned the priest, the brewer and the widow Hollub, who sold \
candles under the tower.

Anton Reiss, the watchmaker, had sold forty before the theft. Arndt searched the workshop. Reiss, a cheerful bald man in a \
leather apron, offered him coffee.

The case was closed in April. The snow melted in May. And in June, when the level of the lake sank, the children who swam \
there saw a great bronze face looking up at them from the bottom.

Reiss had driven the oxen over the frozen lake, on a sledge with wheels of felt. The ice had broken. He had lost the clock, \
the sledge and very nearly his life. The oxen had walked home alone.
"""


@pytest.fixture(scope="module")
def theft() -> ReadFilm:
    return film_of(THEFT)


def test_what_somebody_is_like_is_a_trait_and_no_deed(theft: ReadFilm) -> None:
    arndt = next(p for p in theft.document.cast if "Arndt" in p.name)
    assert "waxed moustache" in [t.text for t in arndt.traits]
    action = shot_with(theft, "wheel tracks").facts.action
    assert "measures the wheel tracks" in action and "thin man" not in action


def test_tracks_in_the_snow_lie_and_may_melts_them(theft: ReadFilm) -> None:
    assert shot_with(theft, "wheel tracks").facts.weather == "lying snow"
    assert shot_with(theft, "in June").facts.weather == "clear"


def test_several_to_whom_it_is_done_are_listed(theft: ReadFilm) -> None:
    assert "the priest, the brewer and" in shot_with(theft, "He questioned").facts.action


def test_a_closed_case_is_no_box(theft: ReadFilm) -> None:
    assert "case" not in shot_with(theft, "The case was closed").facts.action


def test_who_swims_there_is_at_the_lake_that_was_told_of(theft: ReadFilm) -> None:
    assert shot_with(theft, "the children who swam").facts.place == "a lake"


def test_how_it_had_been_done_is_shown_where_it_was(theft: ReadFilm) -> None:
    facts = shot_with(theft, "Reiss had driven").facts
    assert "drives the oxen over the frozen lake" in facts.action
    assert (facts.place, facts.season, facts.remembered) == ("a lake", "winter", True)
    assert "the oxen walk home" in shot_with(theft, "The oxen had walked").facts.action
