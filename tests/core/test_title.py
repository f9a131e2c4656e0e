"""What a story is called."""

import pytest

from cutreel.core.manuscript import first_words, read, titled

TOLD = "\n\nAda rowed to the light. It was dark.\n"
TITLES = [
    "The Weaver of Low Ferry", "Ada and the Lantern", "THE DARK LAMP", "Who Was at the Door?",
    "*The Dark Lamp*", "A Night in Saltmere", "Nine Geese and a Fox",
]  # fmt: skip
NO_TITLES = [
    "Ada rowed to the light.", "# The Dark Lamp", "INT. KITCHEN - NIGHT", "“The Dark Lamp”", "ADA: We Must Row",
    "[The Dark Lamp]", "Ada rowed home in the rain", "Saltmere", "Chapter One", "The Dark Lamp, And",
    "The Long Tale of How Ada Rowed All the Way Home to Saltmere Through the Rain",
]  # fmt: skip


@pytest.mark.parametrize("line", TITLES)
def test_a_first_line_that_is_plainly_a_title_names_the_film_and_is_not_spoken(line: str) -> None:
    found = titled(line + TOLD)
    assert found is not None and found.title == line.strip("*")
    script = read(found.text)
    assert " ".join(w.text for w in script.words) == "Ada rowed to the light. It was dark."
    assert line in found.text, "it is kept"


@pytest.mark.parametrize("line", NO_TITLES)
def test_what_may_be_anything_else_stays_as_it_is(line: str) -> None:
    assert titled(line + TOLD) is None


def test_a_title_alone_or_within_a_paragraph_is_none() -> None:
    assert titled("The Dark Lamp\n") is None
    assert titled("The Dark Lamp\nAda rowed to the light.\n") is None


@pytest.mark.parametrize(
    ("text", "name"),
    [
        ("# The jetty\n\nAda rowed.\n", "Ada rowed."),
        ("[A note]\n\nAda rowed.\n", "Ada rowed."),
        ("Ada rowed. " * 9, "Ada rowed. Ada rowed. Ada rowed. Ada rowed. Ada rowed. Ada"),
        ("# The jetty\n", "Untitled"),
    ],
)
def test_without_one_its_first_words_name_it_and_never_a_heading(text: str, name: str) -> None:
    assert first_words(text) == name
