"""What nouns name. Source: WordNet 3.0, by the commonest sense; exceptions by hand."""

import pytest

from cutreel.core.nouns import sort_of


@pytest.mark.parametrize(
    ("noun", "sort"),
    [
        ("uncle", "person"), ("stonemason", "person"), ("ferrywoman", "person"), ("lighthouse-keeper", "person"),
        ("giant", "person"), ("heron", "animal"), ("otter", "animal"), ("oak", "plant"), ("harbour", "place"),
        ("kitchen", "place"), ("market", "place"), ("lamp", "thing"), ("letter", "thing"), ("shoulder", "body"),
        ("cardigan", "garment"), ("soup", "food"), ("storm", "weather"), ("evening", "time"), ("silence", None),
        ("idea", None), ("xyzzy", None),
    ],
)  # fmt: skip
def test_a_noun_names_what_a_reader_takes_it_for(noun: str, sort: str | None) -> None:
    assert sort_of(noun) == sort


@pytest.mark.parametrize("noun", ["way", "side", "part", "thing", "world", "one", "kind"])
def test_words_that_name_nothing_to_be_seen_are_none(noun: str) -> None:
    assert sort_of(noun) is None
