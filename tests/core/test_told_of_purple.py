"""The history of a colour. Nobody prepared this story; what stands here was read wrongly at first: a student of eighteen was an
old man, the emperor and Caligula were two, and what happened in Constantinople was shown in a theatre."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

PURPLE = """Along the coast fishermen dived for a snail.

A law of the time said that a woman could divorce her husband.

But the cloth did not fade. It grew brighter in the sun.

In Rome, only the emperor could wear it. The emperor frowned.

A young king named Ptolemy came to visit the emperor Caligula. He walked into the theatre. Caligula smiled and said nothing for a long time.

For fifteen hundred years the secret passed from one hand to another, and nobody ever wrote a word of it down.

In 1453 the Turks took Constantinople, and the secret was lost.

Then, in 1856, an eighteen-year-old student called William Perkin was home for the holidays. Perkin had an idea.

He tried to clean the flask with alcohol.

The canal ran red or purple, depending on the day.

Perkin sold the factory, went home, and spent the rest of his life in his garden.

The snails are still there. They live on the rocks off the coast.
"""


@pytest.fixture(scope="module")
def purple() -> ReadFilm:
    return film_of(PURPLE)


def test_who_is_in_it(purple) -> None:
    who = {p.name: p.traits[0].text for p in purple.document.cast}
    assert who["William Perkin"] == "young man"
    assert "the emperor" not in who
    assert "the woman" not in who
    (caligula,) = [p for p in purple.document.cast if p.name == "Caligula"]
    assert "the emperor" in caligula.aliases


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("In Rome", "Rome"),
        ("Constantinople", "Constantinople"),
        ("1856", "a room in a small house"),
        ("his garden", "a garden"),
        ("still there", "a coast"),
    ],
)
def test_where_it_is(purple, words: str, place: str) -> None:
    assert shot_with(purple, words).facts.place.startswith(place)


def test_after_centuries_nobody_is_there_any_more(purple) -> None:
    assert not shot_with(purple, "fifteen hundred").facts.people


@pytest.mark.parametrize(
    ("words", "shown"),
    [
        ("the flask", "William Perkin cleans the flask with alcohol"),
        ("did not fade", "the cloth, near"),
    ],
)
def test_what_is_seen(purple, words: str, shown: str) -> None:
    assert any(shown in idea.action for idea in shot_with(purple, words).facts.ideas)


@pytest.mark.parametrize(
    ("words", "not_seen"),
    [("the flask", "tries"), ("The canal", "depends"), ("his garden", "spends")],
)
def test_what_shows_nothing_is_not_said(purple, words: str, not_seen: str) -> None:
    assert not any(not_seen in idea.action for idea in shot_with(purple, words).facts.ideas)
