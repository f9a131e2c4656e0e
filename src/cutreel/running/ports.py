"""Ports on loopback."""

import socket

LOOPBACK = "127.0.0.1"


def is_free(port: int) -> bool:
    """Whether nothing listens on `port` and we may."""
    with socket.socket() as s:
        s.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            s.bind((LOOPBACK, port))
        except OSError:
            return False
    return True


def free_port() -> int:
    """A port that is free now."""
    with socket.socket() as s:
        s.bind((LOOPBACK, 0))
        port: int = s.getsockname()[1]
        return port


def own_address() -> str:
    """This machine's address in its network, by which others reach it; loopback where it has none. Nothing is sent: a
    datagram socket only chooses its way."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(
                ("192.0.2.1", 9)
            )  # an address that documentation keeps for itself (RFC 5737)
            return str(probe.getsockname()[0])
        except OSError:
            return "127.0.0.1"
