"""Whatever is sent, the server answers in words: requests made up from its own description (OpenAPI), and odd ones.

`CUTREEL_FUZZ` says how many requests are made up for each route; a few here, thousands by hand.
"""

import os
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from functools import partial
from typing import Any

import httpx
import hypothesis
import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, settings

from cutreel.making import take_out
from cutreel.running.temporary import Temporary

EACH = int(os.environ.get("CUTREEL_FUZZ", "3"))
SECONDS = 300
"""Within which everything is answered, beside other tests on two slow cores: what opens files may begin just then."""
SENT = ("method", "url", "params", "headers", "json", "data", "content", "files")
IN_WORDS = {502, 503}
"""Answers of 500 and more that are meant: a service refused, or is away."""
HOW = settings(
    max_examples=EACH,
    database=None,
    derandomize=EACH < 10,
    phases=[Phase.generate],
    suppress_health_check=list(HealthCheck),
)
NEVER_ENDING = ("/events",)
OTHERS = ("/api/batches", "/api/limits", "/api/choices", "/api/currency", "/api/told")
"""What would change what the tests after this one may do."""


@pytest.fixture(autouse=True, scope="module")
def _nothing_stays_plugged_in(stack: Temporary) -> Iterator[None]:
    """What was made up may be a maker that can be plugged in."""
    yield
    for kept in stack.shop.plugged.all():
        take_out(stack.shop, str(kept.settings["id"]))
    stack.shop.ask_again()


@pytest.fixture(scope="module")
def its_film(client) -> str:
    text = "The lamp was dark. “Who is there?” said Bram. Ada took the oars and rowed.\n"
    return client.post("/api/films", json={"title": "Odd", "text": text}).json()["id"]


def complaint(answer: Any) -> str:
    """What is wrong with an answer; empty where it is one that a page can tell."""
    if answer.status_code >= 500 and answer.status_code not in IN_WORDS:
        return f"{answer.status_code}: {answer.text[:200]}"
    if answer.status_code >= 400:
        kind = answer.headers.get("content-type", "")
        if not kind.startswith("application/problem+json"):
            return f"{answer.status_code} as {kind}"
        if not answer.json().get("title"):
            return f"{answer.status_code} without a title"
    lacks = {"content-security-policy", "x-content-type-options"} - set(answer.headers)
    return f"without {lacks}" if lacks else ""


def made_up(operation: Any, ask: Callable[[Any], None]) -> None:
    """Ask what is made up for an operation."""

    @HOW
    @hypothesis.given(case=operation.as_strategy())
    def each(case: Any) -> None:
        ask(case)

    each()


@pytest.mark.long
@pytest.mark.timeout(1800)
def test_requests_made_up_from_the_description(client, its_film: str) -> None:
    complaints: dict[str, str] = {}
    made = 0

    def ask(name: str, case: Any) -> None:
        nonlocal made
        made += 1
        if "film" in (case.path_parameters or {}):
            case.path_parameters["film"] = its_film
        asked = case.as_transport_kwargs(base_url="http://127.0.0.1:8420")
        asked = {k: v for k, v in asked.items() if k in SENT}
        try:
            answer = pool.submit(client._client.request, **asked).result(SECONDS)
        except TimeoutError:
            complaints[name] = f"no answer within {SECONDS} seconds"
            return
        if said := complaint(answer):
            complaints[name] = said

    with ThreadPoolExecutor(4) as pool:
        for found in schemathesis.openapi.from_dict(client.app.openapi()).get_all_operations():
            operation = found.ok()
            ends, changes = operation.path.endswith(NEVER_ENDING), operation.method != "get"
            if ends or (changes and operation.path.startswith(OTHERS)):
                continue
            name = f"{operation.method.upper()} {operation.path}"
            made_up(operation, partial(ask, name))
    assert complaints == {} and made >= 100 * min(EACH, 3)


ODD = [
    ("GET", "/api/films/\0", {}, b""),
    ("GET", "/api/films/" + "a" * 9_000, {}, b""),
    ("GET", "/api/films/%ED%A0%80", {}, b""),
    ("GET", "/api/media/..%2F..%2Fetc%2Fpasswd", {}, b""),
    ("GET", "/api/media/" + "0" * 64 + ".png", {"Range": "bytes=99-1,0-²"}, b""),
    ("POST", "/api/films", {}, b'{"title": "\\ud800", "text": "The lamp was dark."}'),
    ("POST", "/api/films", {}, b'{"title": "\\u0000", "text": "The lamp \\u0000 was dark."}'),
    ("POST", "/api/films", {}, b'{"title": "a", "text": "\\udfff\\ud800 was dark."}'),
    ("POST", "/api/films", {}, b"\xff\xfe"),
    ("POST", "/api/films", {}, b"[" * 100_000),
    ("POST", "/api/films", {"Content-Length": "²"}, b"{}"),
    ("POST", "/api/films", {"Content-Type": "multipart/form-data; boundary=\xff"}, b"--\xff"),
    ("POST", "/api/archives", {"Content-Type": "multipart/form-data"}, b"x"),
    ("PUT", "/api/films", {}, b"{}"),
    ("TRACE", "/api/films", {}, b""),
    ("GET", "/api/films", {"Host": "\xff\xff"}, b""),
    ("GET", "/api/films", {"Cookie": "cutreel-0=\xe9; =; ;;"}, b""),
    ("GET", "/?key=\xff", {}, b""),
    ("POST", "/api/films", {"Sec-Fetch-Site": "cross-site"}, b"{}"),
]


@pytest.mark.parametrize(("method", "path", "headers", "body"), ODD)
def test_odd_requests(client, method: str, path: str, headers: dict[str, str], body: bytes) -> None:
    sent = {k: v.encode("utf-8", "surrogateescape") for k, v in headers.items()}
    if method == "POST" and "Content-Type" not in headers:
        sent["Content-Type"] = b"application/json"
    try:
        answer = client._client.request(method, path, headers=sent, content=body)
    except (ValueError, UnicodeError, httpx.InvalidURL) as error:
        pytest.skip(f"the client itself does not send that: {error}")
    assert complaint(answer) == ""
