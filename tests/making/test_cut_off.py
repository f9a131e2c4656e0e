"""A worker that is cut off from the database while it looks for work goes on; one that never gets there says so and ends."""

import pytest
from procrastinate.exceptions import ConnectorException

from cutreel.making import worker


@pytest.fixture
def cuts(monkeypatch) -> list[int]:
    """How often a worker is cut off before it is told to stop; the first entry counts down."""
    left = [0, 0]

    async def work(shop: object) -> None:
        left[1] += 1
        if left[0] > 0:
            left[0] -= 1
            raise ConnectorException

    monkeypatch.setattr(worker, "run_worker", work)
    monkeypatch.setattr(worker, "workshop_from_environment", lambda: None)
    monkeypatch.setattr(worker.time, "sleep", lambda seconds: None)
    return left


def test_a_worker_that_was_cut_off_goes_on(cuts: list[int]) -> None:
    cuts[0] = 3
    worker.main()
    assert cuts == [0, 4]


def test_a_worker_that_is_cut_off_at_once_each_time_ends(cuts: list[int]) -> None:
    cuts[0] = 99
    with pytest.raises(ConnectorException):
        worker.main()
    assert cuts[1] == worker.MOST_TRIES + 1
