"""Words that are marked, and SSML: what comes out is well formed, holds the words as they are said, and only elements
and attributes of SSML 1.1 (W3C Recommendation, 7 September 2010), nested as its schema allows."""

from xml.etree import ElementTree

import jsonpatch
import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.film import Settings, apply_command, completed, new_film, read_film
from cutreel.core.film.changes import apply_to
from cutreel.core.film.commands import MarkWords
from cutreel.core.film.offered import Offered
from cutreel.core.manuscript import read
from cutreel.core.speech import WordMark, as_ssml, marked_text, script_ssml
from tests.core.test_directions import VOICES

SSML = "{http://www.w3.org/2001/10/synthesis}"
MAY_HOLD = {
    "speak": {"voice", "p", "prosody", "emphasis", "break"},
    "voice": {"p", "prosody", "emphasis", "break"},
    "p": {"prosody", "emphasis", "break"},
    "prosody": {"emphasis", "break"},
    "emphasis": set(),
    "break": set(),
}
VALUES = {("prosody", "rate"): {"slow", "fast"}, ("emphasis", "level"): {"strong"}}
TEXT = "“Run,” said Ada & Tom <both>, and the old door fell shut in 1834."
LISTENS = Offered(600, VOICES, directed=True, ssml=True)


def looked_over(document: str) -> str:
    """The words of a document, which is looked over."""
    root = ElementTree.fromstring(document)
    assert root.tag == f"{SSML}speak" and root.get("version") == "1.1"
    assert root.get("{http://www.w3.org/XML/1998/namespace}lang") == "en"
    for element in root.iter():
        name = element.tag.removeprefix(SSML)
        assert {c.tag.removeprefix(SSML) for c in element} <= MAY_HOLD[name]
        for key, value in element.attrib.items():
            assert value in VALUES.get((name, key), {value})
        if name == "break":
            assert element.get("time", "").removesuffix("ms").isdigit() and not element.text
    return "".join(root.itertext()).strip()


marks = st.builds(
    WordMark,
    word=st.integers(0, 12),
    stress=st.booleans(),
    pace=st.sampled_from(["", "slow", "quick"]),
    pause=st.sampled_from([0, 0.25, 1.5]),
)


@given(st.lists(marks, max_size=8, unique_by=lambda m: m.word))
def test_any_marks_make_a_document_that_says_the_words(found) -> None:
    words = read(TEXT).words
    texts = [w.text for w in words]
    inside = marked_text(words, texts, {m.word: m for m in found})
    assert " ".join(looked_over(as_ssml(inside)).split()) == TEXT


def test_words_of_one_pace_are_one_passage() -> None:
    words = read("She went very slowly home.").words
    slow = {i: WordMark(word=i, pace="slow") for i in (2, 3)} | {
        4: WordMark(word=4, stress=True, pause=0.4)
    }
    assert marked_text(words, [w.text for w in words], slow) == (
        'She went <prosody rate="slow">very slowly</prosody> '
        '<break time="400ms"/><emphasis level="strong">home.</emphasis>'
    )


def test_a_whole_script_is_a_document_with_its_voices() -> None:
    document = script_ssml([("alder", "The door fell."), ('a "b"', "Run &amp; hide.")])
    assert "Run & hide." in looked_over(document)


def test_marks_change_what_is_sent_and_nothing_that_is_seen() -> None:
    document, _ = new_film("Marks", "The door fell shut in 1834. Nobody ran.", Settings())
    before = read_film(document, LISTENS).speech[0]
    mark = WordMark(word=document.word_ids[1], stress=True)
    marked, _, title = apply_command(document, MarkWords(marks=[mark]), [])
    after = read_film(marked, LISTENS).speech[0]
    assert title == "mark a word" and after.text == before.text and after.key != before.key
    assert '<emphasis level="strong">door</emphasis>' in after.ssml and after.sent == after.ssml
    assert after.plain == before.key, "it is heard as before until it is spoken so"
    # A voice that knows nothing of marks says the words.
    assert read_film(marked, Offered(600, VOICES)).speech[0].sent == before.text
    plain, _, _ = apply_command(marked, MarkWords(marks=[WordMark(word=mark.word)]), [])
    assert plain.word_marks == [] and read_film(plain, LISTENS).speech[0].key == before.key


def test_a_word_that_is_gone_cannot_be_marked() -> None:
    from cutreel.core.errors import NotFound

    document, _ = new_film("Marks", "The door fell shut.", Settings())
    with pytest.raises(NotFound):
        apply_command(document, MarkWords(marks=[WordMark(word=999, stress=True)]), [])


def test_a_film_that_was_kept_before_there_were_marks_is_read_with_none() -> None:
    document, edges = new_film("Old", "The door fell shut.", Settings())
    kept = document.model_dump(mode="json")
    for field in ("word_marks", "read_aloud", "narrations", "lexicon"):
        del kept[field]
    raw = completed(kept)
    assert raw == document.model_dump(mode="json") and completed(raw) == raw
    mark = WordMark(word=document.word_ids[1], stress=True)
    done = apply_to(document, raw, MarkWords(marks=[mark]), edges)
    # As the store reads it again: what was kept, and the changes made since.
    again = jsonpatch.apply_patch(completed(kept), done.settled.forward)
    assert again == done.settled.raw and again["word_marks"] == [mark.model_dump(mode="json")]
    assert jsonpatch.apply_patch(again, done.settled.inverse) == raw
