"""Names of people and of places, told apart in stories that nobody prepared."""

import pytest

from cutreel.core.continuity import propose_cast
from cutreel.core.manuscript import read
from cutreel.core.manuscript.names import people_named


def kinds(text: str) -> dict[str, str]:
    return {f.name: f.kind for f in people_named(text)}


@pytest.mark.parametrize(
    "name",
    ["Quill Street", "Cold Harbour", "Saltmere Road", "Gull Island", "Tern Lane", "Orchard Hill"],
)
def test_a_name_that_ends_in_a_word_of_place_is_no_person(name: str) -> None:
    text = f"The bakery by {name} opened at four. Nobody came before six."
    assert kinds(text) == {name: "place"}
    assert not propose_cast(read(text))


@pytest.mark.parametrize("name", ["Ada Hill", "Jo Woods", "Miss Castle", "Dr. Green", "Mrs. Lane"])
def test_a_surname_that_could_be_a_place_is_a_person_where_the_text_says_so(name: str) -> None:
    text = f"In the morning {name} put on a coat, for she had slept badly."
    assert kinds(text) == {name: "person"}


@pytest.mark.parametrize(
    ("title", "noun"), [("Mr.", "man"), ("Mrs.", "woman"), ("Uncle", "man"), ("Miss", "woman")]
)
def test_a_title_tells_who_somebody_is_from_a_single_mention(title: str, noun: str) -> None:
    """“Mr. Tarrow” was drawn as a woman: the title stood at the head of its only sentence."""
    text = f"The shop was dark. {title} Tarrow put a hat on the table. “One loaf.”"
    (person,) = propose_cast(read(text))
    assert person.name == f"{title} Tarrow"
    assert noun in [trait.text for trait in person.traits]


def test_a_title_does_not_end_the_sentence_that_says_who_speaks() -> None:
    lines = read("The door opened. Mr. Tarrow put down the hat. “One loaf, and the truth.”").lines
    assert [line.speaker for line in lines if line.speaker] == ["Mr. Tarrow"]
