"""A flight at night. Nobody prepared this story; what stands here was read wrongly at first: it was told of the ocean below, a row
of seats made it day, and the twelfth passenger was the pilot."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

FLIGHT = """Captain Irene Mott had flown the route to Reykjavik four hundred times. She was a tall woman of fifty.

That evening there were only eleven passengers. Her co-pilot, a cheerful young man called Teo Banks, was eating a sandwich.

At midnight, somewhere over the ocean, a light appeared. The light stopped beside the left wing.

In the cabin a little boy pressed his nose against the window and waved. Every instrument in the cockpit went dark.

An old nun in the third row took the hand of the businessman beside her.

The plane stopped falling. It floated over the roofs of the sleeping city.

The light set them down on the runway. Irene counted the passengers.

The twelfth was a thin man in a grey suit. He wore no coat. The man smiled.
"""


@pytest.fixture(scope="module")
def flight() -> ReadFilm:
    return film_of(FLIGHT)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("four hundred times", "the cabin of an aeroplane"),
        ("somewhere over the ocean", "the cabin of an aeroplane"),
        ("pressed his nose", "the cabin of an aeroplane"),
        ("sleeping city", "the cabin of an aeroplane"),
        ("the runway", "an airfield"),
        ("grey suit", "an airfield"),
    ],
)
def test_where_it_is(flight, words: str, place: str) -> None:
    assert shot_with(flight, words).facts.place == place


def test_a_row_of_seats_is_no_date(flight) -> None:
    assert shot_with(flight, "third row").facts.time == "night"


def test_the_twelfth_is_nobody_who_was_there(flight) -> None:
    cast = {p.name: p for p in flight.document.cast}
    assert "the man" in cast and "man" not in cast["Teo Banks"].aliases
    assert cast["the man"].name in [p.name for p in shot_with(flight, "grey suit").people]


def test_what_stopped_is_not_done(flight) -> None:
    ideas = shot_with(flight, "stopped falling").facts.ideas
    assert not any("falls" in idea.action for idea in ideas)


def test_a_story_in_which_somebody_flies_once_is_not_told_aboard() -> None:
    film = film_of("Ada lived in a village. Ada flew to Paris by plane. The passengers slept.\n")
    assert film.shots[0].facts.place != "the cabin of an aeroplane"


def test_four_hundred_times_is_no_four() -> None:
    film = film_of(
        "It had happened four hundred times. Nothing was ever said of it again, and it was never explained."
    )
    signs = [i.action for i in film.shots[0].facts.ideas if i.sort == "sign"]
    assert signs == ["a page with the number 400"]
