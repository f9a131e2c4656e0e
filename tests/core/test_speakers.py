"""Who speaks and who is who, on passages of our own labelled by hand."""

import pytest

from cutreel.core.continuity import propose_cast
from cutreel.core.manuscript import read
from cutreel.core.manuscript.names import people_named
from cutreel.core.manuscript.speakers import UNKNOWN
from tests.conftest import STORY

PASSAGES: list[tuple[str, list[str]]] = [
    ("“Come in,” said Maren. Pip came in. “Sit down,” said Maren.", ["Maren", "Maren"]),
    ("Maren said, “Come in.” Pip sat. Pip said, “Thank you.”", ["Maren", "Pip"]),
    ("“He follows me,” said Pip. “I have asked him not to.”\n\nPip sat.", ["Pip", "Pip"]),
    ("“Who is there?” called the boy. The boy waited.", ["the boy"]),
    ("Old Hobb laughed. “No ladder of mine,” he said.\n\nHobb left. Hobb sang.", ["Hobb"]),
    (
        "“One,” said Ada.\n\n“Two,” said Bram.\n\n“Three.”\n\n“Four.”\n\nAda and Bram left. Ada ran. Bram ran.",
        ["Ada", "Bram", "Ada", "Bram"],
    ),
    ("“Nobody says who I am.”", [UNKNOWN]),
    ("ADA: Hello.\n\nBRAM: Goodbye.", ["Ada", "Bram"]),
    ("“It works!” she cried. Ada was proud of her work. Ada smiled.", ["Ada"]),
    ("Captain Ferrand replied, “Not today.” Captain Ferrand slept.", ["Captain Ferrand"]),
]


@pytest.mark.parametrize(("text", "wanted"), PASSAGES)
def test_speakers(text: str, wanted: list[str]) -> None:
    found = [line.speaker for line in read(text).lines if line.speaker]
    assert [f.split(" ")[-1] for f in found] == [w.split(" ")[-1] for w in wanted]


def test_the_sample_story() -> None:
    lines = [line for line in read(STORY).lines if line.speaker]
    assert {line.speaker for line in lines} >= {"Maren Oake", "Pip", "the boy"}
    assert all(line.why for line in lines)


def test_names_places_and_pronouns() -> None:
    figures = {f.name: f for f in people_named(STORY)}
    assert figures["Maren Oake"].kind == "person" and figures["Maren Oake"].pronoun == "she"
    assert "Maren" in figures["Maren Oake"].aliases
    assert figures["the heron"].kind == "animal"
    assert "Saltmere" not in {
        p.name for p in propose_cast(read("He went to Saltmere. She left Saltmere. In Saltmere it rained."))
    }


def test_proposed_traits_are_the_same_every_time_and_say_they_are_guesses() -> None:
    one, other = propose_cast(read(STORY)), propose_cast(read(STORY + "\nThe end.\n"))
    assert [p.traits for p in one] == [p.traits for p in other]
    assert all(p.guess and p.why for p in one)


def test_quoted_titles_are_not_speech() -> None:
    assert not any(line.speaker for line in read("The boat was called “little wren” by all of them.").lines)
