"""Which three shots a look is tried on: somebody near, somebody further off, and a place alone."""

from types import SimpleNamespace

from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import SamePicture
from cutreel.making.sampling import SAMPLES, chosen_shots
from tests.conftest import STORY

NEAR = ["extreme wide", "wide", "medium", "close", "extreme close"]


def test_three_shots_that_differ_most_are_chosen_in_film_order() -> None:
    film, _ = new_film("t", STORY, Settings())
    read = read_film(film, Offered(400))
    chosen = chosen_shots(SimpleNamespace(read=read))  # type: ignore[arg-type]
    assert len(chosen) == SAMPLES and chosen == sorted(chosen)
    shots = [read.shots[i] for i in chosen]
    assert any(not s.people for s in shots) and any(s.people for s in shots)
    nearest = max(NEAR.index(s.facts.framing) for s in read.shots if s.people)
    assert nearest in {NEAR.index(s.facts.framing) for s in shots if s.people}


def test_a_shot_that_borrows_its_picture_is_not_chosen_and_short_films_have_fewer() -> None:
    film, used = new_film("t", "Ada ran home. Ada slept well.\n", Settings(pace=1))
    assert len(film.shots) >= 2
    film, used, _ = apply_command(
        film, SamePicture(shot=film.shots[1].id, of=film.shots[0].id), used
    )
    read = read_film(film, Offered(400))
    chosen = chosen_shots(SimpleNamespace(read=read))  # type: ignore[arg-type]
    assert chosen == [i for i, s in enumerate(read.shots) if s.picture_of == s.shot.id][:SAMPLES]
