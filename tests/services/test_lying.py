"""A service may answer anything: it is refused in words, never believed, never followed, and never held whole."""

import gzip
import hashlib
import json
import tracemalloc
from collections.abc import Callable, Iterator
from typing import Any

import httpx
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from cutreel.core.errors import CutReelError
from cutreel.protocol import SoundInput
from cutreel.services import ServiceDown, ServiceRefused, Services

WORK = SoundInput(prompt="wind", seconds=1)
DATA = b"sound"
NAME = hashlib.sha256(DATA).hexdigest()
FILE = {"name": "s", "media_type": "audio/flac", "sha256": NAME, "size": 5}
DONE = {"id": "j", "state": "done", "cost": "0.002", "results": [FILE]}


@pytest.fixture(autouse=True)
def _no_pauses(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("cutreel.services.client.TRIES", 2)
    monkeypatch.setattr("cutreel.services.client.time.sleep", lambda seconds: None)


def that(answers: Callable[[httpx.Request], httpx.Response]) -> Services:
    transport = httpx.MockTransport(answers)
    client = httpx.Client(base_url="http://services.test", transport=transport)
    return Services("http://services.test", client=client)


def streamed(told: Any) -> httpx.Response:
    return httpx.Response(200, content=iter([json.dumps(told).encode()]))


def saying(told: Any) -> Services:
    body = told if isinstance(told, bytes) else json.dumps(told).encode()
    return that(lambda request: httpx.Response(200, content=iter([body])))


def asked_for(service: Services) -> Any:
    return service.do("sound-maker", WORK, "key-12345678")


ANYTHING = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=20),
    lambda inner: (
        st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=8), inner, max_size=4)
    ),
    max_leaves=12,
)
HARD = settings(max_examples=300, suppress_health_check=[HealthCheck.function_scoped_fixture])


@HARD
@given(ANYTHING | st.binary(max_size=60))
def test_whatever_it_says_instead_of_offers_is_refused_in_words(told: Any) -> None:
    if told == []:
        return
    with pytest.raises(ServiceRefused) as caught:
        saying(told).offers()
    assert "no list of offers" in caught.value.message


@HARD
@given(ANYTHING | st.fixed_dictionaries({}, optional=dict.fromkeys(DONE, ANYTHING)))
def test_whatever_it_says_instead_of_a_job_is_refused_in_words(told: Any) -> None:
    try:
        asked_for(saying(told))
    except CutReelError as error:
        assert error.message
    else:
        raise AssertionError("it was taken")


@pytest.mark.parametrize("cost", ["-0.01", "NaN", "Infinity", "-Infinity", "much"])
def test_a_cost_that_is_none_is_refused(cost: str) -> None:
    with pytest.raises(ServiceRefused, match="no job: cost"):
        asked_for(saying(DONE | {"cost": cost}))


@pytest.mark.parametrize("status", [301, 302, 303, 307, 308])
def test_it_sends_nobody_elsewhere(status: int) -> None:
    asked: list[str] = []

    def answers(request: httpx.Request) -> httpx.Response:
        asked.append(str(request.url))
        return httpx.Response(
            status, headers={"Location": "http://169.254.1.1/secrets"}, content=iter([])
        )

    with pytest.raises(ServiceRefused, match=str(status)):
        that(answers).offers()
    assert asked == ["http://services.test/offers"]


@pytest.mark.parametrize(
    "name", ["../../etc/passwd", "a" * 63, "A" * 64, NAME + "/..", "", "\0" * 64]
)
def test_a_file_is_named_by_its_hash_or_not_asked_for(name: str) -> None:
    asked: list[str] = []

    def answers(request: httpx.Request) -> httpx.Response:
        asked.append(request.url.raw_path.decode())
        return streamed(DONE | {"results": [FILE | {"sha256": name}]})

    with pytest.raises(ServiceRefused, match="named a file that is none"):
        asked_for(that(answers))
    assert asked == ["/jobs"]


def test_an_id_stays_one_part_of_the_address() -> None:
    asked: list[str] = []

    def answers(request: httpx.Request) -> httpx.Response:
        asked.append(request.url.raw_path.decode())
        state = "running" if request.method == "POST" else "refused"
        return streamed({"id": "../offers?x=1#y", "state": state})

    with pytest.raises(ServiceRefused):
        asked_for(that(answers))
    assert "/jobs/..%2Foffers%3Fx%3D1%23y" in asked


def endless(block: bytes) -> Iterator[bytes]:
    while True:
        yield block


@pytest.mark.parametrize("packed", [False, True])
def test_an_answer_without_end_is_given_up(packed: bool) -> None:
    """Also one that is small until it is unpacked (RFC 1952): a member of zeros, for ever again."""
    zeros = bytes(1 << 20)
    headers = {"Content-Encoding": "gzip"} if packed else {}
    body = [gzip.compress(zeros * 64)] if packed else endless(zeros)
    service = that(lambda request: httpx.Response(200, headers=headers, content=iter(body)))
    tracemalloc.start()
    try:
        with pytest.raises(ServiceRefused, match="longer than 5 megabytes"):
            service.offers()
        _, most = tracemalloc.get_traced_memory()
    finally:
        tracemalloc.stop()
    assert most < 30_000_000, "it was never held whole"


def test_an_answer_may_be_packed_and_unpacks_to_what_it_was() -> None:
    body = gzip.compress(json.dumps([]).encode() + b" " * 100_000)
    parts = [body[i : i + 7] for i in range(0, len(body), 7)]
    for name, right in [("gzip", True), ("br", False), ("gzip, gzip", False)]:
        headers = {"Content-Encoding": name}
        service = that(lambda r, h=headers: httpx.Response(200, headers=h, content=iter(parts)))
        if right:
            assert service.offers() == []
        else:
            with pytest.raises(ServiceRefused, match="is packed as"):
                service.offers()


def test_an_answer_that_drips_is_given_up(monkeypatch: pytest.MonkeyPatch) -> None:
    clock = iter(range(0, 100_000, 10))
    monkeypatch.setattr("cutreel.services.bounded.time.monotonic", lambda: float(next(clock)))
    service = that(lambda request: httpx.Response(200, content=endless(b" ")))
    with pytest.raises(ServiceRefused, match="not all there within 120 seconds"):
        service.offers()


def test_one_that_is_broken_for_good_is_waited_for(monkeypatch: pytest.MonkeyPatch) -> None:
    service = that(lambda request: httpx.Response(500, content=iter([b"<html>oh</html>"])))
    with pytest.raises(ServiceDown):
        service.offers()
