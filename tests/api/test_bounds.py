"""Whatever is sent is bounded before it is read, and refused in words while it arrives."""

import json
import time
from collections.abc import Iterator

import pytest

from cutreel.api.bounds import USUAL, Bound, Refused, bound_of, checked_json
from tests.proportion import in_proportion


def refused(answer) -> str:
    assert answer.status_code == 413, answer.text
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["status"] == 413 and problem["title"]
    return problem["detail"]


def test_a_body_that_states_too_much_is_refused_unread(client, film) -> None:
    said = client.post(f"/api/films/{film['id']}/runs", content=b"x" * (USUAL.bytes + 1))
    assert "bytes are taken" in refused(said)


def test_a_body_that_states_nothing_is_refused_on_the_way(client, film) -> None:
    sent = 0

    def endless() -> Iterator[bytes]:
        nonlocal sent
        while sent < 200_000_000:
            sent += 1_000_000
            yield b'["' + b"x" * 999_996 + b'"]'

    answer = client.post(f"/api/films/{film['id']}/changes", content=endless())
    assert "bytes are taken" in refused(answer)


@pytest.mark.parametrize(
    ("body", "words"),
    [
        (b"[" + b"1," * 1_000_000 + b"1]", "more than 20,000 values"),
        (b"[" * 100_000, "deep in each other"),
        (b'{"a":' * 5_000 + b"1" + b"}" * 5_000, "deep in each other"),
        (b'{"command":{"type":"set shots","shots":[' + b"{}," * 60_000 + b"{}]}}", "values"),
    ],
)
def test_a_body_of_too_many_values_is_refused_at_once(
    client, film, body: bytes, words: str
) -> None:
    begun = time.monotonic()
    answer = client.post(
        f"/api/films/{film['id']}/changes",
        content=body,
        headers={"content-type": "application/json"},
    )
    assert words in refused(answer) and time.monotonic() - begun < 5


def test_marks_inside_of_texts_do_not_count(client) -> None:
    """A long story is full of commas and brackets, and is taken."""
    text = "“Row, Bram, row,” said Ada, [softly], {again}, and again. " * 6_000
    checked_json(json.dumps({"text": text}).encode(), Bound(7_000_000))
    with pytest.raises(Refused):
        checked_json(json.dumps([text] * 3 + [[]] * 20_001).encode(), Bound(7_000_000))


@pytest.mark.parametrize("piece", [b'"\\"', b"[", b'"', b"\\", b",{"])
def test_looking_a_body_over_takes_time_in_proportion(piece: bytes) -> None:
    def seconds(count: int) -> float:
        begun = time.process_time()
        checked_json(piece * count, Bound(10**9, values=10**9, depth=10**9))
        return time.process_time() - begun

    in_proportion(seconds, 100_000)


def test_every_route_that_takes_a_file_has_a_bound_of_its_own(client) -> None:
    paths = client.get("/api/openapi.json").json()["paths"]
    for path, methods in paths.items():
        for method in methods.values():
            if "multipart/form-data" in method.get("requestBody", {}).get("content", {}):
                plain = path.replace("{film}", "f").replace("{take}", "t").replace("{shot}", "1")
                plain = plain.replace("{line}", "0").replace("{service}", "s")
                assert bound_of(plain) != USUAL, path


def test_validation_says_the_first_fault(client, film) -> None:
    answer = client.post(
        f"/api/films/{film['id']}/runs", json={"kind": "pictures", "shots": ["x"] * 9_000}
    )
    assert answer.status_code == 422 and len(answer.content) < 600
