"""Who speaks and who is who, on passages labelled by hand."""

import itertools

import pytest

from cutreel.core.continuity import propose_cast
from cutreel.core.manuscript import read
from cutreel.core.manuscript.names import people_named
from cutreel.core.manuscript.speakers import UNKNOWN
from tests.conftest import STORY
from tests.data.speakers import HELD_OUT, PASSAGES, Passage


def same(found: str, wanted: str) -> bool:
    """Whether two ways of calling somebody are the same: one is a part of the other, articles and titles aside."""
    one, other = (
        {w for w in n.lower().removeprefix("the ").split(" ") if not w.endswith(".")}
        for n in (found, wanted)
    )
    return one <= other or other <= one


def counted(passages: list[Passage]) -> tuple[float, float, list[str]]:
    """Precision and recall of who speaks, and the passages that were not told right."""
    right = given = wanted = 0
    wrong = []
    for source, text, speakers in passages:
        found = [
            None if line.speaker == UNKNOWN else line.speaker
            for line in read(text).lines
            if line.speaker
        ]
        pairs = list(itertools.zip_longest(found, speakers))
        good = sum(bool(f and w and same(f, w)) for f, w in pairs)
        right += good
        given += sum(f is not None for f in found)
        wanted += sum(w is not None for w in speakers)
        if any((f is None) != (w is None) or (f and w and not same(f, w)) for f, w in pairs):
            wrong.append(f"{source}: {text[:50]}")
    return right / given, right / wanted, wrong


def test_who_speaks_is_told_on_labelled_passages(capsys: pytest.CaptureFixture[str]) -> None:
    precision, recall, wrong = counted(PASSAGES)
    held_precision, held_recall, held_wrong = counted(HELD_OUT)
    with capsys.disabled():
        print(
            f"\n  who speaks, {len(PASSAGES)} passages: precision {precision:.3f}, recall {recall:.3f}"
        )
        print(
            f"  of {len(HELD_OUT)} held out: precision {held_precision:.3f}, recall {held_recall:.3f}"
        )
        for line in wrong + held_wrong:
            print("    not right: " + " ".join(line.split()))
    assert len(PASSAGES) >= 60
    assert precision >= 0.95 and recall >= 0.90
    assert held_precision >= 0.85 and held_recall >= 0.85


def test_the_sample_story() -> None:
    lines = [line for line in read(STORY).lines if line.speaker]
    assert {line.speaker for line in lines} >= {"Maren Oake", "Pip", "the boy"}
    assert all(line.why for line in lines)


def test_names_places_and_pronouns() -> None:
    figures = {f.name: f for f in people_named(STORY)}
    assert figures["Maren Oake"].kind == "person" and figures["Maren Oake"].pronoun == "she"
    assert "Maren" in figures["Maren Oake"].aliases
    assert figures["the heron"].kind == "animal"
    assert "Saltmere" not in {
        p.name
        for p in propose_cast(
            read("He went to Saltmere. She left Saltmere. In Saltmere it rained.")
        )
    }


def test_proposed_traits_are_the_same_every_time_and_say_they_are_guesses() -> None:
    one, other = propose_cast(read(STORY)), propose_cast(read(STORY + "\nThe end.\n"))
    assert [p.traits for p in one] == [p.traits for p in other]
    assert all(p.guess and p.why for p in one)


def test_quoted_titles_are_not_speech() -> None:
    assert not any(
        line.speaker for line in read("The boat was called “little wren” by all of them.").lines
    )
