"""A locksmith's sister opens a box. Nobody prepared this story; what stands here was read wrongly at first: her brother was
two people, the attic was a roof, and she lay down on two hundred bottles."""

import pytest

from cutreel.core.colour import ciede2000, colour_in, lab_of
from cutreel.core.continuity import Person, Trait, propose_places
from cutreel.core.film import ReadFilm
from cutreel.core.manuscript import read
from tests.labelled import film_of, parses_of, shot_with

LOCKS = """Her brother Felix had the shop and the name over it, but it was Ottoline who sat in the back room with a file in her \
hand, listening to locks.

One evening in November an old man came in out of the rain. He put a small iron box on the counter.

Ottoline carried the box into the kitchen.

At midnight her brother came down with a candle.

In the morning the old man sat down at the kitchen table. There was a folded paper, a grey feather, and a second key.

That afternoon the three of them climbed the stairs of his house. The attic was full of dust. Ottoline turned the key, and \
behind the door, in long dark rows, lay two hundred bottles.

They drank the first one sitting on the floor. The sun came in through the roof window.
"""


@pytest.fixture(scope="module")
def locks() -> ReadFilm:
    return film_of(LOCKS)


def test_her_brother_is_the_one_who_was_named(locks) -> None:
    people = {p.name for shot in locks.shots for p in shot.people}
    assert people == {"Felix", "Ottoline", "the man"}
    assert "Felix comes down with a candle" in shot_with(locks, "with a candle").prompt.text


@pytest.mark.parametrize(
    ("words", "deed"),
    [
        ("listening to locks", "Ottoline sits in the back room"),
        ("the three of them", "climb the stairs"),
        ("two hundred bottles", "two hundred bottles lie"),
    ],
)
def test_what_is_seen(locks, words: str, deed: str) -> None:
    assert deed in shot_with(locks, words).prompt.text


@pytest.mark.parametrize(
    ("words", "place", "weather"),
    [
        ("came in out of the rain", "a room", "rain"),
        ("with a candle", "a kitchen", "rain"),
        ("the roof window", "an attic", "clear"),
    ],
)
def test_where_it_is_and_in_what_weather(locks, words: str, place: str, weather: str) -> None:
    facts = shot_with(locks, words).facts
    assert facts.place.startswith(place) and facts.weather == weather


def test_all_that_is_there_is_told(locks) -> None:
    deeds = [d.text for p in locks.story.paragraphs.values() for d in p.deeds]
    assert "a folded paper, a grey feather and a second key" in deeds


def test_two_brothers_without_names_are_still_somebody() -> None:
    film = film_of("Her brother came in. He sat down. His sister laughed. She poured the tea.")
    assert len({p.name for shot in film.shots for p in shot.people}) == 2


@pytest.mark.parametrize("garment", ["ochre coat", "cream dress", "moss green jacket", "plum robe"])
def test_walls_are_far_from_what_people_wear(garment: str) -> None:
    ada = Person(id=1, name="Ada", traits=[Trait(about="clothes", text=garment)])
    text = "Ada sat down in the kitchen. Ada went into the library. Ada came to the room."
    for place in propose_places(read(text), parses_of(text), [ada]):
        walls = place.description.split(", ")[1]
        one, other = (lab_of(colour_in(said))[None] for said in (walls, garment))
        assert ciede2000(one, other)[0] >= 18, (walls, garment)


@pytest.mark.parametrize("how", ["an old fireman", "an elderly fireman", "a retired fireman"])
def test_who_is_retired_is_old(how: str) -> None:
    film = film_of(f"Tom Reed was {how}. Tom Reed laughed. Tom Reed sat down.")
    assert film.document.cast[0].traits[0].text == "old man"


@pytest.mark.parametrize(
    "text",
    [
        "He sat, stood, lay",
        "Ada sat down, in the end lay “the blue stone”, and wept.",
        "In the box lay “a letter for you,” he said. It was they who sat",
        "Who sat there? It was who?",
    ],
)
def test_broken_sentences_are_read_too(text: str) -> None:
    assert film_of(f"{text}\n\nAda laughed. Ada left.").shots
