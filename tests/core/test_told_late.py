"""Stories in which it is told late, or never, who somebody is: a lift at night, three brothers, a stolen painting. Nobody
prepared them; what stands here was read wrongly at first, and is as a reader would have it."""

import pytest

from tests.labelled import film_of, shot_with

LIFT = """Marisol worked nights at Saint Brendan's because nights were quiet.

At ten past two the call light came on above room 1307. Saint Brendan's had twelve floors.

The elevator doors opened before she touched the button. Inside stood an old man in a brown suit, holding his hat in both hands.

She should have said no. She had a daughter at home, asleep under a quilt. But the old man's hands were shaking.

“Who are you looking for?” said Marisol.

“My wife,” he said, and smiled.

The doors closed. When the doors opened again, there was a garden, and a woman in a green dress standing up so quickly that her chair fell over.

“Walter,” she said. “You're soaked.”

He dropped the hat and ran to her like a boy.

Marisol did not step out. She pressed the button for the ground floor.

In the morning she asked Dr. Okafor about the patient in the brown suit. The doctor took off his glasses.

“Walter Finch,” he said. “He died at ten past two.”

She went home as the sun came up. Her daughter was already at the kitchen table, drawing with a green crayon.

“Who's that?” Marisol asked, and sat down beside her.

“I don't know,” said Inez.
"""


@pytest.fixture(scope="module")
def lift():
    return film_of(LIFT)


def seen(film, words: str) -> list[str]:
    return [p.name for p in shot_with(film, words).people]


def test_who_is_first_called_by_name_in_talk_is_who_came_in_without_one(lift) -> None:
    cast = {p.name: p for p in lift.document.cast}
    assert "the man" not in cast and "the daughter" not in cast
    traits = " ".join(t.text for t in cast["Walter Finch"].traits)
    assert "old man" in traits and "brown suit" in traits
    assert "Walter Finch" in seen(lift, "Inside stood")
    assert any(t.text == "girl" for t in cast["Inez"].traits), "she draws with a crayon"
    assert "Inez" in seen(lift, "Her daughter was already")


def test_a_woman_who_comes_in_is_somebody_and_it_is_she_who_speaks(lift) -> None:
    assert "the woman" in seen(lift, "in a green dress")
    assert "Marisol" not in seen(lift, "You're soaked")


def test_a_daughter_at_home_is_not_here(lift) -> None:
    shot = shot_with(lift, "She had a daughter at home")
    assert "Inez" not in [p.name for p in shot.people]
    assert shot.facts.place == "the inside of a lift"


def test_the_scene_goes_through_doors_that_open(lift) -> None:
    where = [shot_with(lift, w).facts.place for w in ("worked nights", "Inside stood", "a garden")]
    assert ["hospital" in where[0], where[1:]] == [True, ["the inside of a lift", "a garden"]]
    assert "hospital" in shot_with(lift, "Dr. Okafor").facts.place


def test_somebody_who_is_only_asked_for_in_talk_is_nobody_near() -> None:
    """A name that is called where two could be meant, or where one is told of beside it, joins nobody."""
    film = film_of(
        "The old man and the porter stood on the platform. They waited for a long time, and the porter whistled.\n\n"
        "The old man looked at his watch. The porter laughed at him.\n\n“Come on, Gregor,” said a voice from the train.\n\n"
        "The porter picked up the case. The old man followed him, and Gregor ran along the platform."
    )
    names = {p.name for p in film.document.cast}
    assert {"the porter", "Gregor"} <= names and ({"the man", "the old man"} & names)


BROTHERS = """There were once three brothers who lived at the edge of the Hollow Wood.

The eldest, Bram, was as broad as a barn door. The second, Tobias, could talk a fish out of a pond. The youngest was called Wick because he was thin.

One winter a witch came to the door. She wore a coat of crow feathers, and she walked through the snow.

Wick put the rooster under his arm. On the first day he crossed the frozen lake. On the second he climbed the Hill of Bones.

The bear woke up. “Who is there?” said the bear.
"""


@pytest.fixture(scope="module")
def brothers():
    return film_of(BROTHERS)


def test_who_is_told_what_they_can_do_or_are_called_is_shown(brothers) -> None:
    assert seen(brothers, "The second") == ["Tobias"]
    assert "Wick" in seen(brothers, "The youngest")


def test_what_a_coat_is_made_of_is_worn_and_is_no_thing_by_itself(brothers) -> None:
    prompt = shot_with(brothers, "crow feathers").prompt.text
    assert "black coat of crow feathers" in prompt and "feathers, near" not in prompt


def test_a_hill_with_a_name_is_a_hill_and_a_bear_has_no_bedroom(brothers) -> None:
    assert shot_with(brothers, "Hill of Bones").facts.place == "hills"
    assert "bedroom" not in shot_with(brothers, "The bear woke").facts.place


PAINTING = """On an August morning a small man in a white smock walked out of the Louvre with a painting under his arm.

His name was Vincenzo Peruggia. The museum was closed to the public, and cleaners walked the long halls. He carried the painting down a stair.

Then a plumber named Sauvet came down the stairs, saw a workman in trouble, and opened the door for him with his own key.

The police questioned a young Spaniard named Pablo Picasso, who wept in front of the judge. By evening sixty detectives were searching the building.

A detective sat at a table, wrote his report, and never looked under it. She was there, in a trunk, an arm's length from his knees.

She stayed in that room for two years. Peruggia came home in the evening and sat with her. She hangs behind glass today.
"""


@pytest.fixture(scope="module")
def painting():
    return film_of(PAINTING)


def test_she_is_the_painting_where_there_is_no_woman(painting) -> None:
    things = [p for p in painting.document.cast if p.kind == "thing"]
    assert [p.name for p in things] == ["the painting"]
    assert not any(p.pronoun == "she" for p in painting.document.cast if p.kind == "person")
    assert "the painting" in seen(painting, "She was there")


def test_those_with_names_of_a_people_or_a_trade_are_seen_and_called_as_they_are(painting) -> None:
    cast = {p.name: p for p in painting.document.cast}
    assert cast["Sauvet"].pronoun == "he", "with his own key"
    assert "the workman" not in cast, "whom he sees is nobody new"
    assert seen(painting, "a young Spaniard") == ["Pablo Picasso"]
    assert "white smock" in " ".join(t.text for t in cast["Vincenzo Peruggia"].traits)


def test_a_museum_that_is_closed_is_where_it_happens_and_its_building_is_no_other_place(
    painting,
) -> None:
    places = [shot_with(painting, w).facts.place for w in ("walked out", "cleaners", "sixty")]
    assert all("museum" in p for p in places)


def test_who_is_old_by_now_is_not_old_from_the_first() -> None:
    film = film_of(
        "The mayor of Oderfeld bought a clock. A small girl called Greta counted its hours every day.\n\n"
        "“Where shall we put it?” asked the mayor.\n\nThirty years later the water rose.\n\n"
        "“It will stop,” said the mayor, who was an old man now.\n\nGreta was a woman now, and she climbed down the ladder."
    )
    asks, says = (shot_with(film, w).prompt.text for w in ("asked the mayor", "old man now"))
    assert "the mayor (man" in asks and "the mayor (old man, short grey hair" in says
    counts, climbs = (shot_with(film, w).prompt.text for w in ("counted its hours", "climbed"))
    assert "small girl" in counts and "Greta (woman" in climbs


BANK = """The summer I turned eleven, my grandmother taught me how to rob a bank. We drew it at the kitchen table.

“I do not talk to machines,” said my grandmother. She wore a purple raincoat.

On Monday my grandmother unfolded a chair in the middle of the bank and said to the guard, “I am not leaving.” I sat down on the floor.

The guard was called Winston. He had very gentle hands.

“Good morning,” said Winston.

“Thank you,” said my grandmother, and I put on my shoes.

At noon a grey car stopped outside, and out of it climbed Gerald.

“Mrs. Abara,” he said. “They told me it was a robbery.”
"""


def test_whom_somebody_calls_by_name_may_be_a_grandmother_and_a_guard_has_one_too() -> None:
    film = film_of(BANK)
    cast = {p.name: p for p in film.document.cast}
    assert (
        "the grandmother" in cast["Mrs. Abara"].aliases and "the guard" in cast["Winston"].aliases
    )
    told = " ".join(t.text for t in cast["Mrs. Abara"].traits)
    assert "old woman" in told and "purple raincoat" in told
    assert shot_with(film, "in the middle of the bank").facts.place == "a bank with a counter"
    river = film_of(
        "The old man sat on the bank of the river and fished. He lay on the bank all day."
    )
    assert not any("counter" in s.facts.place for s in river.shots)


def test_the_sister_of_a_mouse_is_a_mouse_and_speaks_by_her_name() -> None:
    film = film_of(
        "Under the step of the library lived a mouse named Quentin, and he had read every book.\n\n"
        "“Why does she close her eyes?” asked his sister Pim, who could not read.\n\n“That,” said Quentin, “is what I mean to find out.”\n\n"
        "Quentin climbed past the poets. “Well?” whispered Pim. “Is it any good?”"
    )
    cast = {p.name: p for p in film.document.cast}
    assert set(cast) == {"Quentin", "Pim"} and cast["Pim"].kind == "animal"
    assert any("mouse" in t.text for t in cast["Pim"].traits)
    assert set(film.script.speakers) == {"Quentin", "Pim"}
