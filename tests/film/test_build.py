"""A film is a build: after a small change only what depended on it is made again."""

import pytest
from sqlalchemy import func, select

from cutreel.core.breakdown import Wish
from cutreel.core.continuity import Trait
from cutreel.core.film import Change, Settings, new_film
from cutreel.core.film.commands import LiftCue, SetPerson, SetSettings, SetShots
from cutreel.making import cancel_run, planned_segments, start_run
from cutreel.store.tables import Item
from tests.making.nobody import read_and_added
from tests.waiting import until

pytestmark = [pytest.mark.film, pytest.mark.long]

SHORT = """# The jetty — dusk, wind

The lamp was dark. Ada lifted the lantern, and Bram held the boat. “We must row,” said Ada.

# A kitchen — night, clear

Bram lit the fire. Nobody spoke. Ada read the letter twice, and then she smiled.
"""


@pytest.fixture(scope="module")
def film(stack) -> str:
    """A film that was delivered once."""
    document, edges = new_film(
        "Build", SHORT, Settings(pace=4, seed=77, music="calm"), Wish(seconds=4)
    )
    name = read_and_added(stack.shop, document, edges)
    assert delivered(stack, name)["state"] == "done"
    return name


def delivered(stack, film: str) -> dict:
    """Deliver the film and wait; says how many items of each kind were worked on."""
    run = start_run(stack.shop, film, "delivery", {"size": "360p"})
    until(lambda: stack.shop.runs.view(run).state != "going", 150)
    with stack.shop.database.transaction() as session:
        counts = dict(
            session.execute(
                select(Item.kind, func.count()).where(Item.run == run).group_by(Item.kind)
            ).all()
        )
    view = stack.shop.runs.view(run)
    return {**counts, "state": view.state, "message": view.message, "outcome": view.outcome}


def change(stack, film: str, command) -> None:
    stack.shop.films.change(
        film, Change(revision=stack.shop.films.get(film).revision, command=command)
    )


@pytest.mark.long
def test_delivering_again_without_a_change_only_joins(stack, film) -> None:
    before = stack.shop.spending.total(film)
    again = delivered(stack, film)
    assert {
        k: v
        for k, v in again.items()
        if k in ("picture", "speech", "sound", "music", "mix", "segment", "join")
    } == {"join": 1}
    assert stack.shop.spending.total(film) == before


def test_another_move_renders_that_shot_and_its_transitions_alone(stack, film) -> None:
    shots = stack.shop.films.get(film).document.shots
    change(stack, film, SetShots(shots=[shots[1].id], values={"move": "still"}))
    again = delivered(stack, film)
    assert (
        again["segment"] <= 3
        and "picture" not in again
        and "speech" not in again
        and "mix" not in again
    )


@pytest.mark.long
def test_another_trait_makes_that_persons_pictures_again(stack, film) -> None:
    seen = stack.shop.assembled(film)
    bram = next(p for p in seen.document.cast if p.name == "Bram")
    concerned = [s for s in seen.read.shots if bram.id in [p.id for p in s.people]]
    change(
        stack,
        film,
        SetPerson(
            person=bram.model_copy(update={"traits": [Trait(about="coat", text="plum coat")]})
        ),
    )
    again = delivered(stack, film)
    assert again["picture"] == len(concerned) and "speech" not in again and "music" not in again
    assert again["segment"] < len(planned_segments(seen, "film", "360p"))


def test_a_lifted_sound_changes_the_mix_alone(stack, film) -> None:
    cue = stack.shop.assembled(film).cues[0]
    change(stack, film, LiftCue(cue=cue.id))
    again = delivered(stack, film)
    assert again["mix"] == 1 and "segment" not in again and "picture" not in again


def test_another_narrator_changes_speech_and_time_but_no_picture(stack, film) -> None:
    change(stack, film, SetSettings(values={"narrator": "briony"}))
    seen = stack.shop.assembled(film)
    unspoken = {line.key for i, line in enumerate(seen.read.speech) if i not in seen.spoken}
    again = delivered(stack, film)
    assert again["speech"] == len(unspoken) > 1 and "picture" not in again and again["mix"] == 1


def test_a_cancelled_delivery_keeps_what_was_made(stack, film) -> None:
    change(stack, film, SetSettings(values={"fps": "25"}))
    run = start_run(stack.shop, film, "delivery", {"size": "720p"})
    until(lambda: stack.shop.runs.view(run).stage >= 3 and stack.shop.runs.view(run).done >= 3, 60)
    cancel_run(stack.shop, run)
    assert stack.shop.runs.view(run).state == "cancelled"
    made = stack.shop.results.many(
        [p.key for _, p in planned_segments(stack.shop.assembled(film), "film", "720p")]
    )
    assert made
