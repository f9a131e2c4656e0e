"""Movement that is copied to other shots: which parts, actions at the same share of the words, one step back; actions in words."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.continuity import Overrides, OwnAct, OwnAir
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import Settings, apply_command, apply_to, new_film, turned_by
from cutreel.core.film.commands import CopyMovement
from cutreel.core.motion import ACTIONS, OwnPath, PathFrame, action_for, actions_told

STORY = (
    "Ada rowed over the grey bay and sang to herself. Bram waited on the jetty with the lamp in his hand.\n\n"
    "The heron stood on one leg. It looked at both of them all day long, and it did not move at all.\n"
)


@pytest.fixture
def film():
    document, _ = new_film("t", STORY, Settings(pace=2))
    assert len(document.shots) >= 3
    return document


def copied(film, *to: int, **values):
    wish = CopyMovement(shot=film.shots[0].id, to=[film.shots[n].id for n in to], values=values)
    return apply_command(film, wish, [])


def test_only_the_chosen_parts_are_copied_and_only_there(film) -> None:
    path = OwnPath(last=PathFrame(zoom=1.5))
    film.shots[1].own = Overrides(air=[OwnAir(kind="snow")], framing="wide")
    changed, _, title = copied(film, 1, path=path.model_dump())
    assert changed.shots[1].own == Overrides(air=[OwnAir(kind="snow")], framing="wide", path=path)
    assert changed.shots[2].own == film.shots[2].own and changed.shots[0].own == film.shots[0].own
    assert title == f"copy the movement of shot {film.shots[0].edge} to shot {film.shots[1].edge}"
    _, _, title = copied(film, 1, 2, path=path.model_dump())
    assert title.endswith("to 2 shots")


def test_an_action_goes_with_the_word_that_stands_as_far_in_the_other_shot(film) -> None:
    places, ids = film.word_places, film.word_ids
    first, second, third = (places[s.first] for s in film.shots[:3])
    acts = [
        OwnAct(figure="ada", action="row", word=ids[first]),
        OwnAct(figure="ada", action="nod", word=ids[second - 1]),
        OwnAct(figure="ada", action="wave", word=ids[third]),  # a word of another shot
        OwnAct(figure="ada", action="bow"),
    ]
    changed, _, _ = copied(film, 1, acts=[a.model_dump() for a in acts])
    words = [a.word for a in changed.shots[1].own.acts]
    assert words[0] == ids[second]
    share = (second - 1 - first) / (second - first)
    assert words[1] == ids[second + int(share * (third - second))]
    assert words[2:] == [None, None]
    assert [a.action for a in changed.shots[1].own.acts] == ["row", "nod", "wave", "bow"]


def test_it_is_taken_back_in_one_step(film) -> None:
    wish = CopyMovement(
        shot=film.shots[0].id, to=[s.id for s in film.shots[1:]], values={"air": [{"kind": "snow"}]}
    )
    raw = film.model_dump(mode="json")
    done = apply_to(film, raw, wish, [])
    assert all(s.own.air for s in done.settled.document.shots[1:])
    back = turned_by(done.settled.document, done.settled.raw, done.settled.inverse)
    assert back.document == film


@pytest.mark.parametrize(
    ("values", "error"),
    [
        ({}, BadInput),
        ({"air": [{"kind": "confetti"}]}, BadInput),
        ({"acts": [{"figure": "ada", "action": "levitate"}]}, BadInput),
    ],
)
def test_what_may_not_be_is_refused_before_it_is_carried_anywhere(film, values, error) -> None:
    before = film.model_dump()
    with pytest.raises(error):
        copied(film, 1, 2, **values)
    assert film.model_dump() == before


def test_a_shot_that_is_gone_is_said_to_be(film) -> None:
    with pytest.raises(NotFound):
        apply_command(film, CopyMovement(shot=1, to=[999], values={"air": []}), [])


@pytest.mark.parametrize("kind", ["person", "animal"])
def test_every_verb_of_an_action_means_one_in_every_form(kind) -> None:
    for action in ACTIONS.values():
        if action.of not in (kind, "both") or not action.verbs:
            continue
        for verb in action.verbs.split():
            meant = action_for(verb, kind)
            if meant is None or meant.name == "stand and breathe":
                continue
            for form in (verb, verb + "s", verb + "ing"):
                assert meant in actions_told(f"and {form} now", kind), form


@pytest.mark.thorough
@given(st.text(max_size=300))
def test_any_words_tell_known_actions_each_once(words) -> None:
    found = [a.name for a in actions_told(words)]
    assert len(found) == len(set(found)) and set(found) <= set(ACTIONS)
