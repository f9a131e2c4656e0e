"""A grandfather who fishes where no fish are, told by a boy who is old at the end; and a robot on the stairs. Nobody
prepared these stories; what stands here was read wrongly at first."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

FISHING = """The summer I turned nine, my grandfather taught me how to lie. Every morning we walked down to the canal.

“How many today?” asked my mother. “Four,” said Grandfather.

One morning a policeman was standing on the bridge. He leaned over the rail and watched us.

The policeman laughed. Then he came down and sat in the grass beside us. Grandfather handed him the second rod. The three of us watched the water.

My mother cried in the kitchen. I was sent to the garden.

I am sixty-one now. Every Sunday I take my grandson down to the canal. They closed the factory years ago.

Last week he caught something. It was as long as his hand. He held it up to the light and looked at me.
"""

ROBOT = """The robot had been told to bring one pizza to the third floor. It was a small robot with six wheels.

The elevator was broken. The robot looked at the stairs.

A cat came down, looked it over, and sat on its lid, because the pizza was warm.

On the second landing an old woman opened her door. She wore curlers. “You're late,” said Mrs. Okonkwo.

The cat began to wash. “You are on the second floor,” said the robot.

The flat was full of clocks. Mrs. Okonkwo took a slice for herself.
"""


NORTH = """A mapmaker lived with his daughter Ilse in a house made of driftwood.

One winter a captain in a fur coat came to the door.

Ilse drove over the ice for eleven days. On the twelfth day the compass began to spin.

In the middle of the white plain stood an old woman beside a fire that gave no smoke. Her face was as wrinkled as a walnut. “You are late,” she said.

When Ilse took the stone, the compass pointed at her."""


@pytest.fixture(scope="module")
def fishing() -> ReadFilm:
    return film_of(FISHING)


@pytest.fixture(scope="module")
def robot() -> ReadFilm:
    return film_of(ROBOT)


def deeds(film: ReadFilm) -> list[str]:
    names = {p.id: p.name for p in film.document.cast}
    return [
        deed.text.format(*[names.get(n, "") for n in range(40)])
        for read in film.story.paragraphs.values()
        for deed in read.deeds
    ]


def test_kin_that_is_brought_along_is_he_in_the_next_paragraph(fishing: ReadFilm) -> None:
    who = {p.name for p in shot_with(fishing, "Last week").people}
    assert "the grandson" in who and "Grandfather" not in who
    (boy,) = (p for p in fishing.document.cast if p.name == "the grandson")
    assert "boy" in boy.traits[0].text


def test_who_tells_of_childhood_is_old_from_where_it_is_said(fishing: ReadFilm) -> None:
    assert "boy" in shot_with(fishing, "turned nine").prompt.text
    assert "old man" in shot_with(fishing, "I am sixty-one").prompt.text


def test_three_of_us_are_three(fishing: ReadFilm) -> None:
    read = fishing.story.paragraphs[3]
    assert max(len(m.people) for m in read.mentions if m.seen) == 3


def test_they_of_years_ago_are_nobody_that_was_told_of(fishing: ReadFilm) -> None:
    assert not any(deed.endswith("close the factory") for deed in deeds(fishing))


def test_who_is_sent_somewhere_is_there(fishing: ReadFilm) -> None:
    assert [a.noun for a in fishing.story.paragraphs[4].arrivals] == ["kitchen", "garden"]


def test_who_cries_and_says_nothing_weeps(fishing: ReadFilm) -> None:
    assert "the mother cries in the kitchen" in deeds(fishing)


def test_a_landing_of_stairs_lies_by_no_water(robot: ReadFilm) -> None:
    assert not any("ferry" in shot.facts.place for shot in robot.shots)


def test_nobody_is_in_a_lift_that_is_broken(robot: ReadFilm) -> None:
    assert not any("lift" in shot.facts.place for shot in robot.shots)


def test_what_is_looked_over_is_another(robot: ReadFilm) -> None:
    assert not any("the cat looks the cat" in deed for deed in deeds(robot))


def test_who_came_in_without_a_name_is_who_speaks_by_name_there(robot: ReadFilm) -> None:
    names = {p.name for p in robot.document.cast}
    assert "Mrs. Okonkwo" in names and "the woman" not in names


def test_who_stands_there_first_is_she_whose_face_is_told_next() -> None:
    film = film_of(NORTH)
    names = {p.name for p in film.document.cast}
    assert "the woman" in names and "the compass" not in names
    assert [p.name for p in shot_with(film, "You are late").people] == ["the woman"]


DRAGON = """My sister Noor found the egg behind the washing machine. It was warm, so we thought it was a lost potato.

“We are not keeping it,” said my father.

We kept it. We fed it matches. It slept in the kitchen.

Our neighbour Herr Blum came to complain. He was a fireman with a huge white moustache. Herr Blum looked at the dragon.

They flew together, the old man holding on to his hat, around the tower and back before anybody woke."""

LAMPS = """In 1921 the city had one lamplighter, and his name was Joost. Joost lit the lamps by hand.

One evening the whole city went dark. Trams stopped where they stood.

Joost walked through the street. A surgeon finished an operation on a kitchen table.

You can find it by the green ladder that leans beside it."""


def test_who_says_we_and_my_tells_it() -> None:
    film = film_of(DRAGON)
    by_name = {p.name: p for p in film.document.cast}
    assert "I" in by_name["the teller"].aliases
    assert "huge white moustache" in [t.text for t in by_name["Herr Blum"].traits]
    assert not any("bedroom" in shot.facts.place for shot in film.shots)


def test_trams_are_nobody_and_a_kitchen_table_in_the_street_is_no_kitchen() -> None:
    film = film_of(LAMPS)
    assert [p.name for p in film.document.cast] == ["Joost"]
    places = {shot.facts.place for shot in film.shots}
    assert not any("kitchen" in place or "green" in place for place in places)
