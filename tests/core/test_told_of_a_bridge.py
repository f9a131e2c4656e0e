"""A bridge that was sold eleven times. Nobody prepared this story; what stands here was read wrongly at first: the first
customer was the swindler himself, and his secretary a man."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

BRIDGE = """In the spring of 1911, a polite gentleman stepped off the ferry in the port of Calloway. His name was Augustin Pell.

Calloway had one great thing: a new steel bridge, a mile long. Nobody paid a penny.

On the third day Pell rented an office above a bank, hung a map on the wall, and hired a secretary, a tall young woman called
Winifred Oakes, who believed every word he said.

His first customer was a cattle farmer from the north. Pell poured him a glass of brandy.

The farmer signed, and Pell gave him a deed with a red wax seal.

On Monday the farmer put a gate across the bridge.

By then Pell had sold it to a widow, to two brothers, and to a retired admiral.

It was Winifred who noticed. One evening she was filing letters when she found eleven deeds.

She sat down on the floor of the dark office.

The next morning a lady in a black veil came to the office. She wanted to see the bridge first. They walked out to the middle of it, and she held out a pen.
""".replace("called\nWinifred", "called Winifred")


@pytest.fixture(scope="module")
def bridge() -> ReadFilm:
    return film_of(BRIDGE)


def test_who_is_in_it(bridge) -> None:
    cast = {p.name: p.pronoun for p in bridge.document.cast}
    assert cast["Winifred Oakes"] == "she"
    assert cast["Augustin Pell"] == cast["the farmer"] == "he"
    assert "the woman" not in cast


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("1911", "a port"),
        ("steel bridge", "a bridge"),
        ("customer", "an office"),
        ("a gate across", "a bridge"),
        ("to the middle of it", "a bridge"),
    ],
)
def test_where_it_is(bridge, words: str, place: str) -> None:
    assert shot_with(bridge, words).facts.place.startswith(place)


@pytest.mark.parametrize(
    ("words", "shown"),
    [
        ("customer", "pours the farmer a glass of brandy"),
        ("The farmer signed", "gives the farmer a deed"),
        ("By then", "sells it to the widow and two brothers"),
        ("filing letters", "finds eleven deeds"),
    ],
)
def test_what_is_done(bridge, words: str, shown: str) -> None:
    assert any(shown in idea.action for idea in shot_with(bridge, words).facts.ideas)


def test_what_nobody_pays_is_not_seen(bridge) -> None:
    shot = shot_with(bridge, "Nobody paid")
    assert "penny" not in shot.prompt.text
    assert "penny" not in shot.facts.things


def test_where_somebody_sits_is_where_they_were_all_the_evening() -> None:
    film = film_of(
        "Winifred stood on the bridge.\n\n"
        "One evening she was filing letters. She sat down on the floor of the dark office and laid them out in a row.\n"
    )
    assert shot_with(film, "filing").facts.place.startswith("a dark office")


def test_a_seal_of_wax_is_no_beast(bridge) -> None:
    story = bridge.story.paragraphs.values()
    (seal,) = [s for p in story for s in p.sights if "seal" in s.phrase]
    assert seal.sort == "thing"
