"""The client of the service protocol against a server that misbehaves in every way there is."""

import hashlib
import json
from collections.abc import Callable
from typing import Any

import httpx
import pytest

from cutreel.protocol import JobView, SoundInput
from cutreel.services import ServiceDown, ServiceRefused, Services

WORK = SoundInput(prompt="wind", seconds=1)
DATA = b"sound"
NAME = hashlib.sha256(DATA).hexdigest()
DONE = {
    "id": "j",
    "state": "done",
    "cost": "0.002",
    "results": [{"name": "s", "media_type": "audio/flac", "sha256": NAME, "size": 5}],
}


class Scripted:
    """A service that answers as the test says; it notes what it was asked."""

    def __init__(
        self, answer: Callable[[str, str, int], Any], monkeypatch: pytest.MonkeyPatch
    ) -> None:
        self.asked: list[tuple[str, str]] = []
        self.keys: set[str] = set()
        self.answer = answer
        monkeypatch.setattr("cutreel.services.client.time.sleep", lambda seconds: None)

    def client(self, patience: float = 5.0) -> Services:
        services = Services("http://services.test", patience)
        services._http = httpx.Client(
            base_url="http://services.test", transport=httpx.MockTransport(self._handle)
        )
        return services

    def _handle(self, request: httpx.Request) -> httpx.Response:
        self.asked.append((request.method, request.url.path))
        if request.method == "POST":
            self.keys.add(request.headers["Idempotency-Key"])
        if request.url.path.startswith("/results/"):
            body = self.answer("GET", "/results", len(self.asked))
            return httpx.Response(200, content=iter([body if isinstance(body, bytes) else DATA]))
        said = self.answer(request.method, request.url.path, len(self.asked))
        if isinstance(said, Exception):
            raise said
        if isinstance(said, int):
            return httpx.Response(said, content=iter([b"no"]))
        return httpx.Response(200, content=iter([json.dumps(said).encode()]))


def refused(code: str) -> dict[str, Any]:
    return {
        "id": "j",
        "state": "refused",
        "refusal": {"code": code, "message": "because", "renews_at": "2026-01-02T00:00:00Z"},
    }


def test_a_job_is_seen_through(monkeypatch) -> None:
    seen: list[float] = []
    states = iter(
        [{"id": "j", "state": "queued"}, {"id": "j", "state": "running", "progress": 0.5}, DONE]
    )
    service = Scripted(
        lambda method, path, n: next(states) if path != "/results" else DATA, monkeypatch
    )
    done = service.client().do("sound-maker", WORK, "key-12345678", progress=seen.append)
    assert done is not None and done.files[0][1] == DATA and str(done.cost) == "0.002"
    assert service.keys == {"key-12345678"} and 0.5 in seen


def test_what_may_be_tried_again_is_with_the_same_key(monkeypatch) -> None:
    service = Scripted(lambda method, path, n: refused("try-again") if n < 4 else DONE, monkeypatch)
    assert service.client().do("sound-maker", WORK, "key-12345678") is not None
    assert service.keys == {"key-12345678"} and service.asked.count(("POST", "/jobs")) == 4


def test_it_gives_up_in_words(monkeypatch) -> None:
    with pytest.raises(ServiceRefused, match="failed 6 times: because"):
        Scripted(lambda method, path, n: refused("try-again"), monkeypatch).client().do(
            "sound-maker", WORK, "key-12345678"
        )


@pytest.mark.parametrize(
    ("code", "advice"),
    [
        ("over-cap", "Shorten"),
        ("out-of-quota", "renews at 00:00"),
        ("refused-content", "another way"),
        ("bad-request", "another offer"),
    ],
)
def test_refusals_are_final_and_say_what_to_do(monkeypatch, code: str, advice: str) -> None:
    service = Scripted(lambda method, path, n: refused(code), monkeypatch)
    with pytest.raises(ServiceRefused) as caught:
        service.client().do("sound-maker", WORK, "key-12345678")
    assert advice in caught.value.advice and len(service.asked) == 1


def test_a_result_that_is_not_what_was_announced_is_not_taken(monkeypatch) -> None:
    service = Scripted(
        lambda method, path, n: b"other" if path == "/results" else DONE, monkeypatch
    )
    with pytest.raises(ServiceRefused, match="something else"):
        service.client().do("sound-maker", WORK, "key-12345678")


def test_lost_connections_and_server_errors_are_tried_again(monkeypatch) -> None:
    answers = iter([httpx.ConnectError("no"), 503, httpx.ReadTimeout("slow"), DONE])
    service = Scripted(
        lambda method, path, n: next(answers) if path != "/results" else DATA, monkeypatch
    )
    assert service.client().do("sound-maker", WORK, "key-12345678") is not None


def test_services_that_are_away_are_said_to_be(monkeypatch) -> None:
    with pytest.raises(ServiceDown, match="do not answer"):
        Scripted(lambda method, path, n: httpx.ConnectError("no"), monkeypatch).client().offers()


def test_references_are_given_once_and_only_where_they_are_lacking(monkeypatch) -> None:
    known: set[str] = set()

    def answer(method: str, path: str, count: int) -> Any:
        if path.startswith("/references/"):
            name = path.rsplit("/", 1)[-1]
            if method == "PUT":
                known.add(name)
                return {}
            return {} if name in known else 404
        return DONE if method in ("GET", "POST") else {}

    scripted = Scripted(answer, monkeypatch)
    client = scripted.client()
    files = {NAME: DATA}
    for key in ("a", "b"):
        assert client.do("o", WORK, key, files=files) is not None
    asked = [m for m, path in scripted.asked if path.startswith("/references/")]
    assert asked == ["HEAD", "PUT", "HEAD"]


def test_a_stalled_job_is_cancelled_and_tried_again(monkeypatch) -> None:
    clock = iter(range(0, 10_000, 3))
    monkeypatch.setattr("cutreel.services.client.time.monotonic", lambda: float(next(clock)))
    cancelled: list[str] = []

    def answer(method: str, path: str, n: int) -> Any:
        if method == "DELETE":
            cancelled.append(path)
            return {"id": "j", "state": "cancelled"}
        return DONE if cancelled and method == "POST" else {"id": "j", "state": "running"}

    assert (
        Scripted(answer, monkeypatch).client(10.0).do("sound-maker", WORK, "key-12345678")
        is not None
    )
    assert cancelled == ["/jobs/j"]


def test_cancelling_stops_the_job_at_the_service(monkeypatch) -> None:
    clock = iter(range(0, 10_000))
    monkeypatch.setattr("cutreel.services.client.time.monotonic", lambda: float(next(clock)))
    service = Scripted(
        lambda method, path, n: {
            "id": "j",
            "state": "cancelled" if method == "DELETE" else "running",
        },
        monkeypatch,
    )
    assert (
        service.client(100.0).do("sound-maker", WORK, "key-12345678", cancelled=lambda: True)
        is None
    )
    assert ("DELETE", "/jobs/j") in service.asked


def test_views_carry_their_defaults() -> None:
    view = JobView(id="j", state="queued")
    assert view.results == [] and view.refusal is None and view.progress == 0


def test_a_used_up_quota_says_when_it_renews_and_other_refusals_do_not(monkeypatch) -> None:
    for code, renews in (("out-of-quota", "2026-01-02"), ("refused-content", None)):
        scripted = Scripted(lambda method, path, count, code=code: refused(code), monkeypatch)
        with pytest.raises(ServiceRefused) as caught:
            scripted.client().do("o", WORK, code)
        assert (str(caught.value.renews_at.date()) if caught.value.renews_at else None) == renews
