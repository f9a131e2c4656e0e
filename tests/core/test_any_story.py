"""Whatever somebody pastes is read and cut: nothing of a story that nobody prepared stops it."""

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.errors import BadInput
from cutreel.core.film import Offered, Settings, new_film, read_film
from cutreel.core.manuscript import read

pytestmark = pytest.mark.thorough

WHO = st.sampled_from(
    ["Ada", "Bram", "Mrs. Quill", "she", "he", "the ferryman", "nobody", "the old heron", "it"]
)
SAYS = st.sampled_from(["said", "asked", "whispered", "laughed", "thought", "will"])
WORDS = st.sampled_from(
    ["Row", "Why not", "The oar’s gone", "Row, and row again", "No!", "…", "", "Dr. Lund, 3.5 m"]
)
MARKS = st.sampled_from([".", ",", "!", "?", "…", "—", ""])
CLOSING = st.sampled_from(["”", '"', "»", ""])
OPENING = st.sampled_from(["“", '"', "«", ""])


def quotation(opening: str, words: str, mark: str, closing: str) -> str:
    return f"{opening}{words}{mark}{closing}"


QUOTED = st.builds(quotation, OPENING, WORDS, MARKS, CLOSING)
SAYING = st.one_of(
    QUOTED,
    st.builds("{0} {1} {2}.".format, QUOTED, WHO, SAYS),
    st.builds("{0} {1} {2}, then turned.".format, QUOTED, SAYS, WHO),
    st.builds("{0} {1}: {2}".format, WHO, SAYS, QUOTED),
    st.builds("{0} waited by the {1}.".format, WHO, st.sampled_from(["jetty", "lamp", "sea wall"])),
)
PARAGRAPH = st.one_of(
    st.lists(SAYING, min_size=1, max_size=5).map(" ".join),
    st.builds("{0}: {1}".format, WHO, WORDS),
    st.builds("# {0} — {1}".format, WORDS, st.sampled_from(["dusk", "night, rain", ""])),
    st.builds("[{0}]".format, WORDS),
    st.text(max_size=30),
)
STORIES = st.lists(PARAGRAPH, min_size=1, max_size=6).map("\n\n".join)


@given(STORIES)
@settings(max_examples=150)
def test_any_story_is_read_whole(text: str) -> None:
    """Words stand where the text has them, in order; sentences and lines hold each of them once."""
    script = read.__wrapped__(text)
    for word in script.words:
        assert text[word.start : word.end] == word.text and word.text.strip()
    assert all(a.end <= b.start for a, b in pairwise(script.words))
    for spans in (script.sentences, script.lines):
        held = [i for span in spans for i in range(span.first, span.end)]
        assert held == list(range(len(script.words)))


@given(STORIES)
@settings(max_examples=40)
def test_any_story_with_words_becomes_a_film(text: str) -> None:
    """Its shots hold each word once; every prompt says something, and fits what is offered."""
    if not read.__wrapped__(text).words:
        with pytest.raises(BadInput):
            new_film("Any", text, Settings())
        return
    document, _ = new_film("Any", text, Settings())
    film = read_film(document, Offered(400))
    held = [i for shot in film.shots for i in range(shot.first, shot.end)]
    assert held == list(range(len(film.script.words)))
    assert all(s.prompt.text.strip() and len(s.prompt.text) <= 400 for s in film.shots)


def test_she_is_asked_for_before_anybody_has_spoken() -> None:
    """Nobody is known yet whom the first “she” could mean; this stopped the reading once."""
    lines = read("“Row,” she said. “Why?” she asked.").lines
    assert [line.speaker for line in lines if line.speaker]
