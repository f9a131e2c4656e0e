"""A night shift at a petrol station. Nobody prepared this story; what stands here was read wrongly at first: who drove away took
the film along in his car, and a sign above a roof put everybody on it."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

SHIFT = """I took the night shift at the petrol station on Route 40.

My manager was a heavy man named Dale with a grey cardigan. On my first night he gave me a ring of keys and a list.

"You will know when you need it," he said, and drove away.

Truckers came in for cigarettes. A girl in a green raincoat bought a chocolate bar every night and never said a word.

One night in November the snow began to fall. By midnight the forecourt was white.

I stood behind the counter. The car's door opened by itself.

I saw the girl in the green raincoat. She was standing between the pumps, and she was pointing at the sign above the roof.

The sign was flickering.

When I looked down the car was gone.

In the morning Dale came back and found me sitting on the kerb, wrapped in a blanket.
"""


@pytest.fixture(scope="module")
def shift() -> ReadFilm:
    return film_of(SHIFT)


@pytest.mark.parametrize(
    ("words", "place"),
    [
        ("drove away", "a petrol station"),
        ("Truckers", "a petrol station"),
        ("forecourt", "a petrol station"),
        ("behind the counter", "a petrol station"),
        ("above the roof", "a petrol station"),
        ("looked down", "a petrol station"),
        ("on the kerb", "a town street"),
    ],
)
def test_where_it_is(shift, words: str, place: str) -> None:
    assert shot_with(shift, words).facts.place == place


@pytest.mark.parametrize(
    ("words", "shown"),
    [
        ("Truckers", "truckers come in"),
        ("The car's door", "the car’s door opens"),
        ("flickering", "the sign"),
    ],
)
def test_what_is_seen(shift, words: str, shown: str) -> None:
    assert any(shown in idea.action for idea in shot_with(shift, words).facts.ideas)


def test_who_is_wrapped_up_is_not_who_finds_them(shift) -> None:
    ideas = shot_with(shift, "on the kerb").facts.ideas
    assert not any("Dale wraps" in idea.action or "wraps in" in idea.action for idea in ideas)
