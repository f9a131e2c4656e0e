"""A story of a light and a storm, read with nothing set: kin told of from the other side, towns that do not speak, what is seen
from afar, and what somebody puts on only later."""

import pytest

from cutreel.core.film import Offered, Settings, new_film, read_film
from tests.labelled import parses_of

STORM = """Every evening for thirty years Magda Ferro climbed the two hundred and eleven steps of the Cape Sorrow light.

Her brother Tomas lived below, in the keeper's cottage, with a parrot called Admiral.

Tomas looked at the bird. Then he looked at the window. Out on the reef, a fishing boat was turning round and round.

He put on his oilskin and went out into the rain. The path to the tower was under water. Twice he fell.

High above him his sister stopped counting. She had reached one hundred and four.

But the fishermen, three cousins from Port Amaro, said afterwards that the light had swung round like a hand.
"""


@pytest.fixture(scope="module")
def film():
    parses = parses_of(STORM)
    document, _ = new_film("t", STORM, Settings(pace=8), parses=parses)
    return read_film(document, Offered(2000), parses=parses)


def shot_with(film, words: str):
    (shot,) = [s for s in film.shots if words in s.text]
    return shot


def test_the_sister_of_a_brother_who_was_told_of_is_she_whose_brother_he_is(film) -> None:
    assert {p.name for p in film.document.cast} == {"Magda Ferro", "Tomas", "Admiral"}
    assert "Magda Ferro" in [p.name for p in shot_with(film, "his sister").people]


def test_a_light_with_a_name_is_a_lighthouse(film) -> None:
    assert shot_with(film, "Cape Sorrow").facts.place == "a lighthouse"


def test_what_is_far_out_is_seen_from_where_they_are(film) -> None:
    assert "reef" in shot_with(film, "Out on the reef").facts.place
    assert "path" in shot_with(film, "Twice he fell").facts.place


def test_what_somebody_puts_on_they_have_on_from_there(film) -> None:
    looks = {
        words: shot_with(film, words).prompt.text
        for words in ("lived below", "put on", "Twice he fell")
    }
    assert "oilskin" not in looks["lived below"] and "Tomas (man" in looks["lived below"]
    (coloured,) = {
        p.split(" oilskin)")[0].split(", ")[-1] for w, p in looks.items() if w != "lived below"
    }
    assert coloured, "one colour from there on"
