"""Who may speak to the server: pages that it served itself, under a name of this machine."""

import os
import socket
import struct
import sys
from pathlib import Path
from urllib.parse import urlsplit

from fastapi import Request

from cutreel.core.errors import CutReelError

LOCAL = {"127.0.0.1", "localhost", "[::1]", "::1"}


def allowed(request: Request) -> str | None:
    """None when the request may pass, else why not. Guards against other sites in the same browser
    (DNS rebinding, cross-site requests)."""
    host = request.headers.get("host", "")
    if _name(host) not in LOCAL:
        return f"Host “{host[:80]}” is not this machine."
    origin = request.headers.get("origin")
    if origin and urlsplit(origin).netloc != host:
        return f"Requests from {origin[:80]} are not taken."
    if request.method not in ("GET", "HEAD", "OPTIONS") and request.headers.get(
        "sec-fetch-site", "same-origin"
    ) not in ("same-origin", "none"):
        return "Requests from other sites are not taken."
    return None


def _name(host: str) -> str:
    return (
        host.rsplit(":", 1)[0]
        if (not host.endswith("]") and host.count(":") in (1,)) or "]:" in host
        else host
    )


class OtherAccount(CutReelError):
    """Somebody with another account of this machine asks for what is done in ours."""

    code = "other-account"
    status = 403


def same_account(request: Request) -> None:
    """Raises OtherAccount where a request comes from another account of this machine: what it asks for would be run by
    ours. Whose a connection is, the kernel tells (proc_pid_net(5): tcp)."""
    client = request.client
    if client is None or client.host != "127.0.0.1":
        return  # in the same process; nothing else is let in
    owner = owner_of(client.host, client.port)
    if owner is not None and owner != os.getuid():
        raise OtherAccount(
            "Programs are plugged in by the account that started Cut Reel alone.",
            "Start Cut Reel with your own account.",
        )


def owner_of(host: str, port: int, table: Path = Path("/proc/net/tcp")) -> int | None:
    """The account whose connection has an address on this machine; None where the kernel does not say."""
    (number,) = struct.unpack("<I" if sys.byteorder == "little" else ">I", socket.inet_aton(host))
    wanted = f"{number:08X}:{port:04X}"
    try:
        lines = table.read_text().splitlines()[1:]
    except OSError:
        return None
    return next((int(p[7]) for line in lines if (p := line.split())[1] == wanted), None)
