"""A giant, a mouse and an owl. Nobody prepared this story; what stands here was read wrongly at first: there were clocks before
there were any, a brown mouse was white, and what nobody could do in winter made it winter."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

THUNDER = """Long before there were clocks, Thunder walked over the mountains in iron shoes.

He was a giant with a blue beard. Thunder never slept. "Foolish," said Thunder. Thunder looked down.

The animals were tired of it. The bears could not sleep in winter, and the little owl had not closed her eyes.

At last a mouse stepped forward. She was brown and very small, and she had a thorn.

"You are too loud," said the mouse, and she lifted her thorn.

At dawn the mouse came to the cave where Thunder slept. He lay on his back and snored.

His shoes stood beside the fire. Each of them was as big as a boat.
"""


@pytest.fixture(scope="module")
def thunder() -> ReadFilm:
    return film_of(THUNDER)


def traits(film: ReadFilm, name: str) -> dict[str, str]:
    (person,) = [p for p in film.document.cast if p.name == name]
    return {t.about: t.text for t in person.traits}


def test_the_looks_of_the_cast(thunder) -> None:
    assert traits(thunder, "Thunder")["who"] == "giant"
    assert traits(thunder, "the mouse")["other"] == "brown fur"


@pytest.mark.parametrize(
    ("words", "not_seen"),
    [("Long before", "clocks"), ("the little owl", "winter"), ("on his back", "snored")],
)
def test_what_is_not_there(thunder, words: str, not_seen: str) -> None:
    assert not_seen not in shot_with(thunder, words).prompt.text


def test_what_is_told_of_is_seen_and_not_whose_it_is(thunder) -> None:
    things = [i for i in shot_with(thunder, "beside the fire").facts.ideas if i.sort == "thing"]
    assert [(i.action, i.people) for i in things] == [("his shoes, near", ())]
