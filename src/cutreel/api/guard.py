"""Who may speak to the server: pages that it served itself, under a name of this machine, to whoever has the key of the
page or the account that it runs in."""

import os
import socket
import struct
import sys
from ipaddress import IPv4Address, ip_address
from pathlib import Path
from secrets import compare_digest
from urllib.parse import urlsplit

from fastapi import Request, Response
from fastapi.responses import RedirectResponse

from cutreel.core.errors import CutReelError

ESTABLISHED = "01"
"""A connection's state in the kernel's table (include/net/tcp_states.h)."""
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
    """Somebody with another account of this machine asks for what is ours."""

    code = "other-account"
    status = 403


def same_account(request: Request) -> None:
    """Raises OtherAccount where a request comes from another account of this machine: what it asks for would be run by
    ours."""
    if not from_own_account(request):
        raise OtherAccount(
            "Programs are plugged in by the account that started Cut Reel alone.",
            "Start Cut Reel with your own account.",
        )


def from_own_account(request: Request) -> bool:
    """Whether a request comes from our own account of this machine, or from root's, which may do everything anyway.
    Whose a connection is, the kernel tells (proc_pid_net(5): tcp); where it does not tell, it is nobody's."""
    client = request.client
    if client is None:
        return False
    try:
        address = ip_address(client.host)
    except ValueError:
        return True  # no address: it was asked in the same process
    if not isinstance(address, IPv4Address) or not address.is_loopback:
        return False
    return owner_of(client.host, client.port) in (0, os.getuid())


class PageKey:
    """The key that the printed address carries. Whoever opened that once keeps it in a cookie; all others are out,
    unless they come from the account that Cut Reel runs in."""

    ASKED = "key"

    def __init__(self, key: str, port: int) -> None:
        self._key, self.cookie = key, f"cutreel-{port}"

    def lets_in(self, request: Request) -> bool:
        return self.has(request) or from_own_account(request)

    def has(self, request: Request) -> bool:
        """Whether a request carries the key, so that nobody need be asked whose it is."""
        return self._is(request.cookies.get(self.cookie, ""))

    def taken_from(self, request: Request) -> Response | None:
        """What a page that is opened with the key is answered: the key goes into a cookie, and out of the address."""
        if request.method != "GET" or not self._is(request.query_params.get(self.ASKED, "")):
            return None
        without = request.url.remove_query_params(self.ASKED)
        answer = RedirectResponse(
            without.path + (f"?{without.query}" if without.query else ""), 303
        )
        self.give(answer)
        return answer

    def give(self, answer: Response) -> None:
        """Have the browser keep the key."""
        if self._key:
            year = 365 * 24 * 3600
            answer.set_cookie(self.cookie, self._key, year, httponly=True, samesite="strict")

    def _is(self, given: str) -> bool:
        return bool(self._key) and compare_digest(self._key.encode(), given.encode())


def owner_of(host: str, port: int, table: Path = Path("/proc/net/tcp")) -> int | None:
    """The account whose open connection has an address on this machine; None where the kernel does not say. One that
    its owner closed already says that it is root's, so only an established one counts."""
    (number,) = struct.unpack("<I" if sys.byteorder == "little" else ">I", socket.inet_aton(host))
    wanted = f"{number:08X}:{port:04X}"
    try:
        lines = table.read_text().splitlines()[1:]
    except OSError:
        return None
    rows = (line.split() for line in lines if wanted in line)
    return next((int(r[7]) for r in rows if r[1] == wanted and r[3] == ESTABLISHED), None)
