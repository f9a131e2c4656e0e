"""Who says who they are, whose kin belong to several, and roles that stand for nobody."""

import pytest

from cutreel.core.continuity import propose_cast
from cutreel.core.film import Offered, Settings, new_film, read_film
from cutreel.core.manuscript import read
from tests.labelled import parses_of

NIGHT_TRAIN = """There were four of them, three sisters and a small cousin called Emil, and their aunt Rosa had put them \
all into one compartment. Rosa looked out of the window.

"Why have we stopped?" asked a man in the corridor. He was tall and wore a railwayman's cap, but his coat was too fine for a railwayman.

"You have the cap," said Rosa.

The man took off the cap. "I found it," he said. "My name is Dr Levski. I am a dentist."

Emil woke up. He saw the dentist, and his aunt with her hand on the brake.

"Don't touch that," said Dr Levski. In the dining car the cook was sitting on a crate. The dentist knelt down.
"""


@pytest.fixture(scope="module")
def film():
    parses = parses_of(NIGHT_TRAIN)
    document, _ = new_film("t", NIGHT_TRAIN, Settings(pace=5), parses=parses)
    return read_film(document, Offered(2000), parses=parses)


def test_who_says_their_name_and_what_they_are_is_one_person(film) -> None:
    cast = {p.name: p for p in film.document.cast}
    assert {"the dentist", "the man"} <= set(cast["Dr Levski"].aliases)
    assert not {"the dentist", "the man", "the railwayman"} & set(cast)
    assert "tall" in " ".join(t.text for t in cast["Dr Levski"].traits)


def test_whose_cap_it_would_be_is_nobody_there(film) -> None:
    for shot in film.shots:
        if "corridor" in shot.text or "railwayman" in shot.text:
            assert [p.name for p in shot.people] == ["Dr Levski"], shot.text


def test_an_aunt_of_several_is_the_aunt_of_each(film) -> None:
    (shot,) = [s for s in film.shots if "his aunt" in s.text]
    assert {p.name for p in shot.people} >= {"Emil", "Rosa", "Dr Levski"}


def test_a_small_cousin_is_a_child_and_a_dining_car_is_no_car(film) -> None:
    (emil,) = [p for p in film.document.cast if p.name == "Emil"]
    assert "boy" in " ".join(t.text for t in emil.traits)
    (shot,) = [s for s in film.shots if "dining car" in s.text]
    assert shot.facts.place.startswith("a train compartment")


def test_what_somebody_denies_to_be_they_are_not() -> None:
    text = (
        'A man stood at the gate. "My name is Brand," he said. "I am not a doctor." The doctor came out of the house. '
        "The doctor was tired, and Brand gave him the bag."
    )
    cast = propose_cast(read(text), parses_of(text))
    brand = next(p for p in cast if p.name == "Brand")
    assert "the doctor" not in brand.aliases
