"""The camera over a film: each move has its reason, none comes three times in a row, and what the maker sets stays."""

import pytest

from cutreel.core.continuity import Overrides
from cutreel.core.film import Offered, ReadFilm, ReadingMemory, Settings, new_film, read_film
from tests.labelled import all_stories, by_sentence, parses_of, read_by_sentence

STORIES = all_stories()


def moves(film: ReadFilm) -> list[str]:
    return [s.move for s in film.shots]


@pytest.mark.thorough
@pytest.mark.parametrize("story", STORIES[::4], ids=lambda s: s.name)
def test_never_three_alike_in_a_row_and_each_with_its_reason(story) -> None:
    film = read_by_sentence(story, parses_of(story.text))
    for trio in zip(film.shots, film.shots[1:], film.shots[2:], strict=False):
        alike = {s.move for s in trio}
        assert len(alike) > 1 or alike == {"still"}
    assert all(s.why_move for s in film.shots)


def test_the_camera_goes_toward_who_speaks_and_along_a_way() -> None:
    film = by_sentence("The road was long. Ada walked over the hill. “We are late,” said Ada.")
    why = {s.text: (s.move, s.why_move) for s in film.shots}
    speaks = next(v for t, v in why.items() if "late" in t)
    assert speaks == ("push", "toward who speaks")
    walks = next(s for s in film.shots if "walked" in s.text)
    if walks.facts.framing in ("wide", "extreme wide"):
        assert walks.why_move == "along the way" and walks.move.startswith("pan")


def test_before_a_shock_the_camera_stands_still() -> None:
    film = by_sentence("Ada sat by the fire. Suddenly the window broke with a crash. Ada ran out.")
    assert (film.shots[0].move, film.shots[0].why_move) == ("still", "stillness before a shock")


def test_what_the_maker_sets_stays_even_three_times() -> None:
    film, _ = new_film(
        "t", "Ada ran down. Tom ran up. Ada sat in the hall. Tom laughed.\n", Settings(pace=1)
    )
    for shot in film.shots:
        shot.own = Overrides(move="push")
    read = read_film(film, Offered(600))
    assert moves(read) == ["push"] * len(read.shots)
    assert {s.why_move for s in read.shots} == {"set by hand"}
    film.shots[0].own = Overrides(motion="tilt down slowly")
    first = read_film(film, Offered(600)).shots[0]
    assert (first.move, first.why_move) == ("tilt down", "your motion prompt")


def test_a_shot_that_moves_as_before_is_the_same_object_to_whoever_remembers() -> None:
    text = (
        "Ada ran down the stairs. Tom came up the hill. Ada sat in the hall. Tom laughed at her.\n"
    )
    film, _ = new_film("t", text, Settings(pace=1))
    memory = ReadingMemory()
    one = read_film(film, Offered(600), memory)
    again = read_film(film, Offered(600), memory)
    assert [a.token is b.token for a, b in zip(one.shots, again.shots, strict=True)] == [
        True
    ] * len(one.shots)
    other = film.model_copy(deep=True)
    other.shots[1].own = Overrides(move="still")
    changed = read_film(other, Offered(600), memory)
    assert changed.shots[0].token is one.shots[0].token
    assert changed.shots[1].token is not one.shots[1].token and changed.shots[1].move == "still"
    assert moves(changed) == moves(read_film(other, Offered(600))), (
        "with a memory the same as without"
    )
