"""Bees on the roof of a post office, and a snow plough on a bridge. Nobody prepared these stories; what stands here was read
wrongly at first."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

BEES = """My grandmother kept bees on the roof of the post office. I was nine the summer she let me help. I wore a veil.

The postmaster, Mr. Finch, sorted the letters in the room below us, and he heard a hum in the ceiling. Every Friday he went \
to the doctor. I heard him cough.

In July a swarm came out. They hung from the flagpole. Everybody in the square looked up.

She held the box under the flagpole and knocked twice on the wood. Then the bees went in.

That evening Mr. Finch came up the stairs with two cups. I was there. He stood in the doorway a long time.

He never went to the doctor again. When she died, many winters later, he wrote to me.
"""

PLOUGH = """Every winter the valley gave the plough to somebody, and that winter it was Nadia Brook.

"Do not stop on the bridge," said the man from the council.

At four in the morning she drove out of the depot with a dog called Biscuit on the seat. Snow fell.

Biscuit barked. Nadia put the plough in gear. It took her twenty minutes, pulling to the left all the way.

On the bridge stood an old farmer in a long coat, and beside him, in the snow, lay a cow.

"She will not get up," said the farmer. His name was Walter Pike.

Nadia held the lantern. The farmer knelt in the snow. An hour later there were four of them on the bridge, and a dog.

They wrapped the calf in a jacket.

She drove to the farm, with the old man behind her leading the cow. The sky went grey, then pink.

"You stopped on the bridge," said the man from the council.
"""


@pytest.fixture(scope="module")
def bees() -> ReadFilm:
    return film_of(BEES)


@pytest.fixture(scope="module")
def plough() -> ReadFilm:
    return film_of(PLOUGH)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("kept bees", "a rooftop"),
        ("sorted the letters", "a room"),
        ("looked up", "a town square"),
        ("knocked twice on the wood", "a town square"),
        ("came up the stairs", "a room"),
    ],
)
def test_where_the_bees_are(bees, words: str, place: str) -> None:
    assert shot_with(bees, words).facts.place.startswith(place)


def test_who_is_below_us_is_not_with_us_and_nobody_is_a_doctor(bees) -> None:
    assert [p.name for p in shot_with(bees, "sorted the letters").people] == ["Mr. Finch"]
    assert "the doctor" not in {p.name for p in bees.document.cast}


def test_a_swarm_is_one(bees) -> None:
    assert "hangs from the flagpole" in shot_with(bees, "They hung").prompt.text


@pytest.mark.parametrize(
    ("words", "place", "time"),
    [
        ("drove out of the depot", "the cab of a truck", "night"),
        ("to the left", "the cab of a truck", "night"),
        ("lay a cow", "a bridge over a river", "night"),
        ("The sky went grey", "a farm", "dawn"),
    ],
)
def test_where_the_plough_is_and_when(plough, words: str, place: str, time: str) -> None:
    facts = shot_with(plough, words).facts
    assert (facts.place, facts.time) == (place, time)


def test_the_old_man_is_the_old_farmer_and_a_dog_wraps_nothing(plough) -> None:
    traits = {p.name: [t.text for t in p.traits] for p in plough.document.cast}
    assert "old man" in traits["Walter Pike"] and "man" in traits["the man"]
    assert "Walter Pike" in {p.name for p in shot_with(plough, "leading the cow").people}
    deeds = [d for p in plough.story.paragraphs.values() for d in p.deeds if d.verb == "wrap"]
    names = {p.id: p.name for p in plough.document.cast}
    assert [{names[n] for n in d.who} for d in deeds] == [{"Nadia Brook", "Walter Pike"}]
