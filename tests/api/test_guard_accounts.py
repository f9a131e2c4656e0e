"""Whose a connection is, as the kernel tells; a program is plugged in by our own account alone."""

import os
import socket
from pathlib import Path
from types import SimpleNamespace

import pytest
from fastapi import Request

from cutreel.api.guard import OtherAccount, PageKey, from_own_account, owner_of, same_account


def test_our_own_connection_is_ours() -> None:
    with (
        socket.create_server(("127.0.0.1", 0)) as server,
        socket.create_connection(server.getsockname()) as ours,
    ):
        host, port = ours.getsockname()
        assert owner_of(host, port) == os.getuid()
        same_account(SimpleNamespace(client=SimpleNamespace(host=host, port=port)))  # type: ignore[arg-type]


# As proc_pid_net(5) has it: 127.0.0.1:40000 of the account 4711.
TABLE = """  sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode
   0: 0100007F:20E4 00000000:0000 0A 00000000:00000000 00:00000000 00000000  1000        0 1 1
   1: 0100007F:9C40 0100007F:20E4 01 00000000:00000000 00:00000000 00000000  4711        0 2 1
"""


def test_anothers_is_theirs(tmp_path: Path, monkeypatch) -> None:
    table = tmp_path / "tcp"
    table.write_text(TABLE)
    assert owner_of("127.0.0.1", 40_000, table) == 4711
    assert owner_of("127.0.0.1", 40_001, table) is None
    assert owner_of("127.0.0.1", 40_000, tmp_path / "none") is None
    monkeypatch.setattr("cutreel.api.guard.owner_of", lambda host, port: 4711)
    other = SimpleNamespace(client=SimpleNamespace(host="127.0.0.1", port=40_000))
    with pytest.raises(OtherAccount, match="account that started"):
        same_account(other)  # type: ignore[arg-type]


# A connection that its owner closed has no owner any more, and the kernel says 0: not root's, nobody's.
CLOSED = """  sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode
   0: 0100007F:9C40 0100007F:20E4 04 00000000:00000000 00:00000000 00000000     0        0 0 1
   1: 0100007F:9C41 0100007F:20E4 06 00000000:00000000 00:00000000 00000000     0        0 0 1
"""


def test_a_connection_that_was_closed_is_nobodys(tmp_path: Path) -> None:
    table = tmp_path / "tcp"
    table.write_text(CLOSED)
    assert owner_of("127.0.0.1", 40_000, table) is owner_of("127.0.0.1", 40_001, table) is None


def test_the_kernel_says_so_of_a_real_one() -> None:
    with socket.create_server(("127.0.0.1", 0)) as server:
        ours = socket.create_connection(server.getsockname())
        theirs, _ = server.accept()
        host, port = ours.getsockname()
        ours.close()
        assert owner_of(host, port) is None
        theirs.close()


@pytest.mark.parametrize("host", ["10.0.0.1", "::1", "192.168.1.7", "127.0.0.2"])
def test_who_is_not_seen_to_be_us_is_not(host: str) -> None:
    other = SimpleNamespace(client=SimpleNamespace(host=host, port=40_000))
    assert not from_own_account(other)  # type: ignore[arg-type]


KEY = "k" * 32


def asked_with(cookie: str = "", query: str = "", method: str = "GET") -> Request:
    """A request of another account."""
    return Request(
        {
            "type": "http",
            "method": method,
            "path": "/film/x",
            "query_string": query.encode(),
            "headers": [(b"host", b"127.0.0.1:8420"), (b"cookie", cookie.encode())],
            "server": ("127.0.0.1", 8420),
            "scheme": "http",
            "client": ("10.0.0.1", 1),
        }
    )


def test_the_key_lets_in_and_nothing_else_does() -> None:
    key = PageKey(KEY, 8420)
    assert key.lets_in(asked_with(f"cutreel-8420={KEY}"))
    for cookie in ("", f"cutreel-8421={KEY}", f"cutreel-8420={KEY[:-1]}", "cutreel-8420="):
        assert not key.lets_in(asked_with(cookie))
    assert not PageKey("", 8420).lets_in(asked_with("cutreel-8420=")), "no key opens nothing"


def test_the_key_goes_out_of_the_address_and_into_a_cookie() -> None:
    key = PageKey(KEY, 8420)
    answer = key.taken_from(asked_with(query=f"view=money&key={KEY}&a=%26"))
    assert answer is not None and answer.headers["location"] == "/film/x?view=money&a=%26"
    cookie = answer.headers["set-cookie"]
    assert cookie.startswith(f"cutreel-8420={KEY};") and "HttpOnly" in cookie
    for query, method in [("key=x", "GET"), ("", "GET"), (f"key={KEY}", "POST")]:
        assert key.taken_from(asked_with(query=query, method=method)) is None
