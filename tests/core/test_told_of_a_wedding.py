"""A wedding cake and a dog. Nobody prepared this story; what stands here was read wrongly at first: the aunt was two, the
golden retriever was black, the bride wore a mustard coat in August, and the ring that was hers was the mayor."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

WEDDING = """My sister Priya got married on a Saturday in August, and by Sunday nobody in my family was speaking to anybody.

It began with the cake. My aunt Meera had baked it: five tiers, with sugar peonies she had made by hand. She carried it into \
the hall herself.

My brother Dev was in charge of the dog. The dog, Biscuit, is a golden retriever. Dev tied him to a chair in the hall and went \
outside to answer his phone.

Biscuit was standing on the table with his head in the third tier. Her new husband, Tom, took a picture.

"You think this is funny?" said my aunt. She took off her shoe and threw it at him. It missed Tom and hit the mayor.

The mayor, a patient woman with grey curls, wiped the icing off her glasses. At midnight my aunt danced with the mayor.

On Sunday we found out that the dog had also eaten the rings. My sister wears hers now, and she tells everybody where it has \
been.
"""


@pytest.fixture(scope="module")
def wedding() -> ReadFilm:
    return film_of(WEDDING)


def traits(film: ReadFilm, name: str) -> str:
    return ", ".join(t.text for p in film.document.cast if p.name == name for t in p.traits)


def test_my_aunt_with_a_name_is_one(wedding: ReadFilm) -> None:
    names = [p.name for p in wedding.document.cast]
    assert "the aunt" not in names and "Meera" in names


def test_a_bride_is_in_white_and_nobody_in_a_coat_in_august(wedding: ReadFilm) -> None:
    assert "white wedding dress" in traits(wedding, "Priya")
    assert not any("coat" in traits(wedding, p.name) for p in wedding.document.cast)


def test_a_breed_says_the_colour(wedding: ReadFilm) -> None:
    assert "gold fur" in traits(wedding, "Biscuit")


def test_it_is_the_cake_that_it_began_with(wedding: ReadFilm) -> None:
    assert "the cake into the hall" in shot_with(wedding, "She carried it").facts.action


def test_what_is_hers_is_nobody(wedding: ReadFilm) -> None:
    assert [p.name for p in shot_with(wedding, "My sister wears hers").people] == ["Priya"]


def test_we_are_the_family_and_not_who_was_danced_with(wedding: ReadFilm) -> None:
    assert "the mayor" not in {p.name for p in shot_with(wedding, "On Sunday we").people}
