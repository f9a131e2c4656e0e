"""Which addresses may be reached: looked at when a connection is made, so that a name that means something else by then
is seen. Redirects are never followed, proxies of the environment never used."""

import ipaddress
import socket
import ssl
from collections.abc import Iterable
from typing import Any
from urllib.parse import urlsplit

import httpcore
import httpx

from cutreel.core.errors import BadInput
from cutreel.services import ServiceRefused

Address = ipaddress.IPv4Address | ipaddress.IPv6Address
USUAL_SECONDS = 60.0


class NotReached(ServiceRefused):
    """An address that may not be reached."""


def refused_address(address: Address, own_network: bool) -> str:
    """Why an address may not be reached; empty where it may. What lies on this machine or in its network only where its
    owner said so; what machines of a cloud tell about themselves (link-local, RFC 3927) and what is no address of
    anybody never."""
    inner = getattr(address, "ipv4_mapped", None)
    address = inner or address
    if address.is_link_local or address.is_multicast or address.is_unspecified:
        return "is never reached"
    if address.is_loopback or address.is_private or not address.is_global:
        return "" if own_network else "lies on this machine or in its network"
    return ""


class _Guard(httpcore.NetworkBackend):
    """Connects to addresses that may be reached, and to no others."""

    def __init__(self, own_network: bool) -> None:
        self.own_network = own_network
        self._real = httpcore.SyncBackend()

    def connect_tcp(
        self,
        host: str,
        port: int,
        timeout: float | None = None,
        local_address: str | None = None,
        socket_options: Iterable[Any] | None = None,
    ) -> httpcore.NetworkStream:
        try:
            found = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM)
        except OSError as error:
            raise httpcore.ConnectError(f"{host} is not known") from error
        last: Exception = httpcore.ConnectError(f"{host} has no address")
        for *_, where in found:
            address = ipaddress.ip_address(str(where[0]).split("%")[0])
            why = refused_address(address, self.own_network)
            if why:
                raise NotReached(
                    f"“{host}” {why}, and is not reached.",
                    "Allow this machine and its network for this service, if you trust it.",
                )
            try:
                return self._real.connect_tcp(
                    str(address), port, timeout, local_address, socket_options
                )
            except httpcore.ConnectError as error:
                last = error
        raise last

    def sleep(self, seconds: float) -> None:
        self._real.sleep(seconds)


def guarded(own_network: bool) -> httpx.HTTPTransport:
    """A transport that reaches only what may be reached."""
    transport = httpx.HTTPTransport()
    transport._pool = httpcore.ConnectionPool(
        ssl_context=ssl.create_default_context(), network_backend=_Guard(own_network)
    )
    return transport


def client_for(own_network: bool, **more: Any) -> httpx.Client:
    """A client for addresses that somebody wrote in."""
    return httpx.Client(
        transport=guarded(own_network),
        follow_redirects=False,
        trust_env=False,
        timeout=httpx.Timeout(USUAL_SECONDS, connect=10.0),
        **more,
    )


def check_address(address: str, own_network: bool = True) -> None:
    """Raises BadInput for what is not the address of a server; and where it is written as a number, for one that may
    not be reached."""
    try:
        parts = urlsplit(address)
        host = parts.hostname
        _ = parts.port
    except ValueError:
        host = None
    if host is None or parts.scheme not in ("http", "https"):
        raise BadInput(
            f"“{address[:100]}” is not an address.", "It begins with https:// or http://."
        )
    if parts.username or parts.password:
        raise BadInput("A name or password is part of that address.", "Write the key in its field.")
    try:
        number = ipaddress.ip_address(host)
    except ValueError:
        return
    why = refused_address(number, own_network)
    if why:
        raise BadInput(
            f"“{host}” {why}.",
            "Allow this machine and its network for this service, if you trust it.",
        )
