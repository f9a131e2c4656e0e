"""Screen direction. Source: the 180 degree rule, as film schools teach it: partners look at one another across cuts."""

from cutreel.core.continuity.sides import in_order, joined_sides, looks_of
from tests.labelled import by_sentence

TALK = (
    "Ada and Tom sat in the kitchen. Ada held a cup. Tom laughed. “Is it late?” asked Ada. “It is,” said Tom. "
    "“Then go,” said Ada. Tom went down to the harbour. He untied a boat."
)


def test_partners_keep_their_sides_and_look_at_one_another() -> None:
    film = by_sentence(TALK, 400)
    names = {p.id: p.name for p in film.document.cast}
    alone = [
        (names[s.facts.people[0]], s.facts.looks)
        for s in film.shots[:-2]
        if len(s.facts.people) == 1
    ]
    assert {("Ada", "right"), ("Tom", "left")} >= set(alone) and len(set(alone)) == 2
    pair = [tuple(names[p] for p in s.facts.people) for s in film.shots if len(s.facts.people) == 2]
    assert set(pair) <= {("Ada", "Tom")}
    assert [s.facts.looks for s in film.shots[-1:]] == [""], (
        "alone at the harbour, he looks where he likes"
    )
    said = [s for s in film.shots if s.facts.looks]
    assert all(f"looking {s.facts.looks}" in s.prompt.text for s in said)


def test_sides_by_when_somebody_comes_into_a_scene() -> None:
    sides = joined_sides((), (7, 3))
    assert joined_sides(sides, (3, 9)) == (7, 3, 9)
    assert in_order((3, 9, 7), (7, 3, 9)) == (7, 9, 3), "the third stands beside the first"
    assert looks_of((7,), sides) == "right" and looks_of((3,), sides) == "left"
    assert looks_of((7,), (7,)) == "" and looks_of((7, 3), sides) == ""
