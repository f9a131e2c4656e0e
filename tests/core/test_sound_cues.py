"""Sounds proposed from what was read: held against stories labelled by a listener (`tests/data/sounds.py`), half of
them public-domain prose."""

from itertools import pairwise

import numpy as np
import pytest

from cutreel.core.film import Offered, Settings, new_film, read_film
from cutreel.core.manuscript import Manuscript, read
from cutreel.core.reading import Story, read_story
from cutreel.core.sound import SoundAmount, Spot, spots_of
from tests.data.sounds import HEARD, UNSEEN
from tests.labelled import all_stories, parses_of, read_by_sentence

pytestmark = pytest.mark.thorough

# Of those in which it is labelled what must be seen nobody has labelled what is heard.
STORIES = {
    story.name: story
    for story in all_stories()
    if not any("see" in sentence.says for sentence in story.sentences)
}


def times_of(script: Manuscript, each: float = 0.36) -> np.ndarray:
    at = np.arange(len(script.words)) * each
    return np.stack([at, at + each * 0.8], axis=1)


def told(text: str) -> tuple[Manuscript, Story]:
    script = read(text)
    return script, read_story(script, parses_of(text), [])


def right(script: Manuscript, spot: Spot, labels: list[tuple[str, str]]) -> tuple[str, str] | None:
    """The label that a proposed sound is."""
    at = script.words[spot.word].start
    for words, prompt in labels:
        first = script.text.find(words)
        if spot.prompt == prompt and first <= at < first + len(words):
            return words, prompt
    return None


def scored(
    stories: list[tuple[Manuscript, list[Spot], list[tuple[str, str]]]],
) -> tuple[float, float]:
    """Precision and recall of what is proposed."""
    proposed = found = wanted = 0
    for script, spots, labels in stories:
        hits = {h for s in spots if (h := right(script, s, labels)) is not None}
        proposed += len(spots)
        found += len(hits)
        wanted += len(labels)
    return found / proposed, found / wanted


@pytest.mark.long
def test_what_is_proposed_is_heard_by_a_listener_too() -> None:
    stories = []
    for name, story in STORIES.items():
        film = read_by_sentence(story, parses_of(story.text))
        animals = {p.id for p in film.document.cast if p.is_animal}
        spots = spots_of(film.script, times_of(film.script), film.story, "high", (), animals)
        stories.append((film.script, spots, HEARD.get(name, [])))
    precision, recall = scored(stories)
    assert precision >= 0.9 and recall >= 0.9, (precision, recall)


def test_and_of_stories_that_the_rules_were_not_written_for() -> None:
    stories = []
    for text, labels in UNSEEN.items():
        script, story = told(text)
        stories.append((script, spots_of(script, times_of(script), story), labels))
    precision, recall = scored(stories)
    assert precision >= 0.85 and recall >= 0.6, (precision, recall)


@pytest.mark.parametrize(
    "text",
    [
        "The bell did not ring, and nobody knocked at the door.",
        "She wished that the phone would ring.",
        "He cut the bread as if an axe had chopped wood.",
        "“Slam the door,” said Ada, “and ring the bell.”",
        "None of the clocks ticked.",
        "Water ran down the wall. The fox trotted off.",
    ],
)
def test_what_is_not_so_is_not_heard(text) -> None:
    script, story = told(text)
    assert spots_of(script, times_of(script), story, "high") == []


LOUD = (
    "Ada walked over the boards. Then Ada opened the door of the hall. Long she waited there for her brother. At last a bell "
    "rang."
)


@pytest.mark.parametrize(
    ("amount", "heard"),
    [
        ("off", []),
        ("low", ["a church bell rings"]),
        ("middle", ["a wooden door opens and closes", "a church bell rings"]),
        ("high", ["footsteps on boards", "a wooden door opens and closes", "a church bell rings"]),
    ],
)
def test_the_amount_says_how_much_must_be_heard(amount: SoundAmount, heard) -> None:
    script, story = told(LOUD)
    assert [s.prompt for s in spots_of(script, times_of(script), story, amount)] == heard


def test_no_sound_lies_on_another_and_the_louder_one_stays() -> None:
    script, story = told("Ada opened the door. Glass shattered.")
    assert [s.prompt for s in spots_of(script, times_of(script), story)] == ["glass shatters"]
    slow = spots_of(script, times_of(script, 2.0), story)
    assert [s.prompt for s in slow] == ["a wooden door opens and closes", "glass shatters"]
    assert all(b.start - a.start >= 1.5 for a, b in pairwise(slow))


def test_a_stressed_word_is_heard_alone() -> None:
    script, story = told("Then the bell rang over the town.")
    (plain,) = spots_of(script, times_of(script), story)
    (behind,) = spots_of(script, times_of(script), story, "middle", [plain.word])
    times = times_of(script)
    assert (plain.start, behind.start) == (times[plain.word, 0], times[plain.word, 1])


def test_a_story_that_is_not_parsed_keeps_the_simpler_rules() -> None:
    script = read("The bell rang. There was no thunder. She opened the gate.")
    found = [s.prompt for s in spots_of(script, times_of(script, 1.0))]
    assert found == ["a church bell rings", "a wooden door opens and closes"]


def test_where_somebody_is_sounds_by_day_and_by_night() -> None:
    film, _ = new_film(
        "T",
        "# The forest — night, clear\n\nAda ran.\n\n# The forest — day, rain\n\nAda ran.\n\n# A church — day, rain\n\nAda ran.",
        Settings(),
    )
    from cutreel.core.sound import ambience_of

    found = [ambience_of(s.facts)[0] for s in read_film(film, Offered(400)).shots]
    assert found == ["crickets and an owl far off", "birds and leaves, steady rain", "a quiet hall"]
