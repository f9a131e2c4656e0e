"""The conformance run: the example of our documentation keeps every rule, and each of seventeen faults that are planted in
it is found, by the rule that it breaks."""

import hashlib
import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import httpx
import pytest
from fastapi.testclient import TestClient

from cutreel.bridge import check_service
from cutreel.kit import app_of
from cutreel.service_commands import service_in

EXAMPLE = Path(__file__).parents[2] / "docs/examples/lantern.py"
Fault = Callable[[str, str, httpx.Response], httpx.Response]


def told(answer: httpx.Response, data: Any, status: int | None = None) -> httpx.Response:
    return httpx.Response(
        status or answer.status_code, content=json.dumps(data).encode(), request=answer.request
    )


class Faulty(TestClient):
    """The example as a client reaches it, with one fault planted between."""

    fault: Fault = staticmethod(lambda method, path, answer: answer)

    def request(self, method: str, url: Any, **more: Any) -> httpx.Response:  # type: ignore[override]
        return self.fault(method, str(url), super().request(method, url, **more))


def of_job(change: Callable[[dict[str, Any]], None]) -> Fault:
    """A fault in what is said of jobs."""

    def fault(method: str, path: str, answer: httpx.Response) -> httpx.Response:
        if path.startswith("/jobs") and answer.status_code in (200, 202):
            view = answer.json()
            change(view)
            return told(answer, view)
        return answer

    return fault


def of_offers(change: Callable[[list[dict[str, Any]]], Any]) -> Fault:
    def fault(method: str, path: str, answer: httpx.Response) -> httpx.Response:
        if path != "/offers":
            return answer
        offers = answer.json()
        return told(answer, change(offers) or offers)

    return fault


def _set(**values: Any) -> Callable[[list[dict[str, Any]]], Any]:
    def change(offers: list[dict[str, Any]]) -> None:
        offers[0] |= values

    return change


def _other_bytes(method: str, path: str, answer: httpx.Response) -> httpx.Response:
    return (
        httpx.Response(200, content=answer.content + b"!")
        if path.startswith("/results")
        else answer
    )


def _of_a_done(change: Callable[[dict[str, Any]], None]) -> Fault:
    return of_job(lambda view: change(view) if view["state"] == "done" else None)


def _always_there(prefix: str) -> Fault:
    def fault(method: str, path: str, answer: httpx.Response) -> httpx.Response:
        if path.startswith(prefix) and answer.status_code == 404 and method in ("GET", "HEAD"):
            return told(answer, {"id": "x", "state": "done"}, 200)
        return answer

    return fault


def _new_jobs() -> Fault:
    """The same key is forgotten."""
    count = 0

    def fault(method: str, path: str, answer: httpx.Response) -> httpx.Response:
        nonlocal count
        if method == "POST" and path == "/jobs":
            count += 1
            return told(answer, {**answer.json(), "id": f"job-{count}"})
        if path.startswith("/jobs/job-"):
            return told(answer, {"id": path[6:], "state": "cancelled"}, 200)
        return answer

    return fault


def _back_and_forth() -> Fault:
    """The first looks at a job find it running, however quick it was, and less far each time."""
    seen: dict[str, int] = {}

    def change(view: dict[str, Any]) -> None:
        looks = seen[view["id"]] = seen.get(view["id"], 0) + 1
        if looks < 5 and view["state"] in ("queued", "running", "done"):
            view |= {"state": "running", "progress": 0.8 - looks / 10}

    return of_job(change)


def _never_cancelled(method: str, path: str, answer: httpx.Response) -> httpx.Response:
    return told(answer, {"detail": "no"}, 405) if method == "DELETE" else answer


def _at_last(view: dict[str, Any]) -> None:
    view["state"] = "running" if view["state"] == "done" else view["state"]


def _other_seed() -> Fault:
    """Every second picture is another, whatever the seed."""
    pictures: list[bytes] = []

    def fault(method: str, path: str, answer: httpx.Response) -> httpx.Response:
        if path.startswith("/jobs") and answer.status_code in (200, 202):
            view = answer.json()
            for result in view.get("results", []):
                other = b"\x89PNG\r\n\x1a\n" + view["id"].encode() + bytes(16)
                pictures.append(other)
                result["sha256"] = hashlib.sha256(other).hexdigest()
            return told(answer, view)
        if path.startswith("/results/"):
            found = next((p for p in pictures if hashlib.sha256(p).hexdigest() == path[9:]), None)
            return httpx.Response(200, content=found) if found else answer
        return answer

    return fault


def _forgets_a_job(method: str, path: str, answer: httpx.Response) -> httpx.Response:
    # All but one, whichever comes first: what was given up late may stand among them, and nobody asks for that.
    return told(answer, {"lines": answer.json()["lines"][:1]}) if path == "/statement" else answer


FAULTS: dict[str, tuple[str, Fault]] = {
    "offers that are no list": ("offers", of_offers(lambda offers: {"offers": offers})),
    "an offer without caps": (
        "offers",
        of_offers(lambda offers: [{k: v for k, v in o.items() if k != "caps"} for o in offers]),
    ),
    "a negative price": ("prices", of_offers(_set(price={"amount": "-1", "per": "picture"}))),
    "more left than there is": (
        "quotas",
        of_offers(_set(quota={"limit": 3, "left": 9, "renews_at": "2030-01-01T00:00:00Z"})),
    ),
    "a job that nobody ordered": ("unknown jobs", _always_there("/jobs")),
    "a result that nobody made": ("unknown results", _always_there("/results")),
    "a reference that nobody gave": ("unknown references", _always_there("/references")),
    "the same key made twice": ("same key, same job", _new_jobs()),
    "progress that goes back": ("progress", _back_and_forth()),
    "jobs without end": ("ends", of_job(_at_last)),
    "more paid than promised": ("cost", _of_a_done(lambda view: view.update(cost="5"))),
    "other bytes than announced": ("hashes", _other_bytes),
    "another type than announced": (
        "types",
        _of_a_done(lambda view: view["results"][0].update(media_type="image/webp")),
    ),
    "seeds that are not kept": ("seeds", _other_seed()),
    "no cap that is kept": ("caps", of_offers(_set(caps={"prompt_characters": 40}))),
    "nothing can be given up": ("cancels", _never_cancelled),
    "a statement that lacks a job": ("statement", _forgets_a_job),
}


def client_of(tmp_path: Path, fault: Fault | None = None, key: str = "") -> Faulty:
    client = Faulty(app_of(service_in(EXAMPLE), tmp_path / "lantern", key))
    if fault is not None:
        client.fault = fault
    return client


def test_the_example_of_our_documentation_keeps_every_rule(tmp_path: Path) -> None:
    with client_of(tmp_path) as client:
        report = check_service(client, patience=10)
    broken = [f for f in report.findings if not f.ok]
    assert not broken, broken
    rules = {f.rule for f in report.findings}
    assert {rule for rule, _ in FAULTS.values()} - {"progress"} <= rules
    assert [o.kind for o in report.offers] == ["picture", "sound", "speech"]
    # Two pictures for the seed, one that is given up, a sound, a line, and theirs: a few cents at most.
    assert 0 < report.spent < 0.05
    assert len(EXAMPLE.read_text().splitlines()) < 70


@pytest.mark.parametrize(
    "name",
    # Whoever never ends is waited for.
    [pytest.param(n, marks=[pytest.mark.long] if n == "jobs without end" else []) for n in FAULTS],
)
def test_every_planted_fault_is_found(tmp_path: Path, name: str) -> None:
    rule, fault = FAULTS[name]
    with client_of(tmp_path, fault) as client:
        report = check_service(client, patience=8)
    assert rule in {f.rule for f in report.findings if not f.ok}, report.findings


def test_a_key_that_is_asked_for_and_not_sent_is_said(tmp_path: Path) -> None:
    with client_of(tmp_path, key="only-friends") as client:
        report = check_service(client)
        assert not report.ok and "key" in report.findings[0].says
        client.headers["Authorization"] = "Bearer only-friends"
        assert check_service(client, patience=10).ok
