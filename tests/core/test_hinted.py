"""Where a story begins that does not say where."""

import pytest

from cutreel.core.continuity.hinted import hinted_place


@pytest.mark.parametrize(
    ("text", "place"),
    [
        ("The fishermen looked up from their nets. A gull cried.", "a harbour with boats"),
        (
            "She filled the kettle, drew the curtains and sat down in the armchair.",
            "a room, cream walls, rust curtains",
        ),
        (
            "His boss came to his desk and shut the computer.",
            "an office with desks, pale blue walls",
        ),
        ("The cows stood before the barn, and the hens slept.", "a farm"),
        ("A gull cried.", ""),
        # As many words of one as of another say nothing.
        ("Nets, a gull, a boat; cows, a barn, hens.", ""),
    ],
)
def test_three_different_words_tell_of_a_place(text: str, place: str) -> None:
    assert hinted_place(text) == place


def test_the_same_word_three_times_is_one() -> None:
    assert hinted_place("A gull, a gull, and a gull.") == ""
