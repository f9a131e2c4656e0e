"""What a service that is written with the kit says it was paid, over a restart."""

from datetime import UTC, datetime, timedelta
from decimal import Decimal
from pathlib import Path

from fastapi.testclient import TestClient

from cutreel.kit import Given, Refuses, Service, app_of
from cutreel.protocol import SoundInput, Statement
from tests.waiting import until

SINCE = (datetime.now(UTC) - timedelta(hours=1)).isoformat()


def service() -> Service:
    made = Service("Foley")

    @made.makes("sound", price="0.02", per="sound")
    def sound(job: SoundInput, given: Given) -> bytes:
        if "thunder" in job.prompt:
            raise Refuses("refused-content", "No thunder.")
        return b"fLaC" + job.prompt.encode()

    return made


def order(client: TestClient, prompt: str, key: str) -> None:
    work = {"kind": "sound", "prompt": prompt, "seconds": 1, "seed": 1}
    body = {"offer": "sound", "input": work}
    job = client.post("/jobs", json=body, headers={"Idempotency-Key": key}).json()["id"]
    until(lambda: client.get(f"/jobs/{job}").json()["state"] in ("done", "refused"), 10)


def stated(client: TestClient, since: str = SINCE) -> dict[str, Decimal]:
    answer = client.get("/statement", params={"since": since})
    assert answer.status_code == 200, answer.text
    return {x.key: x.cost for x in Statement.model_validate_json(answer.content).lines}


def test_what_was_made_is_stated_once_and_what_was_refused_is_not(tmp_path: Path) -> None:
    with TestClient(app_of(service(), tmp_path)) as client:
        for prompt, key in (
            ("wind", "key-wind-1"),
            ("thunder", "key-thunder"),
            ("rain", "key-rain-1"),
        ):
            order(client, prompt, key)
        order(client, "wind", "key-wind-1")
        assert stated(client) == {"key-wind-1": Decimal("0.02"), "key-rain-1": Decimal("0.02")}
        later = (datetime.now(UTC) + timedelta(minutes=1)).isoformat()
        assert stated(client, later) == {}
        assert client.get("/statement?since=yesterday").status_code == 422
        assert client.get("/statement?since=2026-11-01T00:00:00").status_code == 422, "no zone"
    with TestClient(app_of(service(), tmp_path)) as client:
        assert set(stated(client)) == {"key-wind-1", "key-rain-1"}, "over a restart"


def test_only_who_has_the_key_is_told(tmp_path: Path) -> None:
    with TestClient(app_of(service(), tmp_path, key="sk-1")) as client:
        assert client.get("/statement", params={"since": SINCE}).status_code == 401
        known = {"Authorization": "Bearer sk-1"}
        assert client.get("/statement", params={"since": SINCE}, headers=known).status_code == 200
