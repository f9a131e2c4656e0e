"""A hotel that nobody wanted. Nobody prepared this story; what stands here was read wrongly at first: all of it was told
of in a shipyard, the singer was two, and the boy of 1974 was a boy for ever."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

HOTEL = """In 1974 a man named Victor Lindqvist bought a hotel that nobody wanted. The paint was grey. When his wife Ingrid saw it, \
she sat down on her suitcase and cried.

"Give me one winter," said Victor.

He worked every night after his shift at the shipyard.

On the first of March they opened. They sat in the dining room at a table laid for six.

The second night, a woman in a fur coat got out of a taxi. She was Margot Delacroix, the singer.

Every evening Margot sat at the piano in the lobby and sang for the two of them and the night porter, a shy boy called Emil.

On the fourth evening there were people standing in the street, listening. On the sixth they were standing on the stairs.

When Margot left, she kissed Ingrid on both cheeks.

Victor died in 1998. At the funeral an old woman in a fur coat stood at the back of the church.

Beside Margot stood a tall man with grey hair at his temples. It was Emil. He still keeps one room empty.
"""


@pytest.fixture(scope="module")
def hotel() -> ReadFilm:
    return film_of(HOTEL)


def names(film: ReadFilm, words: str) -> set[str]:
    return {p.name for p in shot_with(film, words).people}


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("nobody wanted", "a hotel"),
        ("at the shipyard", "a hotel"),
        ("dining room", "a dining room"),
        ("at the piano", "a lobby"),
        ("grey hair at his temples", "a church"),
    ],
)
def test_where_it_is(hotel, words: str, place: str) -> None:
    assert shot_with(hotel, words).facts.place.split(",")[0] == place


def test_rooms_are_told_apart(hotel) -> None:
    walls = {s.facts.place.split(",")[1] for s in hotel.shots if "walls" in s.facts.place}
    assert len(walls) > 2


def test_the_woman_who_got_out_is_the_singer_and_no_old_woman(hotel) -> None:
    cast = {p.name: p for p in hotel.document.cast}
    assert "the woman" not in cast and "woman" in cast["Margot Delacroix"].aliases
    assert names(hotel, "fur coat got out") == {"Margot Delacroix"}
    who = next(t.text for t in cast["Margot Delacroix"].traits if t.about == "who")
    assert "old" not in who


def test_the_two_of_them_are_not_she_who_sings(hotel) -> None:
    assert names(hotel, "at the piano") == {"Margot Delacroix", "Victor Lindqvist", "Ingrid"}


def test_people_in_the_street_are_nobody_of_the_cast(hotel) -> None:
    assert names(hotel, "standing on the stairs") == set()


def test_a_boy_of_1974_is_a_man_in_1998(hotel) -> None:
    assert "Emil (man" in shot_with(hotel, "one room empty").prompt.text
    before = next(p for p in hotel.document.cast if p.name == "Emil")
    assert before.traits[0].text == "boy"
    assert "Emil" in names(hotel, "grey hair at his temples")


def test_who_gets_out_of_what_stops_outside_is_in_the_street() -> None:
    film = film_of(
        "Ada lived in a hotel. She sat in the lobby. A taxi stopped outside, and Ada's brother Bram got out with a white dog. "
        "Bram came into the lobby. He gave Ada, Cora and Edda the dog. Cora laughed. Edda laughed."
    )
    assert shot_with(film, "stopped outside").facts.place == "a town street"
    assert shot_with(film, "came into the lobby").facts.place.startswith("a lobby")
