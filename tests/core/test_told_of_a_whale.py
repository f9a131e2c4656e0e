"""A town that bought a whale. Nobody prepared this story; what stands here was read wrongly at first: its title was a place, so
that the whale lay in a street."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

WHALE = """# The Town That Bought a Whale

In the spring of 1891 a blue whale washed up on the beach at Carrow Sands. It was long.

The mayor, Josiah Penn, paid forty pounds. For three days people came from every village on the coast to look at it.

By the end of the week the smell had reached the church.

By the end of June there was nothing left on the beach but bones. Penn never stood for election again.
"""


@pytest.fixture(scope="module")
def whale() -> ReadFilm:
    return film_of(WHALE)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("washed up", "a beach"),
        ("paid forty pounds", "a beach"),
        ("every village", "a beach"),
        ("the smell", "a church"),
        ("nothing left", "a beach"),
        ("stood for election", "a beach"),
    ],
)
def test_where_it_is(whale, words: str, place: str) -> None:
    assert shot_with(whale, words).facts.place.startswith(place)


@pytest.mark.parametrize(
    ("story", "words", "place"),
    [
        ("# The old town\n\nAda sat down. Ada laughed.", "Ada laughed", "a town street"),
        (
            "Mara sat in the garden all day long and looked at the slow clouds. Her son moved to Canada with all his books. "
            "\n\nMara watered the roses and then she sat down for a while on the bench. She cut all of the tulips by hand.",
            "the tulips",
            "a garden",
        ),
        ("There was nothing but a field. Mara sat down.", "Mara", "a field"),
    ],
)
def test_where_else_it_is(story: str, words: str, place: str) -> None:
    assert shot_with(film_of(story), words).facts.place.startswith(place)
