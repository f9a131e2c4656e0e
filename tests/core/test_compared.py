"""A reading from outside is checked against the words that it points at, and compared with ours."""

import pytest

from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Offered,
    ReadFilm,
    Settings,
    apply_command,
    check_meant,
    new_film,
    passages,
    read_film,
    read_otherwise,
)
from cutreel.core.film.commands import SetMeant, TakeMeant
from cutreel.protocol import WordsMeant
from tests.labelled import parses_of

STORY = "Ada and Nan came to the pier. She untied the boat.\n\nNan laughed. Ada slept.\n"
PARAGRAPHS = [["Ada", "laughed."], ["—", "She", "slept."]]


def film_of(text: str) -> ReadFilm:
    parses = parses_of(text)
    document, _ = new_film("x", text, Settings(), parses=parses)
    return read_film(document, Offered(400), parses=parses)


def meant(paragraph: int, first: int, end: int, *people: int) -> WordsMeant:
    return WordsMeant(paragraph=paragraph, first=first, end=end, people=list(people))


@pytest.mark.parametrize(
    ("answer", "says"),
    [
        ([meant(2, 0, 1, 1)], "paragraph 2 of 2"),
        ([meant(0, 1, 3, 1)], "words 1 to 3 of a paragraph of 2 words"),
        ([meant(0, 1, 1, 1)], "words 1 to 1"),
        ([meant(-1, 0, 1, 1)], "paragraph -1"),
        ([meant(1, 0, 1, 1)], "no word"),
        ([meant(0, 0, 1, 7)], "number 7"),
        ([meant(0, 0, 2, 1), meant(0, 1, 2, 1)], "says twice"),
    ],
)
def test_an_answer_that_does_not_fit_the_text_is_refused(
    answer: list[WordsMeant], says: str
) -> None:
    with pytest.raises(BadInput, match=says):
        check_meant(answer, PARAGRAPHS, {1, 2})


def test_an_answer_that_fits_passes_and_may_say_nobody() -> None:
    check_meant([meant(0, 0, 1, 1, 2), meant(1, 1, 2)], PARAGRAPHS, {1, 2})


def test_only_where_they_differ_is_told_and_what_the_maker_set_is_not_asked_again() -> None:
    film = film_of(STORY)
    (passage,) = passages(film, None)
    assert passage.starts == (0, 11) and passage.asked.paragraphs[1] == STORY.split()[11:]
    who = {p.name: p.id for p in film.document.cast}
    assert {p.name for p in passage.asked.cast} == set(who)
    she = next(m for m in film.story.paragraphs[0].mentions if m.start == STORY.index("She"))
    other = next(p for p in who.values() if p != she.people[0])
    answer = [meant(0, 0, 1, who["Ada"]), meant(0, 7, 8, other), meant(1, 0, 1, who["Nan"])]
    (found,) = read_otherwise(film, passage, answer)
    assert (found.first, found.end, found.ours, found.theirs) == (7, 8, she.people, (other,))
    document, _, name = apply_command(
        film.document, TakeMeant(meant=[{"word": found.word, "people": [other]}]), []
    )
    assert name == "take 1 word as read by another"
    again = read_film(document, Offered(400), parses=parses_of(STORY))
    assert not read_otherwise(again, passage, answer)
    assert next(m for m in again.story.paragraphs[0].mentions if m.start == she.start).people == (
        other,
    )
    set_by_hand, _, _ = apply_command(
        film.document, SetMeant(word=found.word, people=list(she.people)), []
    )
    kept = read_film(set_by_hand, Offered(400), parses=parses_of(STORY))
    assert not read_otherwise(kept, passage, answer), "what the maker set is not asked again"


def test_words_that_are_gone_and_strangers_are_left_out_of_what_is_taken() -> None:
    film = film_of(STORY)
    who = {p.name: p.id for p in film.document.cast}
    command = TakeMeant(
        meant=[
            {"word": 1, "people": [who["Ada"]]},
            {"word": 9999, "people": [who["Ada"]]},
            {"word": 2, "people": [777]},
        ]
    )
    document, _, _ = apply_command(film.document, command, [])
    assert [m.word for m in document.meant] == [1]


def test_a_long_story_is_asked_in_passages_that_fit_the_cap() -> None:
    text = "\n\n".join(f"Ada walked to pier {i}. Ada laughed." for i in range(40))
    film = film_of(text)
    parts = passages(film, 200)
    assert len(parts) > 5
    assert all(sum(len(w) + 1 for p in part.asked.paragraphs for w in p) <= 200 for part in parts)
    assert [w for part in parts for p in part.asked.paragraphs for w in p] == text.split()
