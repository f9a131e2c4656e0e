"""Other words for what is refused: what seems to be meant, and that the sense is kept. Expected values are what a reader
would say."""

import pytest

from cutreel.core.continuity import milder, says


@pytest.mark.parametrize(
    ("prompt", "refusal", "words", "other"),
    [
        # what the refusal names
        (
            "A hunter holds a gun. blood on the snow.",
            "“gun” is not drawn here.",
            ("gun",),
            "A hunter holds a long shape under a coat. blood on the snow.",
        ),
        # it names nothing: what is often refused
        (
            "His sword lay in the Blood.",
            "This prompt violates a policy.",
            ("blood", "sword"),
            "His old blade lay in the dark red stains.",
        ),
        # an article fits what follows; a part of a word is none
        ("A weapon on the wall of the bloodhound.", "", ("weapon",), "An old tool on the wall of the bloodhound."),
        # a word that is named and has no other is shown all the same
        ("The moonless night.", "“moonless” is not drawn here.", ("moonless",), "The moonless night."),
        ("A lamp on a table.", "no", (), "A lamp on a table."),
    ],
)  # fmt: skip
def test_words_that_seem_to_be_meant(prompt, refusal, words, other) -> None:
    found = milder(prompt, refusal)
    assert (found.words, found.prompt.lower()) == (words, other.lower())
    told = says(found, prompt)
    assert (told == "") == (not words)
    assert ("keeps its sense" in told) == (found.prompt != prompt)
