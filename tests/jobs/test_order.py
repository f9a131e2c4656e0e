"""Which queue takes what runs ask for."""

from typing import Any

import pytest

from cutreel.jobs import runner
from cutreel.jobs.queue import COMPUTING, SERVICES


def test_what_waits_for_services_does_not_stand_behind_what_is_computed(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    asked: list[dict[str, Any]] = []

    class Recorder:
        def defer(self, task: str, **how: Any) -> None:
            asked.append({"task": task, **how})

    monkeypatch.setattr(runner, "door", Recorder())
    kinds = ["segment", "picture", "mix", "speech", "join", "retouch", "enlarge"]
    runner._defer(enumerate(kinds))
    assert [a["item"] for a in asked] == list(range(len(kinds)))
    queues = {kinds[a["item"]]: a["queue"] for a in asked}
    assert {k for k, q in queues.items() if q == COMPUTING} == {"segment", "mix", "join"}
    assert {k for k, q in queues.items() if q == SERVICES} == {
        "picture",
        "speech",
        "retouch",
        "enlarge",
    }
