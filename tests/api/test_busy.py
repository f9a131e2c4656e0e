"""Heavy reads wait for each other; everything else, and health above all, is answered meanwhile."""

import asyncio
import threading
import time

import httpx
import pytest
from fastapi import FastAPI
from fastapi.concurrency import run_in_threadpool

from cutreel.api.busy import HEAVY, FewAtOnce
from cutreel.api.limits import Rate
from cutreel.api.often import NotTooOften

SLOW = "/api/films/f1/preview/v/video.m3u8"


def slow_app(gate: threading.Event, seen: list[int], **bounds: float) -> FastAPI:
    """An application whose heavy reads hold a thread each until the gate opens."""
    app, going, lock = FastAPI(), [0], threading.Lock()

    @app.get(SLOW)
    def slow() -> str:
        with lock:
            going[0] += 1
            seen.append(going[0])
        gate.wait(20)
        with lock:
            going[0] -= 1
        return "there"

    @app.get("/api/films/f1")
    def quick() -> str:
        return "film"

    app.add_middleware(FewAtOnce, **bounds)
    return app


async def asked(app: FastAPI, heavy: int, gate: threading.Event) -> tuple[list[int], float]:
    """The statuses of so many heavy reads at once, and how long a light one took meanwhile."""
    transport = httpx.ASGITransport(app)
    async with httpx.AsyncClient(transport=transport, base_url="http://x", timeout=300) as client:
        going = [asyncio.create_task(client.get(SLOW)) for _ in range(heavy)]
        await asyncio.sleep(0.3)
        began = time.monotonic()
        assert (await client.get("/api/films/f1")).json() == "film"
        took = time.monotonic() - began
        gate.set()
        return [(await task).status_code for task in going], took


def test_more_than_there_are_threads_for_hold_nobody_else_up() -> None:
    gate, seen = threading.Event(), []
    statuses, took = asyncio.run(asked(slow_app(gate, seen), 80, gate))
    assert statuses == [200] * 80, "all are answered in the end"
    # Without the bound the light one waits until the gate opens.
    assert max(seen) <= 16 and took < 5


def test_too_many_in_line_are_told_to_come_again() -> None:
    gate, seen = threading.Event(), []
    app = slow_app(gate, seen, at_once=2, waiting=3)
    statuses, _ = asyncio.run(asked(app, 9, gate))
    assert sorted(statuses) == [200] * 5 + [503] * 4


def test_whoever_waits_too_long_is_told_and_takes_no_turn() -> None:
    gate, seen = threading.Event(), []
    app = slow_app(gate, seen, at_once=1, seconds=0.1)
    statuses, _ = asyncio.run(asked(app, 4, gate))
    assert sorted(statuses) == [200, 503, 503, 503] and seen == [1]
    gate.set()
    statuses, _ = asyncio.run(asked(app, 1, gate))
    assert statuses == [200]


@pytest.mark.parametrize(
    ("path", "heavy"),
    [
        ("/api/films/ab12/preview/v1/segments/x/12.m4s", True),
        ("/api/films/ab12/shots/-3/frames", True),
        ("/api/films/ab12/thumbnail.jpg", True),
        ("/api/films/ab12/worth", True),
        ("/api/films/ab12", False),
        ("/api/films/ab12/runs", False),
        ("/api/health", False),
        ("/api/media/abc.png", False),
    ],
)
def test_which_reads_are_heavy(path: str, heavy: bool) -> None:
    assert bool(HEAVY.match(path)) is heavy


def test_health_answers_while_every_thread_is_taken(client, monkeypatch) -> None:
    app = client.app

    async def both() -> float:
        transport = httpx.ASGITransport(app)
        async with httpx.AsyncClient(
            transport=transport, base_url="http://127.0.0.1:8420", timeout=300
        ) as page:
            gate = threading.Event()
            loop = asyncio.get_running_loop()
            held = [asyncio.create_task(run_in_threadpool(gate.wait, 15)) for _ in range(60)]
            await asyncio.sleep(0.2)
            began = loop.time()
            try:
                assert (await page.get("/api/health")).json()["state"] == "ready"
                return loop.time() - began
            finally:
                gate.set()
                await asyncio.gather(*held)

    assert asyncio.run(both()) < 5


def test_who_asks_too_often_is_told_to_wait_and_nobody_else_is() -> None:
    app = FastAPI()
    for path in ("/api/films/f1", "/api/health"):
        app.get(path)(lambda: "there")
    app.add_middleware(NotTooOften, rate=Rate(20, 60))

    async def asked() -> tuple[list[httpx.Response], int, int]:
        wild, other = (
            httpx.AsyncClient(
                transport=httpx.ASGITransport(app, client=(host, 1)), base_url="http://x"
            )
            for host in ("127.0.0.1", "192.0.2.7")
        )
        async with wild, other:
            answers = [await wild.get("/api/films/f1") for _ in range(30)]
            health = await wild.get("/api/health")
            calm = await other.get("/api/films/f1")
        return answers, health.status_code, calm.status_code

    answers, health, calm = asyncio.run(asked())
    assert [a.status_code for a in answers[:20]] == [200] * 20
    last = answers[-1]
    assert last.status_code == 429 and last.headers["content-type"] == "application/problem+json"
    assert last.json()["detail"] and int(last.headers["retry-after"]) > 0
    assert last.headers["x-content-type-options"] == "nosniff"
    assert (health, calm) == (200, 200)
