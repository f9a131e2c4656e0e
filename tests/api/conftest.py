"""The web application over the running stack."""

import itertools
from collections.abc import Callable, Iterator
from typing import Any

import httpx
import pytest
from fastapi.testclient import TestClient

from cutreel.api import create_app
from cutreel.making import is_warm
from cutreel.running.temporary import Temporary
from tests.page import Page
from tests.waiting import until

SEEDS = itertools.count(100)
STORY = "The lamp was dark. “We must row,” said Ada. Ada took the oars. Bram held the lantern, and Bram laughed.\n"


@pytest.fixture(scope="session")
def client(stack: Temporary) -> Iterator[Page]:
    with TestClient(create_app(stack.shop, None), base_url="http://127.0.0.1:8420") as test_client:
        until(is_warm, 240)  # a story is read at once, and not a moment later
        yield Page(test_client)


@pytest.fixture
def services(stack: Temporary) -> Iterator[Callable[..., None]]:
    """Sets how the services misbehave; they behave again after the test."""

    def misbehave(**how: Any) -> None:
        httpx.put(stack.services + "/simulation", json=how).raise_for_status()
        stack.shop.ask_again()

    yield misbehave
    misbehave()


@pytest.fixture
def film(client: TestClient) -> dict[str, Any]:
    """A new film of a short story, with a seed of its own: what was once made for one film is not made again."""
    settings = {"pace": 3, "music": "none", "seed": next(SEEDS)}
    answer = client.post(
        "/api/films", json={"title": "Dark lamp", "text": STORY, "settings": settings}
    )
    assert answer.status_code == 201, answer.text
    return answer.json()


@pytest.fixture(scope="session")
def finished(client: TestClient) -> Callable[[str, str], dict[str, Any]]:
    """Waits until a run of a film has ended."""

    def wait(film: str, run: str) -> dict[str, Any]:
        def ended() -> dict[str, Any] | None:
            found = next(r for r in client.get(f"/api/films/{film}/runs").json() if r["id"] == run)
            return found if found["state"] != "going" else None

        return until(ended, 240)  # beside other tests, on two slow cores

    return wait


@pytest.fixture
def spoken(client, film, finished) -> dict:
    started = client.post(f"/api/films/{film['id']}/runs", json={"kind": "speech"}).json()
    run = finished(film["id"], started["id"])
    assert run["state"] == "done" and not run["failures"], run
    return client.get(f"/api/films/{film['id']}").json()


def settings(name: str, reached: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {"id": name, "title": name.title(), "own_network": True, "reached": reached, **more}


@pytest.fixture
def plugged(client, stack: Temporary) -> Iterator[Any]:
    """Plugs something in for one test."""
    names: list[str] = []

    def plug(name: str, reached: dict[str, Any], key: str | None = None, **more: Any) -> Any:
        answer = client.post(
            "/api/services", json={"settings": settings(name, reached, **more), "key": key}
        )
        if answer.status_code == 201:
            names.append(name)
        return answer

    yield plug
    for name in names:
        client.delete(f"/api/services/{name}")
    stack.shop.ask_again()
