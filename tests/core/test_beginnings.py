"""How a story begins before it says when and where: at night, in a compartment, with children who are nobody's faces."""

import pytest

from tests.labelled import film_of, shot_with

TRAIN = """The children were already asleep when the train stopped. There were four of them, three sisters and a small \
cousin called Emil, and their aunt Rosa had put them all into one compartment with a basket of pears.

"Why have we stopped?" asked a man in the corridor. "My name is Dr Levski," he said.

Emil woke up. He saw the dark window, and his aunt with her hand on the brake. "Don't touch that," said Dr Levski. \
"Somebody has touched it already," said Rosa.

They walked along the train together. The children never woke, and in the morning, when they ran down the platform at \
Varna, Rosa said nothing.
"""


@pytest.fixture(scope="module")
def film():
    return film_of(TRAIN)


def test_a_window_that_is_dark_says_that_it_is_night_from_the_first_on(film) -> None:
    assert shot_with(film, "already asleep").facts.time == "night"
    assert shot_with(film, "hand on the brake").facts.time == "night"
    assert shot_with(film, "in the morning").facts.time == "day"


@pytest.mark.parametrize(
    ("text", "time"),
    [
        ("The cat was asleep on the stove. Ada swept the floor. In the morning the stove was cold.", "night"),
        ("The cat was asleep on the stove. Ada swept the floor. At noon the stove was cold.", "day"),
        ("The cat was asleep on the stove. Ada swept the floor. The stove was warm.", "day"),
        ("Ada swept the floor. “Good morning,” said Bram. He had a dark window of slate to sell.", "day"),
    ],
)  # fmt: skip
def test_sleep_says_night_before_a_morning_alone(text: str, time: str) -> None:
    assert film_of(text).shots[0].facts.time == time


def test_who_was_put_somewhere_is_there_until_somebody_is_told_of_elsewhere(film) -> None:
    assert "compartment" in shot_with(film, "already asleep").facts.place
    assert "compartment" in shot_with(film, "basket of pears").facts.place
    assert "corridor" in shot_with(film, "in the corridor").facts.place


def test_children_are_not_the_grown_ones_of_whom_was_told_last(film) -> None:
    ran = shot_with(film, "ran down the platform")
    assert "the children run down the platform" in ran.prompt.text


def test_so_many_of_them_are_those_who_were_told_of(film) -> None:
    assert "four children" in shot_with(film, "four of them").prompt.text


def test_two_who_speak_in_one_shot_are_both_seen(film) -> None:
    shot = shot_with(film, "Somebody has touched it")
    assert "Don't touch" in shot.text
    assert {p.name for p in shot.people} == {"Dr Levski", "Rosa"}
    assert "Dr Levski speaks to Rosa" in shot.prompt.text


def test_what_is_put_on_has_a_colour_that_nobody_else_has() -> None:
    text = (
        "Ada wore a moss green dress. Bram looked at Ada. “It rains,” said Bram. “Then go,” said Ada. "
        "Bram put on his coat and went out to Ada."
    )
    film = film_of(text)
    (bram,) = [p for p in film.document.cast if p.name == "Bram"]
    (worn,) = [t.text for o in bram.outfits for t in o.traits]
    assert worn.endswith("coat") and len(worn.split()) > 1 and "moss green" not in worn
