"""The writer stand-in: lengths met, levels followed, ideas told apart, passages reworked where they were meant to be."""

import itertools

import pytest

from cutreel.core.breakdown import estimate_words
from cutreel.core.manuscript import read, reading_ease
from cutreel.protocol import FilmTold, ScriptInput, ShotTold
from standins.writer import manuscript, rework, storylines, titles, wished
from standins.writer.rework import understood
from tests.conftest import STORY

IDEAS = (
    "a lighthouse keeper who collects lost letters",
    "a clock that stops whenever somebody lies",
    "two brothers race a storm to deliver medicine",
    "a painter afraid of the colour blue",
    "a dragon under the market square",
)


def told(wish: ScriptInput) -> str:
    _, scenes, _ = manuscript(wish)
    return "\n\n".join("\n\n".join([f"# {s.heading}", *s.paragraphs]) for s in scenes)


@pytest.mark.parametrize("structure", ["hook", "chapters", "comic", "sleep"])
@pytest.mark.parametrize("minutes", [1.0, 3.0, 8.0])
def test_the_length_asked_for_is_met_within_a_tenth(structure: str, minutes: float) -> None:
    # By the application's own estimate, which is fitted to measured speech (tests/standins/test_voices_and_music.py).
    wish = ScriptInput(
        task="manuscript", idea=IDEAS[0], minutes=minutes, structure=structure, seed=2
    )  # type: ignore[arg-type]
    script = read(told(wish))
    assert abs(float(estimate_words(script)[-1, 1]) / 60 / minutes - 1) < 0.1


@pytest.mark.parametrize("structure", ["hook", "chapters", "sleep"])
def test_reading_ease_goes_the_way_that_was_asked(structure: str) -> None:
    # Flesch 1948; the function itself is checked against textstat.
    ease = [
        reading_ease(
            read(
                told(
                    ScriptInput(
                        task="manuscript",
                        idea=IDEAS[1],
                        minutes=3,
                        level=level,
                        structure=structure,
                    )
                )
            )
        )  # type: ignore[arg-type]
        for level in ("easy", "plain", "rich")
    ]
    assert ease[0] > ease[1] > ease[2]


def test_two_ideas_give_clearly_different_stories() -> None:
    stories = [
        set(read(told(ScriptInput(task="manuscript", idea=i, minutes=3))).text.split(". "))
        for i in IDEAS
    ]
    for a, b in itertools.combinations(stories, 2):
        assert len(a & b) / min(len(a), len(b)) < 0.2
    assert len({titles(ScriptInput(task="titles", idea=i))[0] for i in IDEAS}) == len(IDEAS)


def test_kind_and_tone_have_their_say() -> None:
    wish = ScriptInput(task="storylines", idea="a town and its people", story="ghost story")
    assert {line["plot"] for line in storylines(wish)[:4]} == {
        "locked room",
        "changing picture",
        "stopped hours",
        "wager",
    }
    plain = ScriptInput(task="manuscript", idea=IDEAS[0], minutes=2)
    stories = [
        told(plain.model_copy(update={"tone": tone}))
        for tone in ("plain", "tense", "warm", "dark", "calm", "funny")
    ]
    assert len(set(stories)) == 6


def test_the_same_wish_gives_the_same_and_another_seed_another_story() -> None:
    wish = ScriptInput(task="manuscript", idea=IDEAS[3], minutes=1)
    assert manuscript(wish) == manuscript(wish)
    assert told(wish) != told(wish.model_copy(update={"seed": 9}))
    assert storylines(wish) != storylines(wish.model_copy(update={"seed": 9}))


def test_key_points_and_the_idea_are_taken_up_and_the_rest_is_told() -> None:
    wish = ScriptInput(
        task="manuscript",
        idea="a baker called Edda and her crow and a zeppelin",
        points=["The oven cracks"],
        minutes=2,
    )
    title, scenes, unused = manuscript(wish)
    text = " ".join(" ".join(s.paragraphs) for s in scenes)
    assert "Edda" in text and "The oven cracks." in text and "crow" in text
    assert (title and "zeppelin" in text) or "zeppelin" in unused


def test_the_first_person_tells_of_i() -> None:
    text = told(ScriptInput(task="manuscript", idea="a baker called Edda", view="first", minutes=2))
    outside = "".join(
        part for i, part in enumerate(text.replace("”", "“").split("“")) if i % 2 == 0
    )
    assert " I " in outside and "Edda" not in outside


PASSAGE = (
    "The ferry had really not missed a crossing in forty years, and it was very old, and nobody minded. So when she "
    "looked across the cold water, she knew at once what was wrong. It was quite dark. The lamp was gone."
)


@pytest.mark.parametrize(("how", "longer"), [("tighten", -1), ("lengthen", 1), ("tense", 1)])
def test_a_passage_gets_shorter_or_longer(how: str, longer: int) -> None:
    after = rework(PASSAGE, how, "", 1)
    assert (
        len(after.text.split()) - len(PASSAGE.split())
    ) * longer > 0 and "1 paragraph" in after.touched


def test_simpler_is_easier_to_read_and_vivid_words_are_new() -> None:
    hard = "They commenced to traverse the enormous bridge, and then they encountered a mysterious predicament; it ceased."
    simple = rework(hard, "simpler", "", 1).text
    assert reading_ease(read(simple)) > reading_ease(read(hard)) + 20
    assert "peered" in rework(PASSAGE, "vivid", "", 1).text
    opened = rework(
        "The ferry crossed as usual. She looked over the water. The lamp was gone.",
        "opening",
        "",
        1,
    )
    assert opened.text.startswith("The lamp was gone. The ferry")


def test_an_instruction_touches_what_it_names_and_nothing_else() -> None:
    after = rework(STORY, "instruction", "make the ending more dramatic", 1)
    same = 0
    while after.text[same] == STORY[same]:
        same += 1
    assert same > len(STORY) * 0.7 and after.text != STORY and "ending" in after.touched
    assert understood("please make the opening funnier with penguins") == (
        ["funny"],
        "opening",
        ["penguins"],
    )
    for heading in [line for line in STORY.split("\n") if line.startswith("#")]:
        assert heading in rework(STORY, "tense", "", 3).text


def film_told() -> FilmTold:
    shots = [
        ShotTold(number=n, edge=str(n), words="Ada rowed.", seconds=4.0, framing=f, move="push", place="", time="day",
                 mood="calm", people=["Ada"] if n % 2 else [])
        for n, f in enumerate(["wide", "close", "wide", "wide", "medium", "wide", "close", "wide"])
    ]  # fmt: skip
    return FilmTold(title="t", settings={"grade": {"fade": 0.1}}, shots=shots, commands={})


def test_a_wish_for_a_film_comes_to_changes_and_the_rest_is_not_understood() -> None:
    found = wished("nearer at the end, colder, more turquoise", film_told())
    assert found.unclear == ["more turquoise"]
    near, cold = found.changes
    assert near.command == {"type": "set shots", "shots": [7], "values": {"framing": "medium"}}
    grade = cold.command["values"]["grade"]
    assert grade["fade"] == 0.1 and grade["warmth"] < 0
    assert near.why == "“nearer at the end”"
    (quick,) = wished("breathless in the opening", film_told()).changes
    assert quick.command["shots"] == [0, 1] and quick.command["first"] == 2.8
