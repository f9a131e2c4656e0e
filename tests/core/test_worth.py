"""Where a clip is worth its price."""

from cutreel.core.film import Offered, Settings, new_film, read_film, worth_of
from tests.labelled import parses_of

STORY = (
    "Ada ran down the stairs. The house was old. In 1790 nobody lived there. Ada and Tom climbed over the wall. "
    "“We must go,” said Ada. The garden lay in the sun. Suddenly Tom fell into the well. The paper said nothing. "
    "The sky was grey. Ada pulled the rope.\n"
)


def ranked() -> tuple[list, list]:
    parses = parses_of(STORY)
    film, _ = new_film("t", STORY, Settings(pace=1), parses=parses)
    shots = read_film(film, Offered(600), parses=parses).shots
    return worth_of(shots), list(shots)


def test_the_opening_and_deeds_come_before_places_and_signs() -> None:
    worth, shots = ranked()
    texts = {s.shot.id: s.text for s in shots}
    best = " ".join(texts[w.shot] for w in worth[: len(worth) // 2])
    last = " ".join(texts[w.shot] for w in worth[-2:])
    assert {"the opening"} == {w.why for w in worth[:2]}
    assert any("ran down" in texts[w.shot] for w in worth[:2])
    assert "climbed over" in best and "fell into" in best
    assert "climbed" not in last and "fell" not in last
    assert [w.score for w in worth] == sorted((w.score for w in worth), reverse=True)


def test_each_shot_is_ranked_once_with_a_reason() -> None:
    worth, shots = ranked()
    assert sorted(w.shot for w in worth) == sorted(s.shot.id for s in shots)
    assert all(w.why for w in worth) and len({w.why for w in worth}) >= 3


def test_a_shot_that_shows_another_s_picture_is_not_ranked() -> None:
    film, _ = new_film("t", "Ada ran down the stairs. Tom sat in the garden.\n", Settings(pace=1))
    film.shots[1].same_as = film.shots[0].id
    shots = read_film(film, Offered(600)).shots
    assert [w.shot for w in worth_of(shots)] == [film.shots[0].id]
