"""How somebody looks changes from a word on: what the text says is put on, taken off, cut or gone grey.

Expected values are what a reader of the sentences would say that somebody looks like from there."""

import pytest

from cutreel.core.continuity import Outfit, Person, Trait, dressed
from cutreel.core.film import (
    FilmDocument,
    Offered,
    ReadingMemory,
    Settings,
    apply_command,
    new_film,
    read_film,
)
from cutreel.core.film.commands import EditText
from tests.labelled import parses_of

STORY = (
    "Ada Quill had long red hair, and she wore a green coat.\n\n"
    "One day she cut off her hair with the scissors.\n\n"
    "She took off her green coat and put on her brother's blue jacket. She went down to the harbour.\n\n"
    "Captain Marlow had a grey beard. He gave her a black oilskin.\n\n"
    "When Ada came home, her hair had gone white, and Captain Marlow had shaved off his beard. Ada laughed."
)


def film_of(text: str) -> tuple[FilmDocument, dict]:
    parses = parses_of(text)
    return new_film("x", text, Settings(), parses=parses)[0], parses


def looks(document: FilmDocument, name: str, end: int) -> set[str]:
    """The traits of somebody in a shot whose words end in front of index `end`."""
    person = next(p for p in document.cast if p.name == name)
    return {t.text for t in dressed(person, 0, 0, end, document.word_places).traits}


def upto(document: FilmDocument, words: str) -> int:
    """The index behind some words of the text."""
    return len(document.text[: document.text.index(words) + len(words)].split())


def test_a_story_changes_how_its_people_look_from_a_word_on() -> None:
    film, _ = film_of(STORY)
    told = [
        ("a green coat.", "long red hair", "green coat"),
        ("with the scissors.", "short red hair", "green coat"),
        ("blue jacket.", "short red hair", "blue jacket"),
        ("black oilskin.", "short red hair", "black oilskin"),
        ("Ada laughed.", "short white hair", "black oilskin"),
    ]
    for words, hair, clothes in told:
        assert {hair, clothes} <= looks(film, "Ada Quill", upto(film, words)), words
    assert "grey beard" in looks(film, "Captain Marlow", upto(film, "black oilskin."))
    assert "grey beard" not in looks(film, "Captain Marlow", upto(film, "Ada laughed."))


@pytest.mark.parametrize(
    "text",
    [
        "Ada wore a red coat. She wanted to take off her coat.",
        "Ada wore a red coat. She did not take off her coat.",
        "Ada wore a red coat. She put the hat on the table.",
        "Ada wore a red coat. “Take off your coat,” said Tom. “Cut your hair,” said Tom.",
        "Ada wore a red coat. If she cut her hair, nobody would know her.",
    ],
)
def test_what_is_wished_denied_or_spoken_changes_nobody(text: str) -> None:
    film, _ = film_of(text)
    assert not any(p.outfits for p in film.cast)


def test_an_outfit_says_from_which_words_it_holds() -> None:
    film, _ = film_of(STORY)
    ada = next(p for p in film.cast if p.name == "Ada Quill")
    assert [o.name for o in ada.outfits][:2] == ["short hair", "without the coat"]
    assert ada.outfits[0].traits[0].said == "cut off her hair with the scissors"


def outfit(text: str, about: str = "clothes", **holds: object) -> Outfit:
    return Outfit(name="x", traits=[Trait(about=about, text=text)], **holds)


def test_a_shots_outfit_goes_before_its_scenes_and_both_before_what_holds_from_a_word_on() -> None:
    person = Person(
        id=1,
        name="Ada",
        traits=[Trait(about="hair", text="red hair"), Trait(about="clothes", text="green coat")],
        outfits=[
            outfit("oilskin", since=7),
            outfit("jacket", since=3),
            outfit("gown", scenes=[1]),
            outfit("cape", shots=[5]),
        ],
    )
    places = {n: n - 1 for n in range(1, 20)}

    def worn(scene: int, shot: int, end: int) -> list[str]:
        return [t.text for t in dressed(person, scene, shot, end, places).traits]

    assert worn(9, 4, 2) == ["red hair", "green coat"]
    assert worn(9, 4, 3) == ["red hair", "jacket"]
    assert worn(9, 4, 12) == ["red hair", "oilskin"]
    assert worn(1, 4, 12) == ["red hair", "gown"]
    assert worn(1, 5, 12) == ["red hair", "cape"]


def test_a_change_follows_its_words_through_edits_and_is_read_the_same_with_a_memory() -> None:
    film, parses = film_of(STORY)
    memory = ReadingMemory()
    read_film(film, Offered(900), memory, parses)
    begin = film.text.index("One day she")
    command = EditText(start=0, end=0, insert="It rained.\n\n")
    moved, _, _ = apply_command(film, command, [])
    assert moved.text.index("One day she") > begin
    assert "short red hair" in looks(moved, "Ada Quill", upto(moved, "with the scissors."))
    assert "long red hair" in looks(moved, "Ada Quill", upto(moved, "a green coat."))
    more = parses_of(moved.text)
    with_memory = read_film(moved, Offered(900), memory, more)
    without = read_film(moved, Offered(900), parses=more)
    assert [s.prompt.text for s in with_memory.shots] == [s.prompt.text for s in without.shots]


def test_a_change_whose_word_is_taken_out_holds_from_the_next_on() -> None:
    film, _ = film_of(STORY)
    start = film.text.index("One day she")
    end = film.text.index("She took off")
    film, _, _ = apply_command(film, EditText(start=start, end=end, insert=""), [])
    ada = next(p for p in film.cast if p.name == "Ada Quill")
    assert all(o.since in film.word_places for o in ada.outfits if o.since is not None)
    assert "long red hair" in looks(film, "Ada Quill", upto(film, "a green coat."))


NIGHT = (
    "Mr Harlan lived in a tower. Mr Harlan wore a brown coat.\n\n"
    "At midnight somebody knocked. Mr Harlan came down the stairs in his nightshirt with a candle.\n\n"
    "“Who is there?” asked Mr Harlan. Nobody answered, and Mr Harlan shook his head.\n\n"
    "In the morning Mr Harlan walked into the hall in a purple cloak. Mr Harlan bowed.\n\n"
    "The next day Mr Harlan went home."
)


def test_what_somebody_is_in_for_now_is_worn_until_the_next_morning() -> None:
    film, _ = film_of(NIGHT)
    told = [
        ("a brown coat.", "brown coat"),
        ("with a candle.", "nightshirt"),
        ("shook his head.", "nightshirt"),
        ("purple cloak.", "purple cloak"),
        ("went home.", "brown coat"),
    ]
    for words, worn in told:
        clothes = " ".join(looks(film, "Mr Harlan", upto(film, words)))
        assert worn in clothes, words
        assert ("brown coat" in clothes) == (worn == "brown coat"), words


def test_whoever_died_is_young_where_that_is_told_and_whoever_lives_is_not() -> None:
    told = (
        "My grandmother ran a bakery. She was twenty-three. My grandmother baked bread every day."
    )
    film, _ = film_of(
        f"When my grandmother died she left me a tin. I kept it, and I liked it.\n\n{told}"
    )
    name = next(p.name for p in film.cast if "grandmother" in p.name)
    assert "old woman" in looks(film, name, upto(film, "a tin."))
    assert {"young woman", "long dark brown hair"} <= looks(film, name, upto(film, "every day."))
    film, _ = film_of(f"My grandmother gave me a tin. I kept it, and I liked it.\n\n{told}")
    assert "young woman" not in looks(film, name, upto(film, "every day."))
