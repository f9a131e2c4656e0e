"""In which mood shots are, as a reader would say; sentences written for this by hand, never looked at by the table."""

import pytest

from cutreel.core.continuity import MOODS
from cutreel.core.continuity.mood import LASTS, mood_of

SAID = [
    ("he ran for his life and the dogs chased him through the alley", "tense"),
    ("the bridge exploded behind them", "tense"),
    ("a pale ghost hovered above the coffin", "eerie"),
    ("nobody could say who was afraid of the dark any more", "uneasy"),
    ("they buried her on a tuesday and he wept", "sad"),
    ("she laughed until the soup came out of her nose", "playful"),
    ("the king rode into the palace before the whole nation", "grand"),
    ("for the first time in years she had hope", "hopeful"),
    ("what he saw in the telescope astonished him", "wondering"),
    ("grandmother kissed us and gave us warm bread", "warm"),
    ("the lake lay still and quiet", "calm"),
    ("the train left at nine from platform two", "calm"),
]


@pytest.mark.parametrize(("text", "mood"), SAID)
def test_words_tell_a_mood(text: str, mood: str) -> None:
    assert mood_of(text.split(), "calm")[0] == mood


def test_every_mood_can_be_told() -> None:
    assert {mood for _, mood in SAID} == set(MOODS)


@pytest.mark.parametrize(
    "text", ["he was not afraid", "there was nothing sad in it", "she never wept", "without fear"]
)
def test_what_is_denied_says_nothing(text: str) -> None:
    assert mood_of(text.split(), "calm")[0] == "calm"


@pytest.mark.parametrize("word", ["did", "burly", "crowd", "sighted", "hands", "rose", "fired"])
def test_a_word_is_no_form_of_another(word: str) -> None:
    assert mood_of([word], "calm")[0] == "calm"


def test_a_mood_lasts_a_while_and_one_plain_word_does_not_turn_it() -> None:
    mood, _, ago = mood_of("she screamed".split(), "calm")
    assert (mood, ago) == ("tense", 0)
    mood, why, ago = mood_of("the bread was cold".split(), mood, ago)
    assert (mood, why) == ("tense", "as before")
    for _ in range(LASTS):
        mood, why, ago = mood_of("he took a chair".split(), mood, ago)
    assert (mood, ago) == ("calm", 0)


def test_two_words_turn_it_at_once() -> None:
    assert mood_of("they wept and wept".split(), "tense")[0] == "sad"
    assert mood_of("warm bread at home".split(), "tense")[0] == "warm"
