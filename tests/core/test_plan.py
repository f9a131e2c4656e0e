"""The plan of a film, as data, as a table, and to read."""

import csv
import io
import json

import pytest

from cutreel.core.errors import NotFound
from cutreel.core.film import (
    FilmPlan,
    Offered,
    Settings,
    apply_command,
    assemble,
    new_film,
    plan_of,
    read_film,
    written_plan,
)
from cutreel.core.film.commands import AddHold, SamePicture, SetScene, SetShots

TEXT = """# The jetty — dusk

Ada rowed to the light. Ada had white hair. It was a long way, and the water was black.

# The kitchen

“We are home,” said Ada. She put the lamp on the table, and nobody said a word.
"""


@pytest.fixture
def plan() -> FilmPlan:
    """A film with a hold, a shot that shows another's picture, and something set by hand."""
    film, edges = new_film("Dark lamp", TEXT, Settings(pace=2.5))
    second, third = film.shots[1].id, film.shots[2].id
    kitchen = read_film(film, Offered(400)).script.scenes[1].first
    for command in (
        SamePicture(shot=third, of=second),
        SetShots(shots=[film.shots[0].id], values={"framing": "extreme close"}),
        SetScene(word=film.word_ids[kitchen], values={"weather": "rain"}),
        AddHold(after=film.shots[-1].id, seconds=3),
    ):
        film, edges, _ = apply_command(film, command, edges)
    read = read_film(film, Offered(400))
    return plan_of(assemble("x", read, {}, lambda keys: {}), 0.12, 34.56)


def test_every_shot_is_told_as_it_is_read(plan: FilmPlan) -> None:
    first, second, third, *_, last = plan.shots
    assert first.framing == "extreme close" and first.scene == "The jetty" and first.time == "dusk"
    assert third.as_shot == second.edge and third.prompt == "" and third.negative == ""
    assert second.as_shot is None and second.prompt
    assert last.words == "" and last.seconds == pytest.approx(3, abs=0.05)
    kitchen = [s for s in plan.shots if s.scene == "The kitchen"]
    assert kitchen and all(s.weather == "rain" for s in kitchen if s.words)
    assert any(s.who == ["Ada"] for s in plan.shots)


def test_shots_follow_one_another_without_a_gap(plan: FilmPlan) -> None:
    for one, other in zip(plan.shots, plan.shots[1:], strict=False):
        assert other.start == pytest.approx(one.start + one.seconds, abs=0.002)
    assert plan.shots[-1].start + plan.shots[-1].seconds == pytest.approx(plan.seconds, abs=0.002)


def test_people_come_with_why_and_what_is_said_of_them(plan: FilmPlan) -> None:
    (ada,) = (p for p in plan.cast if p.name == "Ada")
    assert ada.kind == "person" and "white hair" in ada.traits and "white hair" in ada.why
    assert ada.guess


def test_as_json_it_is_read_back_whole(plan: FilmPlan) -> None:
    assert FilmPlan.model_validate_json(written_plan(plan, "json")) == plan
    assert json.loads(written_plan(plan, "json"))["making_seconds"] == 34.6


def test_as_a_table_it_has_a_row_a_shot(plan: FilmPlan) -> None:
    rows = list(csv.DictReader(io.StringIO(written_plan(plan, "csv"))))
    assert [r["edge"] for r in rows] == [s.edge for s in plan.shots]
    assert [r["as_shot"] or None for r in rows] == [s.as_shot for s in plan.shots]
    assert [r["words"] for r in rows] == [s.words for s in plan.shots]


def test_to_read_it_has_scenes_and_says_whose_picture_is_shown(plan: FilmPlan) -> None:
    page = written_plan(plan, "md")
    assert page.startswith("# Dark lamp\n") and "### The kitchen" in page
    assert f"shows the picture of shot {plan.shots[1].edge}" in page
    assert "about 0.12 and 35 s to make" in page


def test_other_formats_are_refused(plan: FilmPlan) -> None:
    with pytest.raises(NotFound, match="pdf"):
        written_plan(plan, "pdf")
