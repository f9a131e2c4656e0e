"""By what people are known besides hair and clothes, read from the text with nothing set by hand. Source: labels by
hand."""

import pytest

from cutreel.core.continuity import Person
from tests.labelled import film_of


def cast_of(text: str) -> dict[str, Person]:
    return {p.name: p for p in film_of(text).document.cast}


def traits_of(text: str, name: str, about: str) -> list[str]:
    return [t.text for t in cast_of(text)[name].traits if t.about == about]


@pytest.mark.parametrize(
    ("told", "feature"),
    [
        ("Robin was six, with a gap in his teeth and a plaster on his chin.", "gap in the teeth"),
        (
            "Robin was six, with a gap in his teeth and a plaster on his chin.",
            "plaster on the chin",
        ),
        ("Robin had a blue anchor tattooed on his neck.", "blue anchor tattooed on the neck"),
        ("Robin was a tall man with one grey eye and one brown.", "one grey eye and one brown"),
        ("Robin was a stout man with a round face and a moustache.", "round face"),
        ("Robin had a scar across his cheek.", "scar across the cheek"),
        ("Robin had a wooden leg.", "wooden leg"),
    ],
)
def test_features_are_told(told: str, feature: str) -> None:
    text = f"{told} Robin walked to the gate. He opened it. Robin laughed."
    assert feature in traits_of(text, "Robin", "feature")


def test_a_face_that_is_pale_or_of_another_is_no_feature() -> None:
    text = (
        "Robin had no scar on his cheek. His face was pale. A man with a scar on his cheek came in. Robin stood up. "
        "He looked like a man with a broken nose. Robin sat down."
    )
    assert traits_of(text, "Robin", "feature") == []


def test_a_feature_is_said_only_where_there_is_room() -> None:
    text = "Ada had a scar on her chin. Ada walked to the gate. She opened it. Ada laughed."
    assert [t.weight for t in cast_of(text)["Ada"].traits if t.about == "feature"] == ["if room"]


@pytest.mark.parametrize(
    ("told", "who"),
    [
        ("Anselm was as thin as his own needle.", "thin man"),
        ("Anselm was taller than the door.", "tall man"),
        ("Anselm was a lean Scotsman.", "lean man"),
        ("A small acrobat named Anselm came in.", "small man"),
    ],
)
def test_builds_are_told_by_comparison_and_beside_a_trade(told: str, who: str) -> None:
    text = f"{told} Anselm opened the shop. He sat down. Anselm sewed."
    assert traits_of(text, "Anselm", "who") == [who]


def test_whoever_only_talks_big_is_not_big() -> None:
    text = "Anselm was a big talker. Anselm opened the shop. He sat down. Anselm sewed."
    assert traits_of(text, "Anselm", "who") == ["man"]


@pytest.mark.parametrize(
    "told", ["Ada wore black every day of the week.", "Ada was dressed all in black."]
)
def test_who_wears_a_colour_wears_it(told: str) -> None:
    text = f"{told} Ada opened the gate. She sat down. Ada sang."
    (worn,) = traits_of(text, "Ada", "clothes")
    assert worn.startswith("black ")


def test_a_colour_that_something_else_has_is_nobodys() -> None:
    text = "The hills were all green. Ada opened the gate. She sat down. Ada sang."
    assert not traits_of(text, "Ada", "clothes")[0].startswith("green")


def test_icicles_hang_from_a_beard_that_is_his() -> None:
    text = (
        "Anselm was old, and icicles hung from his beard. Anselm knocked. He waited. Anselm sang."
    )
    assert "beard" in traits_of(text, "Anselm", "face")


def test_a_scarecrow_has_its_coat_on() -> None:
    text = (
        "In the middle of the field stood a scarecrow in a long black coat. Ada looked at it. The scarecrow stood still. "
        "Ada went in."
    )
    assert traits_of(text, "the scarecrow", "clothes") == ["long black coat"]
