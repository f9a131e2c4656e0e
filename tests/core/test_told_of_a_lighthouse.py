"""A lighthouse that is gone. Nobody prepared this story; what stands here was read wrongly at first: it began in the
cottage of which it tells later, a harbour spoke, and the fishermen were gone."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

LIGHTHOUSE = """A lighthouse is not a thing you put in your pocket.

But on the morning of the ninth of October the fishermen of Port Carrow looked up from their nets, and it was gone. On the wet \
stone sat a gull.

Inspector Hale came from the city by train. He found a boot print and a brass screw.

"Who was the keeper?" he asked.

"Old Tobias Wren," said the harbour master.

The inspector went to the keeper's cottage. The bed was made.

He asked at the bakery. The baker's daughter, Nell, a thin girl with flour on her nose, turned red.

"He bought bread for two," she said.

They drove up the coast in a van.
"""


@pytest.fixture(scope="module")
def lighthouse() -> ReadFilm:
    return film_of(LIGHTHOUSE)


def test_it_begins_where_fishermen_and_gulls_are(lighthouse) -> None:
    facts = shot_with(lighthouse, "looked up").facts
    assert facts.place == "a harbour with boats"
    assert facts.why["place"].startswith("what is there tells of it")
    assert shot_with(lighthouse, "The bed was made").facts.place.startswith("a cottage")


def test_a_master_of_harbours_is_no_harbour(lighthouse) -> None:
    cast = {p.name: p for p in lighthouse.document.cast}
    assert cast["the harbour master"].kind == "person" and "the harbour" not in cast
    assert "the harbour master" in [p.name for p in shot_with(lighthouse, "Old Tobias").people]


def test_the_bakers_daughter_has_a_name(lighthouse) -> None:
    cast = {p.name: p for p in lighthouse.document.cast}
    assert "girl" in cast["Nell"].aliases and "the girl" not in cast
    assert "thin girl" in cast["Nell"].traits[0].text
    assert "Nell" in [p.name for p in shot_with(lighthouse, "bread for two").people]


def test_what_is_gone_is_not_who_looks(lighthouse) -> None:
    prompt = shot_with(lighthouse, "looked up").prompt.text
    assert "fishermen look up from their nets" in prompt and "gone" not in prompt


def test_what_is_denied_has_no_pocket(lighthouse) -> None:
    assert "pocket" not in shot_with(lighthouse, "your pocket").prompt.text


def test_a_screw_is_a_thing(lighthouse) -> None:
    ideas = [i.action for i in shot_with(lighthouse, "brass screw").facts.ideas]
    assert any("screw" in idea for idea in ideas)


FOUND = """The inspector went to the cottage. On the table lay a drawing, and on the drawing the tower was cut into slices.

The lighthouse was gone. He drove up the coast. After forty miles the road ended at a beach.

And there it stood. Its lamp was burning.

Tobias sat on the step. Nell stood beside Tobias. The inspector sat down beside them.
"""


def test_what_stands_there_is_the_lighthouse() -> None:
    assert "the lighthouse stands" in shot_with(film_of(FOUND), "there it stood").prompt.text


def test_what_is_on_a_drawing_is_on_paper() -> None:
    shot = shot_with(film_of(FOUND), "cut into slices")
    assert not any("tower" in idea.action for idea in shot.facts.ideas)


def test_nobody_sits_down_beside_himself() -> None:
    shot = shot_with(film_of(FOUND), "sat down beside them")
    assert not any(
        "beside Inspector" in i.action or "and the inspector sits" in i.action
        for i in shot.facts.ideas
    )
