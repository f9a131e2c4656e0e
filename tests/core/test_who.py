"""Who is who: proposals with reasons, and what merging and splitting do."""

import pytest

from cutreel.core.continuity import Overrides, Trait, appearances, may_be_one, things_named
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import AcceptDrift, MergePeople, SetPerson, SplitPerson

STORY = """Pip, the boy, rowed. “Who is there?” said Pip. The boy lifted the lantern. Pip laughed, and the boy slept.

Maren Oake woke. Maren took the lantern. “Hush,” said Maren Oake. The lantern swung. The lantern went out.
"""


def film():
    made, used = new_film("t", STORY, Settings(pace=3))
    return made, used


def named(document, name: str):
    return next(p for p in document.cast if p.name == name)


def test_calls_are_counted_and_the_same_person_is_proposed_with_the_text_that_says_so() -> None:
    document, _ = film()
    maren = named(document, "Maren Oake")
    maren.aliases = ["Maren"]
    script = read_film(document, Offered(400)).script
    by_person = {a.person: a for a in appearances(script, document.cast)}
    assert {(c.name, c.count) for c in by_person[maren.id].calls} == {
        ("Maren Oake", 2),
        ("Maren", 1),
    }
    assert by_person[maren.id].lines == 1 and by_person[maren.id].paragraphs == 1
    same = [(s.other, s.person, s.why) for s in may_be_one(script, document.cast)]
    boy = next((p for p in document.cast if p.name == "the boy"), None)
    if boy is None:
        assert "the boy" in named(document, "Pip").aliases
    else:
        assert same == [(boy.id, named(document, "Pip").id, "the text says “Pip, the boy”")]
    things = things_named(script, document.cast)
    assert [(t.name, t.count) for t in things] == [("the lantern", 4)]


def test_merging_keeps_everything_that_is_known() -> None:
    document, used = film()
    pip, maren = named(document, "Pip"), named(document, "Maren Oake")
    maren.guess, maren.traits = False, [Trait(about="hat", text="grey cap")]
    pip.traits = [Trait(about="hair", text="brown hair")]
    document.shots[0].own = Overrides(people=[maren.id, pip.id])
    merged, used, _ = apply_command(document, MergePeople(id=maren.id, into=pip.id), used)
    kept = named(merged, "Pip")
    assert "Maren Oake" in kept.aliases and [t.text for t in kept.traits] == [
        "brown hair",
        "grey cap",
    ]
    assert merged.shots[0].own.people == [pip.id] and not any(p.id == maren.id for p in merged.cast)
    assert any(
        kept.id in s.facts.people and "Maren" in s.text
        for s in read_film(merged, Offered(400)).shots
    )
    with pytest.raises(BadInput):
        apply_command(document, MergePeople(id=pip.id, into=pip.id), used)
    with pytest.raises(NotFound):
        apply_command(document, MergePeople(id=99, into=pip.id), used)


def test_splitting_gives_a_name_to_somebody_of_their_own() -> None:
    document, used = film()
    maren = named(document, "Maren Oake")
    maren.aliases = ["Maren", "the ferrywoman"]
    split, used, _ = apply_command(
        document, SplitPerson(id=maren.id, names=["the ferrywoman"]), used
    )
    own = named(split, "the ferrywoman")
    assert own.id != maren.id and named(split, "Maren Oake").aliases == ["Maren"]
    with pytest.raises(BadInput, match="also called"):
        apply_command(document, SplitPerson(id=maren.id, names=["Bo"]), used)


def test_accepted_drift_is_of_one_take_and_can_be_taken_back() -> None:
    document, used = film()
    shot = document.shots[0].id
    accepted, used, title = apply_command(
        document, AcceptDrift(shot=shot, take="a", person=1, about=["red scarf"]), used
    )
    assert [(a.take, a.about) for a in accepted.accepted] == [
        ("a", ["red scarf"])
    ] and "shot 1" in str(title)
    again, used, _ = apply_command(accepted, AcceptDrift(shot=shot, take="a", person=1), used)
    assert again.accepted == []
    with pytest.raises(NotFound):
        apply_command(document, AcceptDrift(shot=999, take="a", about=["x"]), used)


def test_a_persons_own_prompt_and_seed_hold_where_they_are_alone() -> None:
    document, used = film()
    pip = named(document, "Pip").model_copy(update={"prompt": "Pip in his dory coat", "seed": 77})
    changed, used, _ = apply_command(document, SetPerson(person=pip), used)
    for shot in read_film(changed, Offered(400)).shots:
        if pip.id in shot.facts.people:
            assert "Pip in his dory coat" in shot.prompt.text
            assert (shot.seed == 77) == (shot.facts.people == (pip.id,))
