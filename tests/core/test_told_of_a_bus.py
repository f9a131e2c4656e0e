"""A night bus through the rain. Nobody prepared this story; what stands here was read wrongly at first: it began in the
hospital where somebody got on."""

import pytest

from cutreel.core.film import ReadFilm
from cutreel.core.sound import sounds_between
from tests.labelled import film_of, shot_with

BUS = """The last bus left the depot at eleven, and Ines drove it because nobody else would. She was a broad woman.

Only one passenger got on at the hospital. He was a thin young man, and he carried a cake box on his knees.

“Is it your birthday?” Ines asked.

Rain ran down the windows. At the bridge the road was under water, and Ines stopped the bus.

So she took off her shoes and walked in front with a torch, and the young man drove.

In the morning a small girl opened the door of a yellow house. The cake was flat on one side.
"""


@pytest.fixture(scope="module")
def bus() -> ReadFilm:
    return film_of(BUS)


@pytest.mark.parametrize(
    ("words", "place", "time"),
    [
        ("left the depot", "the inside of a bus", "night"),
        ("Only one passenger", "the inside of a bus", "night"),
        ("your birthday", "the inside of a bus", "night"),
        ("under water", "a bridge over a river", "night"),
        ("opened the door", "a house", "day"),
    ],
)
def test_where_and_when_it_is(bus, words: str, place: str, time: str) -> None:
    facts = shot_with(bus, words).facts
    assert facts.place.startswith(place) and facts.time == time


def test_nobodys_feet_are_heard_where_rain_runs(bus) -> None:
    heard = sounds_between(bus.script, bus.story, 0, len(bus.script.words))
    assert "running footsteps" not in heard
    ran = film_of("The boy ran down the street. The road ran through the wood.")
    assert sounds_between(ran.script, ran.story, 0, 6) == ["running footsteps"]
    assert sounds_between(ran.script, ran.story, 6, 12) == []


@pytest.mark.parametrize(
    ("story", "place"),
    [
        ("Mara got off at the hospital. She waited by the lift.", "a hospital"),
        ("The last tram was late. Mara was the only person in it.", "the inside of a tram"),
    ],
)
def test_who_gets_off_somewhere_is_there(story: str, place: str) -> None:
    assert film_of(story).shots[0].facts.place.startswith(place)
