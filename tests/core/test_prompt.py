"""Prompts: within every cap, least important first, and never a trait left out."""

from dataclasses import replace
from importlib.resources import files

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.breakdown import Wish, break_down
from cutreel.core.continuity import (
    LOOKS,
    Overrides,
    Person,
    Trait,
    compose_model_sheet,
    compose_negative,
    compose_picture,
    compose_place_sheet,
    facts_of_shots,
    look_named,
    propose_cast,
    propose_places,
)
from cutreel.core.continuity.prompt import ALWAYS, Part, fit
from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument, Offered, apply_command, new_film, read_film
from cutreel.core.manuscript import read
from cutreel.demo.load import SAMPLES, Sample
from tests.conftest import STORY

SCRIPT = read(STORY)
CAST, PLACES = propose_cast(SCRIPT), propose_places(SCRIPT)
OPENS = break_down(SCRIPT, Wish(seconds=5))
FACTS = facts_of_shots(SCRIPT, OPENS, CAST, PLACES, [Overrides()] * len(OPENS))


def made_by_hand(sample: Sample) -> FilmDocument:
    """A sample film as its maker left it."""
    text = (files("cutreel.demo") / sample.story).read_text()
    film, used = new_film(sample.title, text, sample.settings)
    for command in sample.by_hand(film):
        film, used, _ = apply_command(film, command, used)
    return film


@pytest.mark.thorough
@pytest.mark.parametrize("sample", SAMPLES, ids=lambda s: s.film)
def test_every_cap_from_60_to_2000_holds_on_every_shot_of_the_demo_films(sample: Sample) -> None:
    """A prompt is within its cap, or says that it is not; nobody in the picture ever loses a trait that must hold.

    Once the longest wording fits, every longer cap gives the same: the lengths up to there are all there are."""
    film = made_by_hand(sample)
    look, placed = look_named(film.settings.look), {p.description: p for p in film.places}
    for shot in read_film(film, Offered(2000)).shots:
        longest = len(shot.prompt.text)
        for cap in [*range(60, min(2000, longest + 1)), longest, 2000]:
            prompt = compose_picture(
                shot.facts,
                shot.people,
                look,
                cap,
                place=placed.get(shot.facts.place),
                moves=shot.move != "still",
            )
            assert prompt.fits == (len(prompt.text) <= cap)
            assert all(
                t.text in prompt.text or (t.short and t.short in prompt.text)
                for p in shot.people
                for t in p.traits
            )
            shortest = (
                sum(len(", ".join(t.short or t.text for t in p.traits)) + 2 for p in shot.people)
                + 1
            )
            assert prompt.fits or cap < shortest
        assert prompt.text == shot.prompt.text, "at the cap of 2,000 it is what the film says"


def test_a_trait_that_may_go_goes_where_room_is_short_and_is_told() -> None:
    ada = Person(
        id=1,
        name="Ada",
        traits=[
            Trait(about="hair", text="red hair"),
            Trait(about="face", text="a gap in her teeth", weight="if room"),
        ],
    )
    facts = replace(FACTS[0], people=(1,), action="")
    long, short = (compose_picture(facts, [ada], LOOKS[0], cap) for cap in (900, 70))
    assert "a gap in her teeth" in long.text and "a gap in her teeth" not in short.text
    assert "red hair" in short.text and "a gap in her teeth" in short.left_out


@pytest.mark.parametrize("cap", [60, 120, 400, 2000])
def test_model_sheets_and_views_keep_to_the_cap_too(cap: int) -> None:
    for person in CAST:
        sheet = compose_model_sheet(person, LOOKS[0], cap)
        assert sheet.fits == (len(sheet.text) <= cap) and "Model sheet" in sheet.text
        assert all(t.text in sheet.text or t.short in sheet.text for t in person.traits)
    for place in PLACES:
        view = compose_place_sheet(place, LOOKS[0], cap)
        assert view.fits == (len(view.text) <= cap) and (
            place.description in view.text or cap < 200
        )


def test_figures_of_shots_that_move_are_asked_for_at_half_the_frame() -> None:
    ada = Person(id=1, name="Ada", traits=[Trait(about="hair", text="red hair")])
    facts = replace(FACTS[0], people=(1,), framing="wide", speaks=1)
    moving = compose_picture(facts, [ada], LOOKS[0], 900, moves=True).text
    assert "half the frame's height" in moving and "face toward the camera" in moving
    assert "half the frame" not in compose_picture(facts, [ada], LOOKS[0], 900).text


@settings(max_examples=120)
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
    assert (
        "long detail" not in tight.text and "Wide shot" in tight.text and "red scarf" in tight.text
    )
    assert fit(parts, 30).left_out == ("calm mood", "long detail of look")
    assert not fit(parts, 10).fits


def test_what_happens_is_told_whole_as_long_as_anything_matters_less() -> None:
    deed = "Margot Delacroix stays and sits at the piano in the lobby"
    parts = [
        Part("framing", ("Wide shot",), 80),
        Part("action", (deed, "Margot stays and sits at", "Margot stays"), 60, 2),
        Part("mood", ("uneasy mood",), 20),
        Part("look", ("paper fibre",), 30),
    ]
    assert deed in fit(parts, 80).text and fit(parts, 80).left_out == ("uneasy mood", "paper fibre")
    assert fit(parts, 50).text == "Wide shot. Margot stays and sits at."


def test_no_deed_ends_with_a_word_that_something_hangs_on() -> None:
    people = [Person(id=1, name="Margot Delacroix")]
    deed = "Margot Delacroix walks along the quay and looks over the wall at the sea"
    facts = replace(FACTS[0], action=deed)
    for cap in range(60, 200):
        said = compose_picture(facts, people, LOOKS[0], cap).pieces
        action = next((words for origin, words in said if origin == "action"), "x")
        assert action.split(" ")[-1] not in {"and", "the", "at", "over"}, (cap, action)


def test_facts_carry_over_and_say_why() -> None:
    by_text = {SCRIPT.words[o].text: f for o, f in zip(OPENS, FACTS, strict=True)}
    assert by_text["The"].time == "night" and by_text["The"].why["time"] == "the scene's heading"
    jetty = next(f for f in FACTS if f.why["place"] == "the scene's heading" and "jetty" in f.place)
    assert (jetty.time, jetty.weather) == ("dusk", "wind")
    assert all(f.why["framing"] for f in FACTS)


def test_what_the_maker_sets_holds() -> None:
    own = [Overrides(framing="close", place="a cave", time="dawn", people=[])] + [Overrides()] * (
        len(OPENS) - 1
    )
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


@settings(max_examples=80)
@given(
    st.lists(
        st.tuples(st.sampled_from(["must", "if room"]), st.booleans()), min_size=1, max_size=6
    ),
    st.integers(60, 600),
)
def test_what_must_hold_is_said_at_every_cap_and_what_went_is_told(
    weights: list[tuple[str, bool]], cap: int
) -> None:
    traits = [
        Trait(
            about=f"t{i}",
            text=f"a long wording number {i}",
            short=f"short {i}" if short else "",
            weight=weight,
        )
        for i, (weight, short) in enumerate(weights)
    ]
    ada = Person(id=1, name="Ada", traits=traits)
    prompt = compose_picture(replace(FACTS[0], people=(1,)), [ada], LOOKS[0], cap)
    assert prompt.fits == (len(prompt.text) <= cap)
    for trait in traits:
        said = trait.text in prompt.text or bool(trait.short and trait.short in prompt.text)
        assert said or (trait.weight == "if room" and trait.text in prompt.left_out)


def test_whoever_is_told_of_by_name_is_described_by_it_as_long_as_anything_else_can_go() -> None:
    traits = [Trait(about="who", text="heavy man"), Trait(about="face", text="red moustache")]
    hale = Person(id=1, name="Inspector Hale", traits=traits)
    facts = replace(FACTS[0], action="Inspector Hale sits down", people=(1,))
    for cap in range(80, 300):
        said = compose_picture(facts, [hale], LOOKS[0], cap).pieces
        told = [words for origin, words in said if origin == "action"]
        described = next(words for origin, words in said if origin == "cast")
        assert not told or "Hale (" in described, (cap, said)
