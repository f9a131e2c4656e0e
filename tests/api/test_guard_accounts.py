"""Whose a connection is, as the kernel tells; a program is plugged in by our own account alone."""

import os
import socket
from pathlib import Path
from types import SimpleNamespace

import pytest

from cutreel.api.guard import OtherAccount, owner_of, same_account


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
