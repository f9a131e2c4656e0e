"""Lexicons: any goes out as PLS and comes back; what is said stands word for word beside what is written."""

import string

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.manuscript import Saying, Word
from cutreel.core.speech import from_pls, said_as, to_pls

plain = st.text(string.ascii_lowercase + "éüß’<&", min_size=1, max_size=20)
lexicons = st.lists(
    st.builds(Saying, word=plain, sounds=plain), max_size=12, unique_by=lambda s: s.word.lower()
)


@given(lexicons)
def test_a_lexicon_comes_back_as_it_went_out(lexicon) -> None:
    found, left = from_pls(to_pls(lexicon))
    assert found == lexicon and left == []


@pytest.mark.thorough
@given(lexicons, st.lists(plain, min_size=1, max_size=20))
def test_there_are_as_many_words_as_before_and_the_others_stay(lexicon, words) -> None:
    script = [Word(i * 99, i * 99 + 1, w, 0, 0, 0, 0) for i, w in enumerate(words)]
    said = said_as(script, {s.word.lower(): s.sounds for s in lexicon}).split(" ")
    assert len(said) == len(words)
    known = {s.word.lower() for s in lexicon}
    for word, now in zip(words, said, strict=True):
        bare = word.strip("<&’").lower()
        if not any(k in (bare, bare.removesuffix("’s"), word.lower()) for k in known):
            assert now == word


def test_sound_alikes_of_several_parts_are_one_word() -> None:
    assert Saying(word="Saltmere", sounds=" salt  meer ").sounds == "salt-meer"
    assert b"<alias>salt meer</alias>" in to_pls([Saying(word="Saltmere", sounds="salt meer")])
