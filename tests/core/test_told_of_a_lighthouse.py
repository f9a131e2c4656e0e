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
    assert shot_with(lighthouse, "looked up").facts.place == "a harbour with boats"
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
