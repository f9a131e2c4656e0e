"""A story of three sisters of whom two are told of by birth alone, of children nobody names, and of a stranger who is
gone in the morning."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

TEXT = """The three sisters lived at the edge of the village.

Every evening the children came to the well to hear a story. The sisters sat on the wall and took turns. The eldest told of kings. The youngest told only lies.

One night a stranger came up the road with a lantern. "I am looking for water," he said.

"So is everybody," said the eldest sister. The children laughed.

The stranger looked down into the well. He put down his lantern with a shaking hand. "What lives down there?" he asked.

"Our brother," said the youngest.

In the morning the stranger was gone, and the lantern still burned on the wall."""


@pytest.fixture(scope="module")
def film() -> ReadFilm:
    return film_of(TEXT)


def seen_where(film: ReadFilm, words: str) -> tuple[set[str], str, str]:
    """Who is seen while some words are told, where, and the prompt."""
    shot = shot_with(film, words)
    return {p.name for p in shot.people}, shot.facts.place, shot.prompt.text


def test_who_is_told_of_by_birth_is_one_of_them(film: ReadFilm) -> None:
    sexes = {p.name: p.pronoun for p in film.document.cast}
    assert sexes["the eldest sister"] == sexes["the youngest sister"] == "she"
    assert "the sister" not in sexes and "the youngest" not in sexes
    assert "the youngest sister" in seen_where(film, "Our brother")[0]


def test_children_are_not_two_grown_people(film: ReadFilm) -> None:
    assert "stranger laugh" not in seen_where(film, "The children laughed")[2]


def test_who_looks_down_into_a_well_is_there(film: ReadFilm) -> None:
    who, place, _ = seen_where(film, "looked down into the well")
    assert who == {"the stranger"} and "well" in place


def test_who_is_gone_is_not_seen(film: ReadFilm) -> None:
    assert seen_where(film, "the stranger was gone")[0] == set()


def test_what_nobody_can_see_is_not_done(film: ReadFilm) -> None:
    """ "Took turns": they are seen to sit."""
    assert "take" not in seen_where(film, "took turns")[2]
