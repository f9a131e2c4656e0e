"""Prompts: within every cap, least important first, and never a trait left out."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.breakdown import Wish, break_down
from cutreel.core.continuity import (
    LOOKS,
    Overrides,
    Person,
    compose_negative,
    compose_picture,
    facts_of_shots,
    look_named,
    propose_cast,
    propose_places,
)
from cutreel.core.continuity.prompt import ALWAYS, Part, fit
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read
from tests.conftest import STORY

SCRIPT = read(STORY)
CAST, PLACES = propose_cast(SCRIPT), propose_places(SCRIPT)
OPENS = break_down(SCRIPT, Wish(seconds=5))
FACTS = facts_of_shots(SCRIPT, OPENS, CAST, PLACES, [Overrides()] * len(OPENS))


@settings(max_examples=120, deadline=None)
@given(st.integers(60, 2000), st.sampled_from(range(len(OPENS))), st.sampled_from(LOOKS))
def test_every_cap_holds_and_every_trait_stays(cap: int, index: int, look) -> None:
    facts = FACTS[index]
    people = [p for p in CAST if p.id in facts.people]
    prompt = compose_picture(facts, people, look, cap)
    assert prompt.fits == (len(prompt.text) <= cap)
    for person in people:
        for trait in person.traits:
            assert trait.text in prompt.text or trait.short in prompt.text
    least = sum(len(", ".join(t.short or t.text for t in p.traits)) + 2 for p in people) + 1
    if cap >= least:
        assert prompt.fits


def test_the_least_important_goes_first() -> None:
    parts = [
        Part("framing", ("Wide shot",), 80),
        Part("cast", ("a boy, red scarf",), ALWAYS),
        Part("mood", ("calm mood",), 20),
        Part("look", ("long detail of look", "detail"), 30),
    ]
    whole = fit(parts, 200)
    assert whole.left_out == () and whole.text.endswith(".")
    tight = fit(parts, 46)
    assert "long detail" not in tight.text and "Wide shot" in tight.text and "red scarf" in tight.text
    assert fit(parts, 30).left_out == ("calm mood", "long detail of look")
    assert not fit(parts, 10).fits


def test_facts_carry_over_and_say_why() -> None:
    by_text = {SCRIPT.words[o].text: f for o, f in zip(OPENS, FACTS, strict=True)}
    assert by_text["The"].time == "night" and by_text["The"].why["time"] == "the scene's heading"
    jetty = next(f for f in FACTS if f.why["place"] == "the scene's heading" and "jetty" in f.place)
    assert (jetty.time, jetty.weather) == ("dusk", "wind")
    assert all(f.why["framing"] for f in FACTS)


def test_what_the_maker_sets_holds() -> None:
    own = [Overrides(framing="close", place="a cave", time="dawn", people=[])] + [Overrides()] * (len(OPENS) - 1)
    first = facts_of_shots(SCRIPT, OPENS, CAST, PLACES, own)[0]
    assert (first.framing, first.place, first.time, first.people) == ("close", "a cave", "dawn", ())
    assert first.why["framing"] == "set by hand"
    assert compose_picture(first, [], LOOKS[0], 100, "my own words").text == "my own words"


def test_looks_by_name() -> None:
    assert look_named("Ink and wash").name == look_named("ink-wash").name == "ink-wash"
    assert "text, watermark" in compose_negative(LOOKS[0])
    with pytest.raises(BadInput, match="cut-paper"):
        look_named("oil")


def test_she_is_whoever_the_scene_had_where_it_can_only_be_one() -> None:
    script = read(
        "Maren rowed. Pip sat. “Faster,” said Pip. She laughed.\n\n# Home\n\nShe slept. Maren woke. Pip woke."
    )
    cast = [Person(id=1, name="Maren", pronoun="she"), Person(id=2, name="Pip", pronoun="he")]
    opens = [0, 2, 4, 7, 9]
    facts = facts_of_shots(script, opens, cast, [], [Overrides()] * len(opens))
    assert [f.people for f in facts[:4]] == [(1,), (2,), (2,), (1,)]
    assert facts[3].why["people"] == "“she” can only be one" and facts[4].people == (1, 2)
