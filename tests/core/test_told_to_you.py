"""A knock at the door, told to "you", and a hedgehog's letter. Nobody prepared them; what stands here was read wrongly at
first: a voice was a woman in a cardigan, "the smaller" a man, the landlady asked what the mother wanted to know, the
middle of the night was dusk, and the door had its outside for a place."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

DOOR = """You moved into the flat in October because it was cheap. On the first evening the landlady, Mrs Voss, gave you two keys \
and one rule.

It is November now, and it is ten past twelve. You are washing a cup. "It's only me," says a voice. It is your mother's voice.

You walk down the hall in your socks and look through the spyhole. Something pale is standing very close to the door.

Your phone lights up on the kitchen table. It is your mother. She is asking what you want for Christmas.

"Let me in, darling," says the voice. "It's cold out here."

You sit down on the floor with your back against the door, and you feel it move, very slightly.

In the morning there is frost on the outside of the door, in the shape of a hand. Mrs Voss is on the landing, washing it off.
"""

LETTER = """The hedgehog had lost the letter. He looked under the acorns. He looked behind the teapot.

So the hedgehog went to see the badger. The badger lived at the end of the lane, in a house with a round green door, and she \
was making marmalade.

"What did the letter say?" asked the badger. She took the lantern from its hook and called her two cubs.

"Wait," said the smaller cub. She pulled something out of the hedgehog's prickles, on his back.

It was a blue envelope. Inside there was a card, and on the card it said: Come to supper on Thursday.
"""


@pytest.fixture(scope="module")
def door() -> ReadFilm:
    return film_of(DOOR)


@pytest.fixture(scope="module")
def letter() -> ReadFilm:
    return film_of(LETTER)


def test_a_voice_is_nobody_to_be_seen(door: ReadFilm) -> None:
    (voice,) = (p for p in door.document.cast if p.name == "the voice")
    assert voice.kind == "thing"


def test_who_asks_is_the_mother_who_is_not_there(door: ReadFilm) -> None:
    assert "Mrs Voss" not in {p.name for p in shot_with(door, "It is your mother. She").people}


def test_past_twelve_after_an_evening_is_night_until_it_is_morning(door: ReadFilm) -> None:
    assert shot_with(door, "You are washing a cup").facts.time == "night"
    assert shot_with(door, "there is frost").facts.time == "day"


def test_a_phone_in_the_kitchen_takes_nobody_there(door: ReadFilm) -> None:
    assert "kitchen" not in shot_with(door, "You sit down on the floor").facts.place
    assert "outside" not in shot_with(door, "there is frost").facts.place


def test_the_smaller_cub_is_a_cub(letter: ReadFilm) -> None:
    kinds = {p.name: p.kind for p in letter.document.cast}
    assert kinds["the smaller cub"] == "animal" and "the smaller" not in kinds


def test_who_makes_marmalade_in_her_house_is_in_it(letter: ReadFilm) -> None:
    assert shot_with(letter, "making marmalade").facts.place.startswith(("a house", "a kitchen"))


def test_something_is_pulled_out_and_no_animal_is_an_envelope(letter: ReadFilm) -> None:
    assert "pulls something" in shot_with(letter, "She pulled something").facts.action
    last = shot_with(letter, "on the card it said")
    assert "cub" not in last.facts.action and "the smaller cub" not in {p.name for p in last.people}
