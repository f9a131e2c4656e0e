"""Parts of a film as cuts: whole sentences, the heading of their scene, and everything else gone; words keep their numbers."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    assemble,
    excerpt_of,
    new_film,
    read_film,
)
from cutreel.core.film.commands import EditPlaces
from cutreel.core.manuscript import read, words_text

STORY = (
    "# The quay — night, clear\n\nMirel counted the boats twice. One of them was missing. “Who took it?” she asked.\n\n"
    "# The tower — night, storm\n\nThe tower had no door that night. She climbed up on the outside, rung by rung.\n\n"
    "[The lamp swings.]\n\n“Come down!” said Osk. “It is late.”\n\n"
    "# The harbour — day, clear\n\nIn the morning there were seven boats again. Mirel slept.\n"
)


def laid_out(text: str = STORY):
    document, edges = new_film("Boats", text, Settings(pace=3))
    return assemble("f", read_film(document, Offered()), {}, lambda keys: {}), edges


FILM, EDGES = laid_out()


def cut(start: int, end: int):
    found = excerpt_of(FILM, start, end)
    document, _, _ = apply_command(FILM.document, EditPlaces(edits=found.edits), EDGES)
    return found, document


def frames_of(words: str) -> tuple[int, int]:
    """The frames of the shot in which some words are said."""
    at = next(i for i, s in enumerate(FILM.read.shots) if words in s.text)
    return FILM.spans[at].start, FILM.spans[at].end


def test_a_scene_keeps_its_heading_and_loses_the_others() -> None:
    start, _ = frames_of("no door")
    _, end = frames_of("It is late")
    _, document = cut(start, end)
    assert document.text.startswith(
        "# The tower — night, storm\n\nThe tower had no door that night."
    )
    assert document.text.rstrip().endswith("“It is late.”") and "boats" not in document.text
    assert "[The lamp swings.]" in document.text


def test_the_middle_of_a_scene_begins_with_a_whole_sentence_below_its_heading() -> None:
    _, document = cut(*frames_of("Who took it"))
    assert document.text == "# The quay — night, clear\n\n“Who took it?” she asked.\n"
    _, document = cut(*frames_of("She climbed"))
    assert (
        document.text
        == "# The tower — night, storm\n\nShe climbed up on the outside, rung by rung.\n"
    )
    _, document = cut(*frames_of("Come down"))
    assert document.text.startswith("# The tower — night, storm\n\n“Come down!” said Osk.")


def test_what_is_the_whole_film_or_says_nothing_is_refused() -> None:
    with pytest.raises(BadInput, match="whole film"):
        excerpt_of(FILM, 0, FILM.frames)
    with pytest.raises(BadInput, match="Nothing is said"):
        excerpt_of(FILM, FILM.frames + 10, FILM.frames + 20)


@settings(max_examples=20)
@given(st.integers(0, FILM.frames - 1), st.integers(1, FILM.frames))
def test_any_part_is_whole_sentences_of_the_film_in_their_order(start: int, length: int) -> None:
    try:
        found, document = cut(start, start + length)
    except BadInput:
        return
    whole = [
        words_text(FILM.read.script.words[s.first : s.end]) for s in FILM.read.script.sentences
    ]
    script = read(document.text)
    part = [words_text(script.words[s.first : s.end]) for s in script.sentences]
    at = whole.index(part[0])
    assert whole[at : at + len(part)] == part
    # The shots that stay are those whose words stay, and keep their numbers.
    assert set(found.shots) >= {s.id for s in document.shots} & {s.id for s in FILM.document.shots}
    assert len(script.scenes) <= len(FILM.read.script.scenes)
