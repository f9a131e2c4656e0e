"""What a story is called."""

import pytest

from cutreel.core.film import Settings, name_for, new_film
from cutreel.core.manuscript import first_words, read, titled
from tests.labelled import parses_of

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


@pytest.mark.parametrize(
    ("text", "name"),
    [
        ("A crow sat in a tree. A fox looked up. The crow liked the fox. The fox left the crow.", "The crow and the fox"),
        ("Pavel mended violins in his workshop. The workshop was cold, and Pavel smiled.", "Pavel in the workshop"),
        ("# The lamp\n\nAda sang. Ada came home. Ada slept. Tom waved.", "Ada"),
        ("Nothing moved in the valley that year, and nobody came.", "Nothing moved in the valley that year, and nobody came."),
    ],
)  # fmt: skip
def test_a_story_is_named_by_whom_it_is_about(text: str, name: str) -> None:
    document, _ = new_film("x", text, Settings(), parses=parses_of(text))
    assert name_for(document) == name
