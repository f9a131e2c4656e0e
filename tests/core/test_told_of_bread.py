"""A grandmother's recipe. Nobody prepared this story; what stands here was read wrongly at first: it was baked in the street, the
smell of bread took everybody down the lane, and an oven stood on a railway platform."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

BREAD = """I put the tin on top of my wardrobe and forgot about it.

Last winter I moved back to the village with two suitcases. It rained.

The writing was so small that I had to hold the card up to the window.

So I baked. I burned the first loaf.

The third loaf came out of the oven golden, and the smell went through the kitchen, out of the window and down the lane.

Somebody knocked at the door. It was old Mr Harlan from across the road.

I cut him a slice. Mr Harlan ate it standing up.

A boy on a bicycle came to fetch the rolls. The boy smiled.

Only the oven was still burning, because it stood on a stone platform.

There is a queue outside, and a girl on a red bicycle takes the rolls to the school.
"""


@pytest.fixture(scope="module")
def bread() -> ReadFilm:
    return film_of(BREAD)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("wardrobe", "a bedroom"),
        ("moved back", "a village street"),
        ("up to the window", "a room"),
        ("So I baked", "a kitchen"),
        ("down the lane", "a kitchen"),
        ("across the road", "a kitchen"),
        ("platform", "a kitchen"),
        ("to the school", "a kitchen"),
    ],
)
def test_where_it_is(bread, words: str, place: str) -> None:
    assert shot_with(bread, words).facts.place.startswith(place)


@pytest.mark.parametrize(
    ("words", "shown"),
    [
        ("I cut him", "cuts Mr Harlan a slice"),
        ("boy on a bicycle", "the boy on a bicycle comes"),
        ("down the lane", "the third loaf, near"),
    ],
)
def test_what_is_seen(bread, words: str, shown: str) -> None:
    assert any(shown in idea.action for idea in shot_with(bread, words).facts.ideas)


def test_a_platform_is_of_a_railway_where_the_story_tells_of_trains() -> None:
    film = film_of("Ada waited for the train. Ada stood on the platform with her bag.\n")
    assert film.shots[-1].facts.place.startswith("a railway platform")
