"""Films made one after another: what is done next, and when no other is begun; tables of stories."""

from datetime import UTC, datetime, timedelta
from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.errors import BadInput
from cutreel.core.manuscript.formats import StoryRow, looks_like_stories, read_stories
from cutreel.core.spending import Next, OfBatch, next_of, why_not

STATES = st.sampled_from(["waiting", "making", "asking", "made", "failed"])
NOON = datetime(2026, 11, 29, 12, tzinfo=UTC)


@given(st.lists(STATES, max_size=12))
def test_one_is_made_at_a_time_in_order_and_one_that_asks_holds_nobody_up(states) -> None:
    following = next_of([OfBatch(f"f{n}", s) for n, s in enumerate(states)])
    if "making" in states:
        assert following == Next("wait")
    elif "waiting" in states:
        assert following == Next("begin", f"f{states.index('waiting')}")
    else:
        assert following.what == ("wait" if "asking" in states else "done")


@pytest.mark.parametrize(
    ("cost", "spent", "most", "until", "says"),
    [
        ("1", "3", None, None, ""),
        ("1", "3", "4", None, ""),
        ("1.5", "3", "4", None, "costs about 1.50, and 1.00 is left"),
        ("1", "5", "4", None, "0.00 is left"),
        ("0", "4", "4", None, ""),
        ("1", "0", None, NOON + timedelta(hours=1), ""),
        ("1", "0", None, NOON, "time is over"),
    ],
)
def test_none_is_begun_beyond_the_sum_or_the_time(cost, spent, most, until, says) -> None:
    found = why_not(Decimal(cost), Decimal(spent), most and Decimal(most), until, NOON)
    assert (says in found) and bool(found) == bool(says)


TABLE = 'Title;Due;Story\r\nThe lamp;2026-12-24;"It was dark.\nNobody came."\r\n;;Then it was day.\r\nempty;;\r\n'


def test_a_table_of_stories_is_read_in_any_order_of_columns() -> None:
    assert looks_like_stories(TABLE)
    assert read_stories("\ufeff" + TABLE) == [
        StoryRow("The lamp", "It was dark.\nNobody came.", "2026-12-24"),
        StoryRow("", "Then it was day.", ""),
    ]
    tabs = "name\tstory\nA\tIt was so.\n"
    assert read_stories(tabs) == [StoryRow("A", "It was so.", "")]


def test_a_script_in_a_table_is_no_table_of_stories() -> None:
    assert not looks_like_stories("shot,narration,title\n1,It was so.,x\n")
    assert not looks_like_stories("Story, title of a film, and more.\nIt began.")


@pytest.mark.parametrize(
    ("table", "says"),
    [("a,b\n1,2\n", "no column of stories"), ("story,due\nIt was.,soon\n", "is no day")],
)
def test_what_is_no_table_of_stories_says_so(table: str, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        read_stories(table)
