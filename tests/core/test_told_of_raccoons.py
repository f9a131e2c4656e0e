"""What ten more stories showed that nothing had been mended for: who, what they look like, where; with nothing set by
hand. Source: labels by hand."""

import pytest

from cutreel.core.film import Settings, new_film
from tests.labelled import all_stories, by_sentence, parses_of


def cast_of(text: str):
    document, _ = new_film("t", text, Settings(), parses=parses_of(text))
    return {p.name: p for p in document.cast}


def who_of(text: str) -> list[set[str]]:
    film = by_sentence(text)
    names = {p.id: p.name for p in film.document.cast}
    return [{names[p] for p in s.facts.there} for s in film.shots]


def looks_of(text: str, name: str) -> list[str]:
    return [t.text for t in cast_of(text)[name].traits if t.said]


RACCOONS = (
    "Three raccoons lived behind the bakery. Biscuit was the brains, Mags was the muscle, and Dumpling was always hungry. "
    "“Tonight,” said Biscuit. “All of it?” asked Dumpling. At midnight they climbed up. Mags laughed."
)


def test_three_who_are_named_behind_three_raccoons_are_they() -> None:
    cast = cast_of(RACCOONS)
    assert {p.traits[0].text for p in cast.values()} == {"raccoon"}
    four = cast_of(RACCOONS.replace("Three", "Four"))
    assert {p.kind for p in four.values()} == {"person"}


def test_of_three_told_of_together_they_are_all() -> None:
    assert who_of(RACCOONS)[4] == {"Biscuit", "Mags", "Dumpling"}


def test_a_cry_and_what_comes_before_a_name_are_nobody() -> None:
    text = (
        "Ada called. “Humph!” said the camel. Bo pulled. “Humph!” said the camel. Between Ada and Bo stood a post. "
        "“Come, O camel,” said Bo. Ada slept."
    )
    assert set(cast_of(text)) == {"Ada", "Bo", "the camel"}


def test_an_atlas_is_nobody() -> None:
    text = (
        "A boy slept over an atlas. He woke. The atlas fell. The atlas lay there. The boy laughed."
    )
    assert set(cast_of(text)) == {"the boy"}


def test_who_is_told_beside_the_name_to_be_a_cat_is_one() -> None:
    text = (
        "Ilse closed the door. Comma, the library cat, was black with one white foot. She sat on the desk. The cat slept. "
        "Ilse laughed."
    )
    cast = cast_of(text)
    assert cast["Comma"].kind == "animal" and "the cat" in cast["Comma"].aliases
    assert looks_of(text, "Comma") == ["white foot"]
    assert "black fur" in [t.text for t in cast["Comma"].traits]


def test_who_is_called_for_short_is_the_same() -> None:
    text = "Wilson Bentley was born on a farm. Bentley sang. Willie caught a snowflake. Bentley smiled."
    assert set(cast_of(text)) == {"Wilson Bentley"}


def test_the_mayors_wife_says_what_she_says() -> None:
    text = "The mayor pulled the cloth away. “A likeness,” said the mayor’s wife. The mayor bowed. The mayor sat."
    film = by_sentence(text)
    assert [line.speaker for line in film.script.lines if line.speaker] == ["the wife"]


@pytest.mark.parametrize(
    ("told", "look"),
    [
        ("She dyed her hair the colour of plums.", "plum hair"),
        ("She had worn the same grey cardigan for years.", "grey cardigan"),
        ("She was a long, stooping woman with paint in her eyebrows.", "paint in the eyebrows"),
        ("She was nine, with two crooked front teeth.", "crooked front teeth"),
        ("She had two fingers on her right hand.", "two fingers on the right hand"),
    ],
)
def test_looks_are_told(told: str, look: str) -> None:
    assert look in looks_of(f"Ada opened the gate. {told} Ada sang. Ada slept.", "Ada")


def test_a_girl_who_stood_there_has_her_raincoat_on() -> None:
    text = "Moss counted. Beside the door stood a girl in a wet blue raincoat. Moss stared. The girl laughed."
    assert "wet blue raincoat" in looks_of(text, "the girl")


def test_what_was_made_before_is_seen_with_who_made_it() -> None:
    text = "Zosia came on Fridays. Marek had built a boat. Marek smiled. Zosia sat."
    shot = by_sentence(text).shots[1]
    assert "builds a boat" in shot.prompt.text and "Marek (" in shot.prompt.text


def test_where_it_is() -> None:
    stories = {s.name: s for s in all_stories()}
    soup = by_sentence(stories["soup"].text)
    assert all("kitchen" in s.facts.place for s in soup.shots)
    assert [s.facts.weather for s in soup.shots if "snow had begun" in s.text] == ["snow"]
    called = by_sentence("Ada woke. She called us into her kitchen. I sat down. Ada sat.")
    assert called.shots[1].facts.place.startswith("a kitchen")
    closed = by_sentence("Every evening Ada closed the library. She sat down. Ada slept.")
    assert closed.shots[0].facts.place.startswith("a library")


def test_who_digs_for_a_year_is_no_ship() -> None:
    text = "Mary Anning walked along the beach. For a year Mary dug in the clay. Mary slept. Mary sang."
    assert set(cast_of(text)) == {"Mary Anning"} and who_of(text)[1] == {"Mary Anning"}
    assert "Mary Anning digs in the clay" in by_sentence(text).shots[1].prompt.text


def test_gentlemen_and_somebody_are_nobody() -> None:
    text = (
        "Ada opened the bin. “Please,” said the somebody. Gentlemen came from London. “They came,” she told a friend. "
        "Ada sat. Gentlemen wrote papers."
    )
    assert set(cast_of(text)) == {"Ada"}


def test_carmen_is_somebody() -> None:
    text = "Carmen opened the bin. Carmen laughed. She sat. “No,” said Carmen."
    assert set(cast_of(text)) == {"Carmen"}


def test_a_lord_with_the_name_of_a_town_is_somebody() -> None:
    text = "Ada met Lord Leicester. Lord Leicester bowed. He smiled. Ada laughed. Ada sat."
    assert set(cast_of(text)) == {"Ada", "Lord Leicester"}


def test_of_a_dog_with_a_mistress_she_is_the_mistress() -> None:
    text = "One day Mary walked along the beach. Mary smiled. Her dog Tray sat on the stones so that she could find them. She dug. Mary sang."
    assert cast_of(text)["Tray"].pronoun is None and who_of(text)[3] == {"Mary"}


def test_for_years_they_have_done_it_and_do_so_still() -> None:
    text = "For eleven winters Ada and Bo had played chess in the park. Ada laughed. Bo frowned. Ada sat."
    assert who_of(text)[0] == {"Ada", "Bo"} and by_sentence(text).shots[0].facts.place.startswith(
        "a park"
    )


def test_a_coat_that_an_animal_has_is_its_fur() -> None:
    text = "There was a rabbit. The rabbit was fat; his coat was spotted brown and white. The rabbit sat. He slept."
    assert [t.text for t in cast_of(text)["the rabbit"].traits] == ["rabbit", "brown fur"]


def test_who_is_told_to_be_a_bald_man_comes_in() -> None:
    text = "I waited for the bus. The driver was a bald man with kind eyes. “Get in,” he said. I got in."
    assert "the driver" in cast_of(text)


def test_what_is_done_meanwhile_and_who_is_found_asleep_are_seen() -> None:
    film = by_sentence(
        "“No,” said Leo, who was eating a banana. Ada laughed. Leo sat. They found Leo asleep."
    )
    assert any("eats a banana" in idea.action for idea in film.shots[0].facts.ideas)
    assert any("asleep" in idea.action for idea in film.shots[3].facts.ideas)


def test_a_scraped_pot_is_no_scrap() -> None:
    from cutreel.core.reading.verbs import base_of

    told = (
        ("scrap", "scraped"),
        ("hop", "hoped"),
        ("row", "rowed"),
        ("open", "opened"),
        ("knit", "knitted"),
    )
    assert [base_of(*t) for t in told] == ["scrape", "hope", "row", "open", "knit"]
