"""In which order the queue takes what runs ask for."""

from typing import Any

import pytest

from cutreel.jobs import runner


def test_what_somebody_waits_for_goes_before_the_next_segment_of_a_film(monkeypatch: pytest.MonkeyPatch) -> None:
    """The queue takes the larger number first (procrastinate's documentation of priorities)."""
    asked: list[dict[str, Any]] = []

    class Recorder:
        def defer(self, task: str, **how: Any) -> None:
            asked.append({"task": task, **how})

    monkeypatch.setattr(runner, "door", Recorder())
    kinds = ["segment", "picture", "mix", "speech", "join", "retouch", "enlarge"]
    runner._defer(enumerate(kinds))
    assert [a["item"] for a in asked] == list(range(len(kinds)))
    priority = {kinds[a["item"]]: a["priority"] for a in asked}
    film = {"segment", "mix", "join"}
    assert max(priority[k] for k in film) < min(p for k, p in priority.items() if k not in film)
