"""What is told of a sequence that changed: pieces that make the newer of the older, and nothing of what stayed."""

from hypothesis import given
from hypothesis import strategies as st

from cutreel.api.film_state import pieces

POOL = [object() for _ in range(9)]
some = st.lists(st.sampled_from(POOL), unique=True)


@given(some, some)
def test_pieces_put_in_from_the_last_on_make_the_newer_of_the_older(old, new) -> None:
    made = list(old)
    for piece in reversed(pieces(old, new)):
        made[piece.at : piece.at + piece.remove] = piece.insert
    assert made == new


def test_what_stays_between_two_changes_is_not_told() -> None:
    old, first, last = [object() for _ in range(1000)], object(), object()
    new = [first, *old[1:], last]
    told = [(p.at, p.remove, p.insert) for p in pieces(old, new)]
    assert told == [(0, 1, [first]), (1000, 0, [last])]
    assert pieces(old, list(old)) == []
