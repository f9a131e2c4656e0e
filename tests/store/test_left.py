"""What services told of how many pieces are left: kept until it renews, over all processes."""

from datetime import UTC, datetime, timedelta


def test_what_is_left_holds_until_it_renews(stack) -> None:
    plugged, soon = stack.shop.plugged, datetime.now(UTC) + timedelta(hours=2)
    assert plugged.left("night-pen") is None
    plugged.note_left("night-pen", 40, soon)
    plugged.note_left("night-pen", 39, soon)
    assert plugged.left("night-pen") == (39, 40, soon), (
        "the most there ever was is how many there are"
    )
    assert plugged.left("other-pen") is None
    plugged.note_left("night-pen", 0, datetime.now(UTC) - timedelta(seconds=1))
    assert plugged.left("night-pen") is None, "it has renewed"
