"""Stories that nobody prepared, read with nothing set: a light and a storm, a ghost, a clock, a fox, a bus, a ship. What stands
here was read wrongly at first, and is as a reader would have it."""

import pytest

from cutreel.core.manuscript import words_text
from tests.labelled import film_of, shot_with

STORM = """Every evening for thirty years Magda Ferro climbed the two hundred and eleven steps of the Cape Sorrow light.

Her brother Tomas lived below, in the keeper's cottage, with a parrot called Admiral.

Tomas looked at the bird. Then he looked at the window. Out on the reef, a fishing boat was turning round and round.

He put on his oilskin and went out into the rain. The path to the tower was under water. Twice he fell.

High above him his sister stopped counting. She had reached one hundred and four.

But the fishermen, three cousins from Port Amaro, said afterwards that the light had swung round like a hand.
"""


@pytest.fixture(scope="module")
def film():
    return film_of(STORM)


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


def test_the_teller_has_the_name_by_which_others_call_them_and_its_sex() -> None:
    film = film_of(
        "I was in the kitchen, making toast. I heard my aunt Philippa on the stairs.\n\n“They're on your head,” I said.\n\n"
        "“Don't be stupid, Nell,” said my aunt.\n\nShe opened the drawers. Spoons flew out. My uncle Bertram came in and looked at "
        "me.\n\n“What are you doing?” he said.\n\n“It's not me. It's Aunt Philippa.”\n\nHe sat down and laughed until he cried."
    )
    cast = {p.name: p for p in film.document.cast}
    assert len(cast) == 3 and "Spoons" not in cast, "several spoons are nobody"
    assert cast["Nell"].pronoun == "she" and "I" in cast["Nell"].aliases
    script = film.script
    said = {words_text(script.words[n.first : n.end]): n.speaker for n in script.lines}
    (answer,) = [who for text, who in said.items() if "It's Aunt Philippa" in text]
    assert answer is None, "who is spoken of by name does not say it; the teller does"
    assert "laughing" in shot_with(film, "laughed until").prompt.text


def test_a_superlative_a_river_and_an_hour_are_no_places_to_be() -> None:
    film = film_of(
        "The mayor bought a clock. It was the largest clock in the province. They lowered it into the market square. Lovers met at "
        "six, which was beside the fish stall. In March the river rose. It came up through the cellars at night. Ilse stood on the glass."
    )
    places = " / ".join(s.facts.place for s in film.shots)
    assert not {"province", "stall", "cellar"} & set(places.replace(",", " ").split()), places
    assert "the largest clock" in {
        s.phrase for p in film.story.paragraphs.values() for s in p.sights
    }


def test_an_animal_with_a_name_is_one_and_its_buttons_click_by_themselves() -> None:
    film = film_of(
        "A hedgehog called Mistress Prickett sold buttons. “Good morning,” said the hedgehog. The fox sewed the buttons on his "
        "coat, and when the wind blew they clicked. His tail was lying on the doorstep, washed and brushed."
    )
    cast = {p.name: p for p in film.document.cast}
    assert (
        cast["Mistress Prickett"].kind == "animal"
        and "the hedgehog" in cast["Mistress Prickett"].aliases
    )
    told = " ".join(s.prompt.text for s in film.shots)
    assert "click" not in told, "buttons are nobody of the cast"
    assert "washes" not in told


def test_a_list_is_of_several_and_a_driver_has_the_name_that_is_told() -> None:
    film = film_of(
        "The number nine bus left Carrick station with three passengers: a nurse going off shift, a boy with a trombone case, and a "
        "man in a wedding suit who was holding one shoe. The driver, whose name was Dolores, looked at them in her mirror.\n\n"
        "“Have you seen a man?” said the bride. Rain ran down her veil. The nurse crossed her legs. The boy began to sneeze. "
        "Then Dolores braked, and Dolores opened the doors."
    )
    cast = {p.name: p for p in film.document.cast}
    assert "the driver" in cast["Dolores"].aliases and "the driver" not in cast
    assert (cast["the nurse"].pronoun, cast["the bride"].pronoun) == ("she", "she")
    assert "veil" in " ".join(t.text for t in cast["the bride"].traits)
    assert film.shots[0].facts.place == "the inside of a bus"


def test_a_ship_that_speaks_is_a_thing_and_who_says_i_am_pip_is_pip() -> None:
    film = film_of(
        "On the ninth day the ship woke its gardener. Her name was Odile Okafor.\n\n“Good morning, Odile,” said the ship.\n\nShe sat up. "
        "The corridor was dark. Somewhere water was dripping.\n\n“Who are you?” said Odile.\n\n“I am Pip,” said the machine. The "
        "machine looked at Odile. Pip stood in the middle."
    )
    cast = {p.name: p for p in film.document.cast}
    assert set(cast) == {"Odile Okafor", "the ship", "Pip"}
    assert (
        cast["the ship"].kind == cast["Pip"].kind == "thing"
        and "the machine" in cast["Pip"].aliases
    )
    assert not any("bedroom" in s.facts.place for s in film.shots), (
        "who wakes somebody is not in bed"
    )
